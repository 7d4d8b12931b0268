import { bandsFlat } from '../solid/index.ts';
import type { ClusterFaces, FaceStyleDefinition, LayOutOptions, NeededStyle, PlacedOutlines } from './definition.ts';
import { extentOf } from './extent.ts';
import { PLAIN } from './plain.ts';

type FaceBands = Extract<ClusterFaces, { kind: 'bands' }>;

/** Cuts through the whole lettering, one after another along an axis. */
export const BANDS: FaceStyleDefinition<'bands'> = {
  kind: 'bands',
  isLaidOut: false,
  asked: ({ bands, bandsAxis }) => ({ kind: 'bands', count: bands, axis: bandsAxis }),
  isAutomatic: () => false,
  sizeMm: () => undefined,
  chosenMm({ axis, count }, letters, { scale, outward }) {
    const [low, high] = extentOf(axis, letters, outward);
    return ((high - low) * scale.step) / count;
  },
  needed: (faces) => ({ faces, deepestMm: undefined }),
  layOut({ axis, count }, letters, { outward }) {
    const [low, high] = extentOf(axis, letters, outward);
    const at = Array.from({ length: count - 1 }, (_, k) => Math.round(low + ((high - low) * (k + 1)) / count));
    return { kind: 'bands', axis, at };
  },
  expected: () => 0,
  about: ({ axis, at }, letters) => ({ kind: 'bands', lines: { axis, at: at.map((line) => line - letters[axis]) } }),
  flat: ({ lines }, outline, options) => bandsFlat(outline, options, lines),
  /** As many more bands as edges are too long; where that is too many, edges are cut as the shape needs them. */
  finer({ bands }, { haveMm, needMm }) {
    const more = Math.ceil((bands * haveMm) / needMm);
    return more <= MOST_BANDS ? { bands: more } : { style: PLAIN.kind };
  },
};

const MOST_BANDS = 1000;
/** Grid steps: nothing narrower is cut. */
const NARROWEST = 8;

/** Bands that a later step needs, at multiples of a width, so that few of them move where the lettering grows. */
export function bandsEvery(
  { axis, everyMm }: Extract<NeededStyle, { kind: 'bandsEvery' }>,
  letters: readonly PlacedOutlines[],
  { scale, outward }: LayOutOptions,
): FaceBands {
  const [low, high] = extentOf(axis, letters, outward);
  const every = Math.max(NARROWEST, Math.round(everyMm / scale.step));
  const first = Math.floor(low / every) + 1;
  const count = Math.max(0, Math.ceil(high / every) - first);
  return { kind: 'bands', axis, at: Array.from({ length: count }, (_, k) => (first + k) * every) };
}
