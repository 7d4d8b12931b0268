import { seededRandom } from '../base/index.ts';
import {
  CurveBuilder,
  drawKnots,
  isCorner,
  pointAt,
  splitAfter,
  turnedKnot,
  withArm,
  withKnot,
  withoutKnot,
  type KnotCurve,
} from './index.ts';

type Point = [number, number];
const random = seededRandom(11);
const point = (): Point => [random() * 200 - 100, random() * 200 - 100];
const curveOf = (count: number, closed: boolean): KnotCurve => ({
  knots: Array.from({ length: count }, () => ({ atMm: point(), inMm: point(), outMm: point() })),
  closed,
});
const pieces = (curve: KnotCurve) => {
  const builder = new CurveBuilder({ keepsOpen: true });
  drawKnots(builder, curve);
  return builder.finish();
};

test.each([true, false])('another knot leaves the curve as it is (closed: %s)', (closed) => {
  for (let round = 0; round < 20; round++) {
    const curve = curveOf(4, closed);
    const index = round % (closed ? 4 : 3);
    const split = pieces(splitAfter(curve, index));
    const whole = pieces(curve);
    for (const t of [0.1, 0.25, 0.5]) {
      const [a, b] = [pointAt(whole, index, t), pointAt(split, index, 2 * t)];
      expect(a.x).toBeCloseTo(b.x, 9);
      expect(a.y).toBeCloseTo(b.y, 9);
    }
    const [a, b] = [pointAt(whole, index, 0.75), pointAt(split, index + 1, 0.5)];
    expect([b.x, b.y]).toEqual([expect.closeTo(a.x, 9), expect.closeTo(a.y, 9)]);
  }
});

test('a straight piece is halved, and behind the last knot an open curve goes on', () => {
  const corner = (x: number, y: number) => ({ atMm: [x, y] as Point, inMm: [0, 0] as Point, outMm: [0, 0] as Point });
  const curve: KnotCurve = { knots: [corner(0, 0), corner(10, 4)], closed: false };
  expect(splitAfter(curve, 0).knots.map((k) => k.atMm)).toEqual([
    [0, 0],
    [5, 2],
    [10, 4],
  ]);
  expect(splitAfter(curve, 1).knots.map((k) => k.atMm)).toEqual([
    [0, 0],
    [10, 4],
    [20, 8],
  ]);
});

test('an arm takes the other along, which keeps its length', () => {
  const curve = curveOf(3, true);
  const { inMm, outMm } = withArm(curve, 1, 'outMm', { arm: [30, 40] }).knots[1];
  expect(outMm).toEqual([30, 40]);
  const length = Math.hypot(...curve.knots[1].inMm);
  expect(inMm).toEqual([expect.closeTo(-0.6 * length, 9), expect.closeTo(-0.8 * length, 9)]);
});

test('a corner turns smooth along its neighbours, and back', () => {
  const curve = withKnot(curveOf(3, true), 1, { inMm: [0, 0], outMm: [0, 0] });
  const smooth = turnedKnot(curve, 1);
  const { inMm, outMm } = smooth.knots[1];
  expect(inMm[0] * outMm[1] - inMm[1] * outMm[0]).toBeCloseTo(0, 6);
  expect(isCorner(smooth.knots[1])).toBe(false);
  expect(turnedKnot(smooth, 1)).toEqual(curve);
});

test('the last two knots stay', () => {
  const two = withoutKnot(curveOf(3, false), 1);
  expect(two.knots).toHaveLength(2);
  expect(withoutKnot(two, 0)).toEqual(two);
});
