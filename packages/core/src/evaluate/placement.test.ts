import type { Placement } from '../document/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import { transformPoints } from '../math/index.ts';
import { cubes } from '../testing/meshes.ts';
import { pieceTransform } from './placement.ts';

// a cube of side 4 whose corner lies at (1, 2, 3)
const clusters = [{ mesh: cubes(4, [0, 0, 0]), x: 1, y: 2, z: 3 }] as unknown as BuiltCluster[];
const place = (values: Partial<Placement>): Placement => ({
  by: 'zero',
  stand: 'free',
  atMm: [10, 20, 30],
  turnDegrees: [0, 0, 0],
  ...values,
});
/** Where a point of the piece comes to stand. */
const stands = (values: Partial<Placement>, point: [number, number, number]): number[] =>
  Array.from(transformPoints(pieceTransform(place(values), clusters), Float64Array.from(point)));
const MIDDLE: [number, number, number] = [3, 4, 5];

test('by its zero', () => expect(stands({}, [0, 0, 0])).toEqual([10, 20, 30]));

test('by its middle, whatever the turn', () => {
  for (const turnDegrees of [
    [0, 0, 0],
    [0, 90, 0],
    [90, 0, 90],
    [13, 57, 211],
  ] as [number, number, number][])
    stands({ by: 'middle', turnDegrees }, MIDDLE).forEach((v, k) => expect(v).toBeCloseTo([10, 20, 30][k], 9));
});

test('by the middle of its foot: the lowest point lies at the height', () => {
  expect(stands({ by: 'foot' }, [3, 2, 5])).toEqual([10, 20, 30]);
  const tilted = pieceTransform(place({ by: 'foot', turnDegrees: [0, 0, 45] }), clusters);
  const corners = cubes(4, [1, 2, 3]).positions;
  const heights = Array.from(transformPoints(tilted, corners)).filter((_, i) => i % 3 === 1);
  expect(Math.min(...heights)).toBeCloseTo(20, 9);
});

test('on the table the height counts from the lowest point', () => {
  expect(stands({ stand: 'table', by: 'middle' }, [3, 2, 5])).toEqual([10, 20, 30]);
  expect(stands({ stand: 'table' }, [0, 2, 0])).toEqual([10, 20, 30]);
});

test('a piece without a solid is simply put there', () =>
  expect(pieceTransform(place({ by: 'middle', stand: 'table' }), []).move).toEqual([10, 20, 30]));
