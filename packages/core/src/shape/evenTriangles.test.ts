import { evenTriangles } from './evenTriangles.ts';

const flat = (...places: [number, number][]): Float64Array => Float64Array.from(places.flatMap(([x, y]) => [x, y, 0]));

test('no triangle is made of a straight corner and its neighbours', () => {
  // an oblong with the middle of one side, off the line by rounding
  const made = evenTriangles(flat([0, 0], [2, -1e-15], [4, 0], [4, 1], [0, 1])) ?? [];
  expect(made).toHaveLength(9);
  const rows = [0, 3, 6].map((t) =>
    made
      .slice(t, t + 3)
      .sort()
      .join(' '),
  );
  expect(rows).not.toContain('0 1 2');
});

test('a hollow face is covered once, and one that can’t be is left to others', () => {
  const arrow = flat([0, 0], [4, -3], [2, 0], [4, 3]);
  const made = evenTriangles(arrow) ?? [];
  expect([made.slice(0, 3).sort().join(' '), made.slice(3).sort().join(' ')].sort()).toEqual(['0 1 2', '0 2 3']);
  expect(evenTriangles(flat([0, 0], [1, 0], [2, 0], [3, 0]))).toBeUndefined();
  expect(evenTriangles(new Float64Array(3 * 17))).toBeUndefined();
});
