import { straightAcross, type FlowSide } from './straightAcross.ts';
import type { Station } from './stations.ts';

const station = (x: number, y: number, up: 1 | -1): Station =>
  ({ x, y, before: { x: 0, y: up }, after: { x: 0, y: up } }) as Station;
/** Below to the right, above back to the left; the upper side begins and ends farther right or left. */
const sides = (width: number, length: number, start: number, end: number): [FlowSide, FlowSide] => [
  { from: station(0, 0, 1), to: station(length, 0, 1), length },
  { from: station(length + end, width, -1), to: station(start, width, -1), length: length + end - start },
];
const even = (n: number): [number[], number[]] => {
  const row = Array.from({ length: n - 1 }, (_, k) => (k + 1) / n);
  return [row, row.map((share) => share)];
};
/** How far each upper place lies ahead of the one below it. */
function leans([one, other]: readonly number[][], [a, b]: readonly FlowSide[]): number[] {
  const right = b.from.x;
  return one.map((share, k) => right - other[other.length - 1 - k] * b.length - share * a.length);
}

test('slanted ends lean only near those ends', () => {
  const [a, b] = sides(1, 100, 2, 2);
  const found = leans(straightAcross(even(50), a, b), [a, b]);
  expect(found[0]).toBeGreaterThan(0.5);
  for (const lean of found.slice(3, -3)) expect(Math.abs(lean)).toBeLessThan(1e-9);
});

test('straight ends and short strips stay as they are', () => {
  const straight = sides(1, 100, 0.2, 0.2);
  expect(straightAcross(even(50), ...straight)).toEqual(even(50));
  const short = sides(3, 10, 3, -3);
  expect(straightAcross(even(4), ...short)).toEqual(even(4));
});
