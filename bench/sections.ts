import {
  buildSection,
  sectionIsSimple,
  sectionLayers,
  USUAL_KINDS,
  USUAL_SIDE_KINDS,
  type SideShape,
} from '@fictile/core';
import type { Say } from './figures.ts';
import { seeded } from './seeded.ts';

const RUNS = 2000;

/**
 * Any two edges and sides of any size on any grid: whether each section is simple, with layers as far apart as a plan
 * needs.
 */
export function benchSections(say: Say): void {
  const { chance: random, pick } = seeded(7);
  const length = (): number => 10 ** (random() * 8 - 5);
  const anyEdge = () => ({
    kind: pick(USUAL_KINDS),
    inMm: length(),
    deepMm: length(),
    steps: 1 + Math.floor(random() * 64),
    points: [],
  });
  let faults = 0;
  for (let run = 0; run < RUNS; run++) {
    const step = 2 ** -(8 + 2 * Math.floor(random() * 5));
    const side: SideShape = {
      kind: pick(USUAL_SIDE_KINDS),
      amountMm: length(),
      steps: 1 + Math.floor(random() * 16),
      divisions: 1 + Math.floor(random() * 5),
    };
    const { section } = buildSection({ depthMm: length(), front: anyEdge(), back: anyEdge(), side, step });
    const layers = sectionLayers(section);
    const isApart = layers.every((inset, i) => inset - (i === 0 ? 0 : layers[i - 1]) >= 4);
    if (!isApart || !sectionIsSimple(section)) faults++;
  }
  say(`${RUNS} sections: ${RUNS - faults} simple, with layers apart`);
  say.put('sections: not simple', faults, 'sections', { bar: 0, n: RUNS });
}
