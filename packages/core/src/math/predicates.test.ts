import { orient2d, orient3d } from './index.ts';

test('orient2d is positive to the left and exactly zero on the line', () => {
  expect(orient2d(0, 0, 1, 0, 0, 1)).toBeGreaterThan(0);
  expect(orient2d(0, 0, 1, 0, 0, -1)).toBeLessThan(0);
  expect(orient2d(0.1, 0.1, 0.2, 0.2, 0.3, 0.3)).not.toBeNaN();
  expect(orient2d(1e8, 1e8, 2e8, 2e8, 3e8, 3e8)).toBe(0);
  // a step of the last place decides
  expect(orient2d(0, 0, 1, 1, 0.5, 0.5 + 2 ** -53)).toBeGreaterThan(0);
});

test('orient3d is positive on the side that sees the triangle counter-clockwise', () => {
  const p = [0, 0, 0, 1, 0, 0, 0, 1, 0, 0.2, 0.2, 1, 0.2, 0.2, 0];
  expect(orient3d(p, 0, 3, 6, 9)).toBeGreaterThan(0);
  expect(orient3d(p, 0, 6, 3, 9)).toBeLessThan(0);
  expect(orient3d(p, 0, 3, 6, 12)).toBeCloseTo(0, 300);
});
