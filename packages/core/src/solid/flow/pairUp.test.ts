import { pairUp, type PointRow } from './pairUp.ts';

/** A row of points at some lengths along a strip, walked to the right below or to the left above. */
const row = (at: readonly number[], y: number): PointRow => ({
  x: at,
  y: at.map(() => y),
  right: at.map(() => (y > 0 ? -1 : 1)),
  up: at.map(() => 0),
  spacing: 1,
});
const below = (...at: number[]): PointRow => row(at, 0);
const above = (...at: number[]): PointRow => row([...at].reverse(), 0.5);

test('points straight across go together', () => {
  expect(pairUp(below(1, 2, 3), above(1, 2, 3))).toEqual([
    [0, 0, 0, 0],
    [0, 0, 0, 0],
  ]);
});

test('a point that faces none stays alone: the other row gets one there, whichever end it lost it at', () => {
  expect(pairUp(below(2, 3, 4), above(1, 2, 3, 4))).toEqual([
    [1, 0, 0, 0],
    [0, 0, 0, 0, 0],
  ]);
  expect(pairUp(below(1, 2, 4), above(1, 2, 3, 4))).toEqual([
    [0, 0, 1, 0],
    [0, 0, 0, 0, 0],
  ]);
});

test('equal numbers that are shifted along a narrow strip get their partners on both sides', () => {
  const many = Array.from({ length: 30 }, (_, i) => i);
  const [first, second] = pairUp(below(...many.map((i) => i + 2)), above(...many));
  expect([first[0], first[30], second[0], second[30]]).toEqual([2, 0, 2, 0]);
  expect([first, second].map((counts) => counts.reduce((sum, n) => sum + n, 0))).toEqual([2, 2]);
});

test('in a wide strip rows may lean', () => {
  const lean = { ...above(1.5, 2.5, 3.5), y: [3, 3, 3] };
  expect(pairUp(below(1, 2, 3), lean)).toEqual([
    [0, 0, 0, 0],
    [0, 0, 0, 0],
  ]);
});

test('rows without points', () => {
  expect(pairUp(below(), above(1, 2))).toEqual([[2], [0, 0, 0]]);
  expect(pairUp(below(), above())).toEqual([[0], [0]]);
  for (let n = 0; n < 40; n++) {
    const row = below(...Array.from({ length: n }, (_, i) => 0.1 * i));
    expect(pairUp(row, above())[1]).toEqual([n]);
  }
});
