import { seededRandom } from '../base/index.ts';
import { sizeOf, type Vec3 } from '../math/index.ts';
import { box, moved } from '../testing/bodies.ts';
import { FIELD_SLOPE, outwardField, outwardGrid } from './outwardField.ts';

const SIGMA = 2;
// faces of a block lie 20 mm from its middle
const block = box(40, 40, 40);
const middle: Vec3 = [0, 0, 0].map((_, k) => {
  const side = block.positions.filter((_value, i) => i % 3 === k);
  return (Math.min(...side) + Math.max(...side)) / 2;
}) as Vec3;
const beside = (x: number, y: number, z: number): Vec3 => [middle[0] + x, middle[1] + y, middle[2] + z];
const near = (got: Vec3, wanted: Vec3): number => Math.max(...got.map((value, k) => Math.abs(value - wanted[k])));

test('on a flat face it is the face’s normal; along a rim it shows both ways alike, at a corner three', () => {
  const field = outwardField(outwardGrid([block], SIGMA));
  expect(near(field(beside(20, 0, 0)), [1, 0, 0])).toBeLessThan(0.04);
  expect(near(field(beside(3, -20, 2)), [0, -1, 0])).toBeLessThan(0.04);
  expect(near(field(beside(20, 20, 0)), [0.5, 0.5, 0])).toBeLessThan(0.04);
  expect(near(field(beside(20, 20, 20)), [0.25, 0.25, 0.25])).toBeLessThan(0.04);
});

test('it fades between walls that face each other, and away from all of them', () => {
  const field = outwardField(outwardGrid([block, moved(block, [41, 0, 0])], SIGMA));
  expect(sizeOf(field(beside(20, 0, 0)))).toBeLessThan(0.25);
  expect(near(field(beside(-20, 0, 0)), [-1, 0, 0])).toBeLessThan(0.04);
  expect(sizeOf(field(beside(0, 0, 0)))).toBe(0);
  expect(sizeOf(field(beside(500, 0, 0)))).toBe(0);
});

test('it is nowhere longer than one, and turns no faster than is said', () => {
  const thin = [box(3, 40, 6), moved(box(3, 40, 6), [4, 3, 1], [10, 20, 30]), moved(box(20, 2, 2), [8, 0, 3])];
  const field = outwardField(outwardGrid(thin, SIGMA));
  const random = seededRandom(3);
  for (let i = 0; i < 3000; i++) {
    const place = [30, 60, 20].map((wide) => (random() - 0.4) * wide) as Vec3;
    const by = [0, 0, 0].map(() => (random() - 0.5) * 0.2) as Vec3;
    const [a, b] = [field(place), field([place[0] + by[0], place[1] + by[1], place[2] + by[2]])];
    expect(sizeOf(a)).toBeLessThanOrEqual(1 + 1e-12);
    const slope = sizeOf([a[0] - b[0], a[1] - b[1], a[2] - b[2]]) / sizeOf(by);
    expect(slope).toBeLessThan(FIELD_SLOPE / SIGMA);
  }
});
