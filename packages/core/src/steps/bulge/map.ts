import { axisIndex, middleOfBox, Z, type Box3 } from '../../math/index.ts';
import type { PointMap } from '../../shape/index.ts';
import type { BulgeStep } from './fields.ts';

/** Lifts the layout to a dome over its box: of a ball both ways, of a barrel across its axis only. */
export function bulgeMap({ shape, axis, heightMm, solid }: BulgeStep, box: Box3): PointMap {
  const middle = middleOfBox(box);
  const half = [0, 1, 2].map((k) => Math.max((box.high[k] - box.low[k]) / 2, 1e-9));
  const lying = axisIndex[axis];
  const ways = [0, 1].filter((k) => shape === 'ball' || k !== lying);
  const deep = box.high[Z] - box.low[Z];
  return {
    usesNormal: false,
    featureMm: Infinity,
    move: (at, { rest }) => {
      let out = 0;
      for (const k of ways) out += ((rest[k] - middle[k]) / half[k]) * ((rest[k] - middle[k]) / half[k]);
      const share = solid || deep === 0 ? 1 : (rest[Z] - box.low[Z]) / deep;
      at[Z] += heightMm * share * (1 - out / ways.length);
    },
  };
}
