import { evened, thinnedOut } from './drawnLine.ts';
import type { Place } from './stepPlaces.ts';

const drawn = (count: number, tremble: number): Place[] =>
  Array.from({ length: count }, (_, i) => [(100 * i) / (count - 1), i % 2 ? tremble : -tremble, 0]);

test('a drawn line keeps its course and its ends, with fewer places', () => {
  const thin = thinnedOut(drawn(5000, 0.01));
  expect(thin.length).toBeLessThanOrEqual(61);
  expect(thin[0]).toEqual([0, -0.01, 0]);
  expect(thin[thin.length - 1][0]).toBeGreaterThan(98);
  expect(thinnedOut(drawn(2, 0))).toHaveLength(2);
  expect(thinnedOut([[1, 2, 3]])).toEqual([[1, 2, 3]]);
});

test('the trembling of a hand goes, the ends stay', () => {
  const even = evened(drawn(40, 2));
  expect(Math.max(...even.slice(3, -3).map(([, y]) => Math.abs(y)))).toBeLessThan(0.2);
  expect([even[0], even[39]]).toEqual([
    [0, -2, 0],
    [100, 2, 0],
  ]);
});
