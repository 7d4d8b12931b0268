import type { StepPath } from '../../fields/index.ts';
import { chainOf, usualStep, type ShapeStep } from '../../steps/index.ts';
import { plainPoint } from '../chain.ts';
import { dot, sizeOf, type Box3, type Vec3 } from '../../math/index.ts';
import { MeasuredPath } from './measured.ts';
import { pathOf } from '../../steps/run/pathOf.ts';

const KNOTS = [
  { atMm: [0, 0], inMm: [-30, -10], outMm: [30, 10] },
  { atMm: [120, 40], inMm: [0, -40], outMm: [0, 40] },
  { atMm: [20, 90], inMm: [40, 20], outMm: [-40, -20] },
] as { atMm: [number, number]; inMm: [number, number]; outMm: [number, number] }[];

type OwnPath = Exclude<StepPath, { kind: 'edge' }>;

/** A ring about the upright axis through so many places. */
const ringOf = (count: number): OwnPath => ({
  kind: 'places',
  placesMm: Array.from({ length: count }, (_, i): Vec3 => [
    50 * Math.sin((2 * Math.PI * i) / count),
    0,
    50 * Math.cos((2 * Math.PI * i) / count),
  ]),
  closed: true,
  up: [0, 1, 0],
});

const PATHS: OwnPath[] = [
  { kind: 'ring', radiusMm: 50 },
  { kind: 'coil', radiusMm: 50, riseMm: 80, turns: 2.5 },
  { kind: 'spiral', innerMm: 10, outerMm: 90, turns: 3 },
  { kind: 'ripple', lengthMm: 100, heightMm: 40, waves: 3 },
  { kind: 'drawn', curve: { knots: KNOTS, closed: true } },
  { kind: 'drawn', curve: { knots: KNOTS, closed: false } },
  ringOf(24),
  ringOf(200),
  {
    kind: 'places',
    placesMm: [
      [0, 0, 0],
      [50, 0, 0],
      [90, 10, 0],
      [120, 30, 20],
    ],
    closed: false,
    up: [0, 0, 1],
  },
];

test.each(PATHS)('$kind: a length along it is a length, and its frames stand square', (path) => {
  for (const upright of [false, true]) {
    const line = new MeasuredPath(pathOf(path), upright);
    const count = 2000;
    let walked = 0;
    for (let k = 0; k < count; k++) {
      const [a, b] = [line.at((line.length * k) / count), line.at((line.length * (k + 1)) / count)];
      // the last place of a closed line is its first
      if (k + 1 < count) walked += Math.hypot(...a.place.map((v, i) => b.place[i] - v));
      expect(Math.abs(dot(a.along, a.up)) + Math.abs(dot(a.along, a.out)) + Math.abs(dot(a.up, a.out))).toBeLessThan(
        1e-9,
      );
      expect([sizeOf(a.along), sizeOf(a.up), sizeOf(a.out)]).toEqual([
        expect.closeTo(1, 9),
        expect.closeTo(1, 9),
        expect.closeTo(1, 9),
      ]);
    }
    expect(Math.abs(walked / ((line.length * (count - 1)) / count) - 1)).toBeLessThan(1e-4);
  }
});

test('a ring is as long as it should be, a coil too', () => {
  expect(new MeasuredPath(pathOf(PATHS[0]), false).length).toBeCloseTo(100 * Math.PI, 8);
  expect(new MeasuredPath(pathOf(PATHS[1]), false).length).toBeCloseTo(Math.hypot(250 * Math.PI, 80), 6);
});

test('a line through places of a ring is that ring, and through corners it is straight', () => {
  const ring = new MeasuredPath(pathOf(ringOf(24)), false);
  expect(ring.length).toBeCloseTo(100 * Math.PI, 1);
  for (let k = 0; k < 100; k++) expect(Math.hypot(...ring.at((ring.length * k) / 100).place)).toBeCloseTo(50, 1);
  const corner = new MeasuredPath(
    pathOf({
      kind: 'places',
      placesMm: [
        [0, 0, 0],
        [50, 0, 0],
        [50, 30, 0],
      ],
      closed: false,
      up: [0, 0, 1],
    }),
    false,
  );
  expect(corner.length).toBeCloseTo(80, 9);
  expect(corner.at(49.9)).toMatchObject({ along: [1, 0, 0], up: [0, 0, 1] });
  expect(corner.at(50.1).along).toEqual([0, 1, 0]);
});

test('frames turn no more than they must, and those of a closed line meet', () => {
  const closed = new MeasuredPath(pathOf(PATHS[4]), false);
  const [start, end] = [closed.at(0), closed.at(closed.length - 1e-7)];
  expect(dot(start.up, end.up)).toBeGreaterThan(1 - 1e-6);
  // on a coil the turn about the line itself is its torsion: up sinks against the upright by a known angle a turn
  const coil = new MeasuredPath(pathOf({ kind: 'coil', radiusMm: 50, riseMm: 100, turns: 1 }), false);
  let about = 0;
  for (let k = 0; k < 400; k++) {
    const [a, b] = [coil.at((coil.length * k) / 400), coil.at((coil.length * (k + 1)) / 400)];
    about = Math.max(about, Math.abs(dot(b.up, a.out)) * 400);
  }
  // of a frame without any turn about the line, one axis moves across the other only to second order
  expect(about).toBeLessThan(0.1);
});

const BOX: Box3 = { low: [0, 0, 0], high: [100, 20, 4] };
const run = (values: Partial<Extract<ShapeStep, { kind: 'run' }>>) =>
  chainOf([{ ...usualStep('run', 'run'), ...values }], { box: BOX });
const at = (chain: ReturnType<typeof run>, place: Vec3): Vec3 => chain.at(plainPoint(place));

test('words run along it at their own length or stretched, sized and rolled by their courses', () => {
  const path: StepPath = { kind: 'ring', radiusMm: 50 };
  const own = run({ path });
  // the start of the ring lies in front and words stand up on it, their fronts outward
  expect(at(own, [0, 0, 0]).map((v) => Math.round(v * 1e9) / 1e9 + 0)).toEqual([0, 0, 50]);
  expect(at(own, [25 * Math.PI, 7, 3]).map((v) => Math.round(v * 1e6) / 1e6 + 0)).toEqual([53, 7, 0]);
  expect(at(run({ path, fit: 'stretch' }), [100, 0, 0])[2]).toBeCloseTo(50, 6);
  expect(at(run({ path, fit: 'stretch', fromPercent: 0, toPercent: 50 }), [100, 0, 0])[2]).toBeCloseTo(-50, 6);
  const half = run({ path, size: [{ at: 0, value: 50 }] });
  expect(at(half, [0, 10, 0])[1]).toBeCloseTo(5, 9);
  const rolled = run({ path, roll: [{ at: 0, value: 90 }] });
  expect(at(rolled, [0, 10, 0])).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9), expect.closeTo(60, 9)]);
});

test('beyond its end a line runs on straight, or begins again', () => {
  const path: StepPath = { kind: 'ripple', lengthMm: 40, heightMm: 0, waves: 1 };
  expect(at(run({ path }), [70, 0, 0])[0]).toBeCloseTo(50, 6);
  expect(at(run({ path, ends: 'round' }), [70, 0, 0])[0]).toBeCloseTo(10, 6);
});
