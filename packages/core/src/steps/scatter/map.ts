import { seededRandom } from '../../base/index.ts';
import { type Box3, turnOf, type Vec3, X } from '../../math/index.ts';
import { courseOf, gradientNoise, type PointMap } from '../../shape/index.ts';
import type { ScatterStep } from './fields.ts';

/** One strength a value: across, up, to the front, three turns, size. */
type Strengths = readonly number[];
const VALUES = 7;

/**
 * Puts each letter somewhat elsewhere, turned and scaled about the middle of its foot; as rigid, or bending from letter
 * to letter.
 */
export function scatterMap(step: ScatterStep, box: Box3): PointMap {
  const strengths = strengthsOf(step, box);
  let last: Strengths | undefined;
  let rows: readonly number[] = [];
  return {
    usesNormal: false,
    featureMm: step.rigid ? Infinity : (box.high[X] - box.low[X]) / 16,
    move: (at, point) => {
      const by = strengths(point);
      // points of one letter come one after another
      if (by !== last) rows = turnOf(step.turnDegrees.map((degrees, k) => degrees * by[3 + k]) as Vec3);
      last = by;
      const size = 1 + (step.scalePercent / 100 - 1) * by[6];
      const from = [0, 1, 2].map((k) => (at[k] - point.foot[k]) * size);
      for (let k = 0; k < 3; k++) {
        const turned = rows[3 * k] * from[0] + rows[3 * k + 1] * from[1] + rows[3 * k + 2] * from[2];
        at[k] = point.foot[k] + turned + step.moveMm[k] * by[k];
      }
    },
  };
}

function strengthsOf(
  { by, course, seed, rigid }: ScatterStep,
  box: Box3,
): (point: Parameters<PointMap['move']>[1]) => Strengths {
  const wide = box.high[X] - box.low[X];
  const share = (x: number): number => (wide > 0 ? (x - box.low[X]) / wide : 0);
  const strength = courseOf(course);
  if (by === 'course')
    return ({ rest, foot }) => new Array<number>(VALUES).fill(strength(share((rigid ? foot : rest)[X])));
  if (!rigid) {
    return ({ rest }) =>
      Array.from({ length: VALUES }, (_, k) => gradientNoise(seed + k, share(rest[X]) * 8, 0.5 + k, 0.5));
  }
  const known = new Map<string, Strengths>();
  return ({ letter, foot }) => {
    const key = `${letter} ${foot[X]}`;
    const found = known.get(key);
    if (found) return found;
    // by the letter's own number, so that it keeps its place when others come and go
    const random = seededRandom((seed ^ Math.imul(letter + 1, 0x9e3779b1)) >>> 0);
    const made = Array.from({ length: VALUES }, () => 2 * random() - 1);
    known.set(key, made);
    return made;
  };
}
