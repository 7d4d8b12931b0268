import { unwrap } from '../../base/index.ts';
import { silhouette, usualSilhouette, type Shades } from '../index.ts';

/** A picture of 200 by 120 pixels, dark where it is said, its edges as soft as a camera's. */
function picture(isInk: (x: number, y: number) => boolean): Shades {
  const [width, height, fine] = [200, 120, 4];
  const values = new Float32Array(width * height).map((_, i) => {
    let light = 0;
    for (let k = 0; k < fine * fine; k++) {
      const [x, y] = [
        (i % width) + ((k % fine) + 0.5) / fine,
        Math.floor(i / width) + (Math.floor(k / fine) + 0.5) / fine,
      ];
      light += isInk(x, y) ? 0 : 255 / (fine * fine);
    }
    return light;
  });
  return { width, height, values };
}

/** Path commands by kind, and the area that they enclose by even and odd, corners and middles of curves alone. */
function figures(shades: Shades, options = {}) {
  const { shape } = unwrap(silhouette(shades, { ...usualSilhouette(), ...options }));
  const [{ path }] = shape.elements;
  const commands = path.match(/[MLCZ][^MLCZ]*/g) ?? [];
  const points = commands.map((text) => text.slice(1).split(' ').map(Number));
  return { path, lines: count(path, 'L'), curves: count(path, 'C'), loops: count(path, 'M'), points, shape };
}
const count = (path: string, letter: string): number => path.split(letter).length - 1;

/** The area of a path's loops, curves by their cubic's own area (Green). */
function area(points: number[][]): number {
  let [sum, x, y] = [0, 0, 0];
  for (const row of points) {
    if (row.length === 6) {
      const [ax, ay, bx, by, cx, cy] = row;
      sum +=
        0.3 * (x * ay - ax * y) * 2 +
        0.3 * (x * by - bx * y) +
        0.1 * (x * cy - cx * y) +
        0.3 * (ax * by - bx * ay) +
        0.3 * (ax * cy - cx * ay) +
        0.6 * (bx * cy - cx * by);
      [x, y] = [cx, cy];
    } else if (row.length === 2) {
      if (!Number.isNaN(row[0])) [x, y] = row;
    }
  }
  return Math.abs(sum) / 2;
}

test('a disc becomes a few curves that lie where it did', () => {
  const { lines, curves, loops, points } = figures(picture((x, y) => (x - 100) ** 2 + (y - 60) ** 2 < 40 * 40));
  expect([lines, loops]).toEqual([0, 1]);
  expect(curves).toBeLessThanOrEqual(8);
  for (const row of points.filter((one) => one.length === 6))
    expect(Math.abs(Math.hypot(row[4] - 100, row[5] - 60) - 40)).toBeLessThan(0.8);
  expect(Math.abs(area(points) / (Math.PI * 1600) - 1)).toBeLessThan(0.02);
});

test('a square keeps its four corners and straight sides, and its hole', () => {
  const inside = (x: number, y: number, half: number): boolean => Math.max(Math.abs(x - 100), Math.abs(y - 60)) < half;
  const { lines, curves, loops, points } = figures(picture((x, y) => inside(x, y, 45) && !inside(x, y, 20)));
  expect({ lines, curves, loops }).toEqual({ lines: 8, curves: 0, loops: 2 });
  for (const [x, y] of points.filter((one) => one.length === 2 && !Number.isNaN(one[0]))) {
    const far = Math.max(Math.abs(x - 100), Math.abs(y - 60));
    expect(Math.min(Math.abs(far - 45), Math.abs(far - 20))).toBeLessThan(0.4);
  }
});

test('specks go, light on dark can be meant, and what is darker is set by the share of light', () => {
  const dots = (x: number, y: number): boolean =>
    (x > 20 && x < 80 && y > 20 && y < 80) || (x > 120 && x < 122 && y > 40 && y < 42);
  expect(figures(picture(dots), { smoothPx: 0, speckPx: 1 }).loops).toBe(2);
  expect(figures(picture(dots), { smoothPx: 0, speckPx: 12 }).loops).toBe(1);
  const light = picture((x, y) => !dots(x, y));
  // the light square, and the border of the picture round the dark
  expect(figures(light, { inverted: true }).loops).toBe(1);
  expect(figures(light).loops).toBe(2);
  const grey = { ...light, values: light.values.map((_, i) => (i % 200 < 100 ? 100 : 200)) };
  expect(figures(grey, { darkerPercent: 50 }).points[0][0]).toBeLessThan(101);
  expect(silhouette(grey, { ...usualSilhouette(), darkerPercent: 20 })).toMatchObject({
    ok: false,
    error: { code: 'DRAWING_EMPTY' },
  });
  expect(silhouette({ width: 5000, height: 5000, values: new Float32Array() }, usualSilhouette())).toMatchObject({
    ok: false,
    error: { code: 'TOO_LARGE' },
  });
});

test('places where dark corners only touch, a picture full of ink and one pixel are outlines too', () => {
  const chess = picture((x, y) => (Math.floor(x / 20) + Math.floor(y / 20)) % 2 === 0);
  expect(figures(chess, { smoothPx: 0 }).loops).toBeGreaterThan(10);
  expect(figures(picture(() => true)).loops).toBe(1);
  expect(
    figures(
      picture((x, y) => x > 50 && x < 51 && y > 50 && y < 51),
      { smoothPx: 0, speckPx: 0 },
    ).loops,
  ).toBe(1);
});
