import type { CuttingStep } from '../steps/index.ts';
import { remark, type Remark } from '../base/index.ts';
import { ontoStepOf, type Piece } from '../document/index.ts';
import { assemble, textsOf, type BuiltCluster } from '../lettering/index.ts';
import { boxesMeet, boxOfPoints, grownBox, largestThat, type Box3, type Vec3 } from '../math/index.ts';
import { flatShare, Target } from '../surface/index.ts';
import type { Letter } from '../text/index.ts';
import { holdBefore } from './holdOf.ts';

/** Words as they lie by themselves on what they cut. */
export interface RimmedWords {
  piece: Piece;
  clusters: readonly BuiltCluster[];
  letters: readonly Letter[];
  /** around them in the flat layout */
  flat: Box3 | undefined;
  target: Target;
}

/**
 * Rims that are wider than drawn have no room: they end in the floor, meet their neighbours, or reach over a border.
 */
export function rimRemarks(step: CuttingStep, words: RimmedWords): Remark[] {
  const { id: stepId, softMm, softSide } = step;
  if (softSide === 'inward' || !hasRim(step)) return [];
  const lies = ontoStepOf(words.piece);
  const deepMm = step.sinkMm - Math.max(0, lies?.liftMm ?? 0);
  const told = (by: 'floor' | 'neighbours' | 'border', fitsMm: number, letters = ''): Remark[] =>
    fitsMm < softMm * SAME ? [remark('CUT_RIM_CLIPPED', { stepId, by, fitsMm: Math.max(0, fitsMm), letters })] : [];
  const { gapMm, between } = narrowestGap(words.clusters, 2 * softMm);
  return [
    ...(step.operation === 'engrave' ? told('floor', deepMm) : []),
    ...told('neighbours', gapMm / 2, textsOf(between, words.letters)),
    ...told('border', roomAtBorder(softMm, words)),
  ];
}

/** Rounds where the words meet what they cut. */
export const hasRim = ({ softMm, operation }: CuttingStep): boolean =>
  softMm > 0 && (operation === 'engrave' || operation === 'through' || operation === 'raise');

/** Nearer to what was asked for it is the same. */
const SAME = 0.999;

/** The least distance between clusters, if that is less than some mm; and the letters there. */
function narrowestGap(clusters: readonly BuiltCluster[], withinMm: number): { gapMm: number; between: number[] } {
  const all = clusters.map((cluster) => {
    const mesh = assemble([cluster]);
    return { letters: cluster.letters, mesh, box: boxOfPoints(mesh.positions) };
  });
  const made = new Map<number, Target>();
  const targetOf = (i: number): Target => {
    const known = made.get(i) ?? new Target(all[i].mesh);
    made.set(i, known);
    return known;
  };
  let [gapMm, between]: [number, number[]] = [Infinity, []];
  all.forEach((one, i) => {
    for (let j = 0; j < i; j++) {
      if (!boxesMeet(grownBox(one.box, withinMm), all[j].box)) continue;
      const [there, back] = [
        [i, j],
        [j, i],
      ].map(([a, b]) => distance(all[a].mesh.positions, targetOf(b), withinMm));
      const gap = Math.min(there, back);
      if (gap < gapMm) [gapMm, between] = [gap, [...all[j].letters, ...one.letters]];
    }
  });
  return gapMm < withinMm ? { gapMm, between } : { gapMm: Infinity, between: [] };
}

/** From points to a mesh, of those that lie near its box. */
function distance(points: Float64Array, target: Target, withinMm: number): number {
  const near = grownBox(target.box, withinMm);
  let least = Infinity;
  for (let v = 0; v < points.length; v += 3) {
    const place: Vec3 = [points[v], points[v + 1], points[v + 2]];
    if (place.every((value, k) => value >= near.low[k] && value <= near.high[k]))
      least = Math.min(least, target.closest(place).far);
  }
  return Math.sqrt(least);
}

/** Of a search for a width: to a hundredth. */
const HALVINGS = 7;

/** How wide rims may be round words that lie flat before they reach over the border. */
function roomAtBorder(softMm: number, { piece, flat, target }: RimmedWords): number {
  const step = ontoStepOf(piece);
  if (step?.method !== 'flat' || step.heldBy !== 'middle' || !flat) return Infinity;
  const hold = holdBefore(step, target);
  const { toleranceMm } = piece.body.faces;
  const [wide, tall] = [0, 1].map((k) => flat.high[k] - flat.low[k]);
  const fits = (mm: number): boolean =>
    (flatShare(target, hold, { wide: wide + 2 * mm, tall: tall + 2 * mm, toleranceMm }) ?? Infinity) >= 1;
  // what lies over the border itself is told of the words
  if (fits(softMm) || !fits(0)) return Infinity;
  return largestThat(fits, [0, softMm], HALVINGS);
}
