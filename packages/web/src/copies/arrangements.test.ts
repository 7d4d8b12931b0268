import { transformPoints, type Transform, type Vec3 } from '@fictile/core';
import { countOf, motionsOf, type Arrangement } from './arrangements.ts';

const PLAIN: Arrangement = {
  ...{ kind: 'row', count: 3, toward: 'right', apartMm: 10, across: 3, down: 2, apartDownMm: 20 },
  ...{ radiusMm: 50, plane: 'lies', turned: 'turned' },
};
const MIDDLE: Vec3 = [5, 6, 7];
/** Where the middle comes to, and a place 1 mm to its right. */
const places = (motion: Transform): number[][] => {
  const rows = transformPoints(motion, Float64Array.from([...MIDDLE, MIDDLE[0] + 1, MIDDLE[1], MIDDLE[2]]));
  return [0, 3].map((at) => Array.from(rows.subarray(at, at + 3), (v) => Math.round(v * 1e6) / 1e6 + 0));
};
const middles = (values: Partial<Arrangement>): number[][] =>
  motionsOf({ ...PLAIN, ...values }, MIDDLE).map((motion) => places(motion)[0]);

test('a row goes the way it is told', () => {
  expect(middles({})).toEqual([15, 25, 35].map((x) => [x, 6, 7]));
  expect(middles({ toward: 'back', count: 1 })).toEqual([[5, 6, -3]]);
});

test('a grid is filled round the one that is there', () => {
  expect(countOf({ ...PLAIN, kind: 'grid' })).toBe(5);
  expect(middles({ kind: 'grid', toward: 'down' })).toEqual([
    [15, 6, 7],
    [25, 6, 7],
    [5, -14, 7],
    [15, -14, 7],
    [25, -14, 7],
  ]);
});

test('a circle goes through the one that is there, evenly; each looks as it is told', () => {
  expect(middles({ kind: 'circle' })).toEqual([
    [55, 6, -43],
    [5, 6, -93],
    [-45, 6, -43],
  ]);
  expect(middles({ kind: 'circle', plane: 'stands', count: 1 })).toEqual([[5, -94, 7]]);
  const [turned, upright] = (['turned', 'upright'] as const).map((turned) =>
    places(motionsOf({ ...PLAIN, kind: 'circle', count: 1, turned }, MIDDLE)[0]),
  );
  expect(turned).toEqual([
    [5, 6, -93],
    [4, 6, -93],
  ]);
  expect(upright).toEqual([
    [5, 6, -93],
    [6, 6, -93],
  ]);
});
