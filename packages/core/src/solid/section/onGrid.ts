import { SMALLEST_LAYER } from '../wavefront/index.ts';
import { sectionLayers, type SectionRow, type Section, type SectionPart } from './section.ts';

interface Grid {
  /** mm */
  step: number;
  /** the whole depth, in steps */
  depth: number;
  /** of the front's middle above the body's front, in steps */
  above: number;
  /** insets in mm that keep their place where others give way */
  kept: readonly number[];
}

/**
 * Rows on the grid. Layers may not lie closer than SMALLEST_LAYER: insets that come closer to one already taken, the
 * outline's own and the outermost first, become that one. Points that fall together are one. Wherever a piece passes a
 * layer of another part it gets a vertex.
 */
export function onGrid(rows: readonly SectionRow[], grid: Grid): Section {
  return withPassedLayers(rounded(rows, grid));
}

function rounded(rows: readonly SectionRow[], { step, depth, above, kept }: Grid): Section {
  const steps = (mm: number): number => Math.round(mm / step) + 0; // never -0
  const insets = rows.map((row) => steps(row.inMm));
  const layers = layersOf(insets, kept.map(steps));
  const section: Section = { inset: [], z: [], part: [] };
  let part: SectionPart | undefined;
  rows.forEach((row, i) => {
    const inset = layers.get(insets[i]) as number;
    const isEnd = i === 0 || i === rows.length - 1;
    const z = isEnd ? (i === 0 ? depth : 0) : Math.max(0, Math.min(depth, depth - above - steps(row.downMm)));
    const last = section.inset.length - 1;
    if (last >= 0 && section.inset[last] === inset && section.z[last] === z) {
      part = row.part;
      return;
    }
    if (last >= 0) section.part.push(part as SectionPart);
    section.inset.push(inset);
    section.z.push(z);
    part = row.part;
  });
  return section;
}

/** Every inset as the layer that it lies on. */
function layersOf(insets: readonly number[], kept: readonly number[]): Map<number, number> {
  const wanted = [...new Set(insets)];
  const order = [0, Math.max(...wanted), Math.min(...wanted), ...kept, ...wanted.sort((a, b) => b - a)];
  const taken: number[] = [];
  for (const inset of order) if (!taken.some((layer) => Math.abs(layer - inset) < SMALLEST_LAYER)) taken.push(inset);
  const nearest = (inset: number): number =>
    taken.reduce((best, layer) => (Math.abs(layer - inset) < Math.abs(best - inset) ? layer : best));
  return new Map(wanted.map((inset) => [inset, nearest(inset)]));
}

/** With a vertex wherever a piece passes a layer of another. */
export function withPassedLayers(section: Section): Section {
  const layers = [...sectionLayers(section), 0].sort((a, b) => a - b);
  const out: Section = { inset: [section.inset[0]], z: [section.z[0]], part: [] };
  for (let s = 0; s + 1 < section.inset.length; s++) {
    const from = section.inset[s];
    const to = section.inset[s + 1];
    const passed = layers.filter((inset) => inset > Math.min(from, to) && inset < Math.max(from, to));
    if (from > to) passed.reverse();
    for (const inset of [...passed, to]) {
      const share = to === from ? 1 : (inset - from) / (to - from);
      out.inset.push(inset);
      out.z.push(section.z[s] + Math.round(share * (section.z[s + 1] - section.z[s])));
      out.part.push(section.part[s]);
    }
  }
  return out;
}
