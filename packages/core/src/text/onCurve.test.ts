import { alone, shippedFaces } from '../testing/faces.ts';
import { usualLayout } from '../testing/layouts.ts';
import type { KnotCurve } from '../outline/index.ts';
import {
  layoutWords,
  splitGraphemes,
  type CurveLine,
  type FontFace,
  type Layout,
  type LayoutOptions,
} from './index.ts';

let face: FontFace;
beforeAll(async () => {
  [face] = await shippedFaces(['Work Sans']);
});

const knot = (x: number, y: number, out: [number, number] = [0, 0], into: [number, number] = [0, 0]) => ({
  atMm: [x, y] as [number, number],
  inMm: into,
  outMm: out,
});
const STRAIGHT: KnotCurve = { knots: [knot(-200, 0), knot(200, 0)], closed: false };
const ARM = 0.5519150244935106 * 100;
/** A circle of radius 100 about zero, from its left counter-clockwise by way of its foot. */
const CIRCLE: KnotCurve = {
  knots: [
    knot(-100, 0, [0, -ARM], [0, ARM]),
    knot(0, -100, [ARM, 0], [-ARM, 0]),
    knot(100, 0, [0, ARM], [0, -ARM]),
    knot(0, 100, [-ARM, 0], [ARM, 0]),
  ],
  closed: true,
};
const line = (curve: KnotCurve, values: Partial<CurveLine> = {}): CurveLine => ({
  kind: 'curve',
  curve,
  shiftMm: 0,
  spread: false,
  letters: 'turned',
  ...values,
});
const lay = (text: string, options: Partial<LayoutOptions>): Layout =>
  layoutWords(
    splitGraphemes(text).map((t, i) => ({ id: i + 1, text: t })),
    alone(face),
    usualLayout(options),
  );
const middles = (layout: Layout): [number, number][] =>
  layout.letters.map(({ x, y, advance, turn }) => [
    x + (advance / 2) * Math.cos(turn),
    y + (advance / 2) * Math.sin(turn),
  ]);

test.each([
  ['left', -200],
  ['center', 0],
  ['right', 200],
] as const)('along a straight curve words stand as on a line, %s', (align, at) => {
  const bent = lay('Kiln row', { align, sizeMm: 40, line: line(STRAIGHT) });
  const straight = lay('Kiln row', { align, sizeMm: 40 });
  bent.letters.forEach((letter, i) => {
    expect(letter.x).toBeCloseTo(straight.letters[i].x + at, 6);
    expect([letter.y, letter.turn]).toEqual([0, 0]);
  });
  expect(bent.lacksMm).toBe(0);
});

test('the middle of every letter lies on the curve, and the letter is turned with it', () => {
  const layout = lay('Saltglaze', { sizeMm: 20, line: line(CIRCLE) });
  for (const [i, [x, y]] of middles(layout).entries()) {
    expect(Math.hypot(x, y)).toBeCloseTo(100, 1);
    // walked counter-clockwise: the way is the radius turned by a right angle
    expect(Math.cos(layout.letters[i].turn)).toBeCloseTo(-y / 100, 2);
  }
});

test('a second line runs beside the first, to the right of its way', () => {
  const layout = lay('ab\nab', { sizeMm: 20, line: line(CIRCLE) });
  const [first, second] = [layout.letters[0], layout.letters[2]].map((l) =>
    Math.hypot(...middles({ ...layout, letters: [l] })[0]),
  );
  expect(second - first).toBeCloseTo(layout.baselines[0] - layout.baselines[1], 1);
});

test('spread letters begin and end with the curve', () => {
  const layout = lay('Kiln', { line: line(STRAIGHT, { spread: true }) });
  const last = layout.letters[3];
  expect(layout.letters[0].x).toBeCloseTo(-200, 6);
  expect(last.x + last.advance).toBeCloseTo(200, 6);
});

test('shifted, and sheared, letters stay upright', () => {
  const layout = lay('o', { line: line(CIRCLE, { letters: 'sheared', shiftMm: 7 }) });
  expect(layout.letters[0].turn).toBe(0);
  const [a, , , d] = layout.letters[0].form;
  expect([a, d]).toEqual([1, 1]);
});

test('words longer than an open curve go straight on, and by how much is told', () => {
  const layout = lay('Saltglaze Row', { line: line({ knots: [knot(0, 0), knot(100, 0)], closed: false }) });
  const width = lay('Saltglaze Row', {}).letters.reduce((sum, l) => sum + l.advance, 0);
  expect(layout.lacksMm).toBeCloseTo(width - 100, 6);
  expect(layout.letters.every((l) => Math.abs(l.y) < 1e-9)).toBe(true);
});

test('a curve without length is a point that words still stand at', () => {
  const layout = lay('ab', { line: line({ knots: [knot(0, 0), knot(0, 0)], closed: false }) });
  expect(layout.letters.every((l) => Number.isFinite(l.x) && Number.isFinite(l.y))).toBe(true);
});

describe('kerning by pair', () => {
  const gap = (options: Partial<LayoutOptions>, i = 0): number => {
    const { letters } = lay('AVAV', options);
    return letters[i + 1].x - letters[i].x;
  };
  const pair = (left: string, right: string, by: number) => ({ kernPairs: [{ left, right, by }] });

  test('moves what follows, by thousandths of the size, wherever the pair stands', () => {
    expect(gap(pair('A', 'V', -100)) - gap({})).toBeCloseTo(-7.2, 9);
    expect(gap(pair('A', 'V', -100), 2) - gap({}, 2)).toBeCloseTo(-7.2, 9);
    expect(gap(pair('A', 'V', -100), 1)).toBeCloseTo(gap({}, 1), 9);
  });

  test('is of the size, not of the em', () =>
    expect(gap({ ...pair('A', 'V', 100), sizeMm: 10 }) - gap({ sizeMm: 10 })).toBeCloseTo(1, 9));
});
