import { lengthOf } from '../math/index.ts';
import { doubledArea, toRings } from '../outline/index.ts';
import { flowFlat, gridFlat } from '../solid/index.ts';
import type { FaceStyleDefinition, PlacedOutlines } from './definition.ts';
import { deepest, inSteps } from './inSteps.ts';

/** Of the em: the size that suits a lettering where none is asked for. */
const USUAL_SIZE_EM = 0.025;
/** Grid steps: nothing smaller is laid out. */
const SMALLEST = 8;

/** What squares and flowing quads share: both have a size, and only become smaller. */
const sized = <K extends 'grid' | 'flow'>(kind: K) => ({
  kind,
  asked: ({ sizeMm }: { sizeMm: number }) => ({ kind, sizeMm }),
  isAutomatic: ({ sizeMm }: { sizeMm: number }) => sizeMm === 0,
  sizeMm: sizeOf,
  chosenMm: (asked: { sizeMm: number }, _: unknown, { scale }: { scale: { emMm: number } }) =>
    sizeOf(asked, scale.emMm),
  needed(
    faces: { kind: 'grid' | 'flow'; sizeMm: number },
    need: { x: number; y: number; z: number },
    { usualMm }: { usualMm: number },
  ) {
    const deepestMm = deepest(need.z);
    const sizeMm = inSteps(Math.min(need.x, need.y, need.z));
    return sizeMm < usualMm ? { faces: { ...faces, sizeMm }, deepestMm } : { faces, deepestMm };
  },
  layOut(
    asked: { sizeMm: number },
    _: unknown,
    {
      scale,
      toleranceMm,
      supportMm,
    }: { scale: { step: number; emMm: number }; toleranceMm: number; supportMm: number },
  ) {
    const { step } = scale;
    const size = Math.max(SMALLEST, Math.round(sizeOf(asked, scale.emMm) / step));
    return { kind, size, tolerance: toleranceMm / step, support: supportMm / step };
  },
  expected: expectedFaces,
  finer: () => ({ sizeMm: 0 }),
});

const sizeOf = ({ sizeMm }: { sizeMm: number }, emMm: number): number => (sizeMm > 0 ? sizeMm : USUAL_SIZE_EM * emMm);

function expectedFaces({ size }: { size: number }, { members }: PlacedOutlines, depthSteps: number): number {
  let [area, around] = [0, 0];
  for (const { outline } of members) {
    for (const ring of toRings(outline)) {
      area += doubledArea(ring) / 2;
      ring.forEach(
        (a, i) => (around += lengthOf(ring[(i + 1) % ring.length].x - a.x, ring[(i + 1) % ring.length].y - a.y)),
      );
    }
  }
  return Math.round((2 * area) / (size * size) + (around / size) * Math.max(1, depthSteps / size));
}

/** The remainder, never below zero. */
const within = (value: number, size: number): number => ((value % size) + size) % size;

/** Squares, the same for the whole lettering. */
export const GRID: FaceStyleDefinition<'grid'> = {
  ...sized('grid'),
  isLaidOut: false,
  about: ({ size, tolerance, support }, { x, y }) => ({
    kind: 'grid',
    size,
    tolerance,
    support,
    origin: { x: within(-x, size), y: within(-y, size) },
  }),
  flat: (style, outline, options) => gridFlat(outline, options, style),
};

/** Quads that follow the strokes. */
export const FLOW: FaceStyleDefinition<'flow'> = {
  ...sized('flow'),
  isLaidOut: true,
  about: (faces) => ({ ...faces, kind: 'flow' }),
  flat: (style, outline, options) => flowFlat(outline, options, style),
};
