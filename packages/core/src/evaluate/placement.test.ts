import { unwrap } from '../base/index.ts';
import { newPiece, newProject, parseProject, usualPlacement, type Pivot, type Placement } from '../document/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import { transformPoints, turnOf } from '../math/index.ts';
import { cubes } from '../testing/meshes.ts';
import { pieceTransform, standingAs } from './placement.ts';

// a cube of side 4 whose corner lies at (1, 2, 3)
const clusters = [{ mesh: cubes(4, [0, 0, 0]), x: 1, y: 2, z: 3, letters: [0] }] as unknown as BuiltCluster[];
const SHAPE = { clusters, letters: [{ id: 7 }] };
const place = (values: Partial<Placement>): Placement => ({
  ...usualPlacement(),
  atMm: [10, 20, 30],
  ...values,
});
/** Where a point of the piece comes to stand. */
const stands = (values: Partial<Placement>, point: [number, number, number]): number[] =>
  Array.from(transformPoints(pieceTransform(place(values), SHAPE), Float64Array.from(point)));
const MIDDLE: [number, number, number] = [3, 4, 5];
const MIDDLE_OF_BOX = { kind: 'box', across: 'middle', up: 'middle', deep: 'middle' } as const;

test('by its zero', () => expect(stands({}, [0, 0, 0])).toEqual([10, 20, 30]));

test('by its middle, whatever the turn', () => {
  for (const turnDegrees of [
    [0, 0, 0],
    [0, 90, 0],
    [90, 0, 90],
    [13, 57, 211],
  ] as [number, number, number][])
    stands({ pivot: MIDDLE_OF_BOX, turnDegrees }, MIDDLE).forEach((v, k) => expect(v).toBeCloseTo([10, 20, 30][k], 9));
});

test.each<[Pivot, [number, number, number]]>([
  [{ ...MIDDLE_OF_BOX, up: 'foot' }, [3, 2, 5]],
  [{ ...MIDDLE_OF_BOX, across: 'left', deep: 'front' }, [1, 4, 7]],
  [{ ...MIDDLE_OF_BOX, across: 'right', up: 'top', deep: 'back' }, [5, 6, 3]],
  [{ ...MIDDLE_OF_BOX, kind: 'letter', letter: 7 }, MIDDLE],
  [{ ...MIDDLE_OF_BOX, kind: 'letter', letter: 8 }, [0, 0, 0]],
  [{ kind: 'point', pointMm: [1, 1, 1] }, [1, 1, 1]],
])('turned and sized about %j', (pivot, at) => {
  const moved = stands({ pivot, turnDegrees: [20, 30, 40], sizePercent: 250 }, at);
  moved.forEach((v, k) => expect(v).toBeCloseTo([10, 20, 30][k], 9));
});

test('on the table the height counts from the lowest point', () => {
  expect(stands({ stand: 'table', pivot: MIDDLE_OF_BOX }, [3, 2, 5])).toEqual([10, 20, 30]);
  expect(stands({ stand: 'table' }, [0, 2, 0])).toEqual([10, 20, 30]);
  const tilted = pieceTransform(place({ stand: 'table', sizePercent: 50, turnDegrees: [0, 0, 45] }), SHAPE);
  const heights = Array.from(transformPoints(tilted, cubes(4, [1, 2, 3]).positions)).filter((_, i) => i % 3 === 1);
  expect(Math.min(...heights)).toBeCloseTo(20, 9);
});

test('a piece without a solid is simply put there', () =>
  expect(pieceTransform(place({ pivot: MIDDLE_OF_BOX, stand: 'table' }), { clusters: [], letters: [] }).move).toEqual([
    10, 20, 30,
  ]));

test('what is said of a place makes the place that it was said of, also where it is tilted by a right angle', () => {
  for (const turnDegrees of [
    [0, 0, 0],
    [90, 20, 30],
    [-90, 0, 10],
    [13, 57, -149],
    [-120, 45, 180],
  ] as [number, number, number][]) {
    const was = pieceTransform(place({ pivot: MIDDLE_OF_BOX, turnDegrees, sizePercent: 40 }), SHAPE);
    const is = pieceTransform(place({ pivot: { kind: 'zero' }, ...standingAs(was, [0, 0, 0]) }), SHAPE);
    [...is.rows, ...is.move].forEach((v, i) => expect(v).toBeCloseTo([...was.rows, ...was.move][i], 9));
  }
});

describe('documents of version 17, held by zero, middle or foot', () => {
  /** As it was done then. */
  function asThen(by: string, stand: string, turnDegrees: [number, number, number]): number[] {
    const rows = turnOf(turnDegrees);
    const at = by === 'zero' ? [0, 0, 0] : MIDDLE;
    const [x, y, z] = [0, 3, 6].map((r) => rows[r] * at[0] + rows[r + 1] * at[1] + rows[r + 2] * at[2]);
    const corners = transformPoints({ rows, move: [0, 0, 0] }, cubes(4, [1, 2, 3]).positions);
    const lowest = Math.min(...corners.filter((_, i) => i % 3 === 1));
    return [...rows, 10 - x, 20 - (stand === 'table' || by === 'foot' ? lowest : y), 30 - z];
  }

  test.each(['zero', 'middle', 'foot'])('stand where they stood: %s', (by) => {
    for (const stand of ['free', 'table'])
      for (const turnDegrees of [
        [0, 0, 0],
        [0, 33, 0],
        [20, 33, 7],
      ] as [number, number, number][]) {
        const placement = { by, stand, atMm: [10, 20, 30], turnDegrees };
        const { groups: _, ...now } = newProject('p', 'P', [newPiece('a', 'A', ['A'])]);
        const old = { ...now, schemaVersion: 17, pieces: { a: { ...now.pieces.a, placement } } };
        const { rows, move } = pieceTransform(unwrap(parseProject(old)).pieces.a.placement, SHAPE);
        [...rows, ...move].forEach((v, i) => expect(v).toBeCloseTo(asThen(by, stand, turnDegrees)[i], 12));
      }
  });
});
