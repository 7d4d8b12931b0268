import { seededRandom } from '../../base/index.ts';
import { STEP } from '../../testing/faces.ts';
import { mm, PLAIN, sectionOf } from '../../testing/solids.ts';
import { drawnProfile, quarterSteps } from './drawnProfile.ts';
import type { ProfileKnot } from './curves.ts';
import { edgeRows, sideRows } from './edgeRows.ts';
import { askedSection, sectionCrossing, sectionIsSimple, USUAL_KINDS, usualKnots, type EdgeShape } from './index.ts';
import { sectionTouch } from './crossing.ts';
import { swellRows } from './swellRows.ts';

const knot = (inward: number, down: number, smooth = false): ProfileKnot => ({ in: inward, down, smooth });
const drawn = (points: ProfileKnot[], { inMm = 4, deepMm = 4, steps = 4 } = {}): EdgeShape => ({
  kind: 'drawn',
  inMm,
  deepMm,
  steps,
  points,
});

describe('a drawn profile', () => {
  test('is straight between corners', () => {
    const knots = [knot(1, 0), knot(0.5, 0.2), knot(0, 1)];
    expect(drawnProfile(knots, { count: 8 })).toEqual([
      [1, 0],
      [0.5, 0.2],
      [0, 1],
    ]);
  });

  test('passes every point, a smooth one without a bend, and stays within its depth', () => {
    const knots = [knot(1, 0), knot(0.6, 0.05, true), knot(-1, 0.5, true), knot(0, 1)];
    const points = drawnProfile(knots, { count: 64 });
    expect(points).toHaveLength(3 * 64 + 1);
    expect([points[64], points[128]]).toEqual([
      [0.6, 0.05],
      [-1, 0.5],
    ]);
    expect(points.every(([, down]) => down >= 0 && down <= 1)).toBe(true);
    const [a, b, c] = points.slice(127, 130);
    const turn = (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]);
    expect(Math.abs(turn)).toBeLessThan(1e-4);
  });

  test('is cut as finely as its tolerance asks', () => {
    const knots = [knot(1, 0), knot(0.3, 0.3, true), knot(0, 1)];
    const within = (toleranceMm: number) => drawnProfile(knots, { toleranceMm, inMm: 10, deepMm: 10 }).length;
    expect(within(0.001)).toBeGreaterThan(2 * within(0.1));
    // the sagitta of a quarter of 10 mm in n pieces
    for (const tolerance of [0.5, 0.05, 0.005]) {
      const n = quarterSteps(10, tolerance);
      expect(10 * (1 - Math.cos(Math.PI / 4 / n))).toBeLessThanOrEqual(tolerance);
    }
  });

  test.each(USUAL_KINDS.filter((kind) => kind !== 'plain'))('%s drawn on from lies near to the usual one', (kind) => {
    const rows = edgeRows(drawn([...usualKnots(kind)], { inMm: 1, deepMm: 1, steps: 8 }));
    const usual = edgeRows({ kind, inMm: 1, deepMm: 1, steps: kind === 'step' ? 2 : 24 });
    for (const { inMm, downMm } of rows) {
      const gaps = usual.slice(1).map((end, i) => distance([inMm, downMm], usual[i], end));
      expect(Math.min(...gaps)).toBeLessThan(0.04);
    }
  });
});

type Row = { inMm: number; downMm: number };
function distance([x, y]: [number, number], a: Row, b: Row): number {
  const [dx, dy] = [b.inMm - a.inMm, b.downMm - a.downMm];
  const share = Math.min(1, Math.max(0, ((x - a.inMm) * dx + (y - a.downMm) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(a.inMm + share * dx - x, a.downMm + share * dy - y);
}

describe('a section that crosses itself', () => {
  test('is told with its place, and the drawn edge gives way', () => {
    const loop = [knot(0, 0.5), knot(1, 0.5), knot(1, 0.25), knot(0.5, 0.75)];
    const { section, remarks } = sectionOf({ depthMm: 10, front: drawn(loop) });
    expect(remarks).toHaveLength(1);
    // the third piece of the way runs along half the depth, the last one comes down through it three quarters of the
    // way out
    expect(remarks[0]).toMatchObject({ code: 'SECTION_CROSSES', params: { instead: 'front' } });
    const { inMm, downMm } = remarks[0].params as { inMm: number; downMm: number };
    expect([inMm, downMm]).toEqual([expect.closeTo(3, 3), expect.closeTo(2, 3)]);
    expect(section.inset).toEqual([mm(4), 0, 0]);
  });

  test('by a side that runs back along the edge’s level foot: the side becomes straight', () => {
    const side = { kind: 'drawn' as const, amountMm: 3, steps: 4, divisions: 1, points: [knot(3, 0), knot(3, 0.5)] };
    const front: EdgeShape = { kind: 'step', inMm: 4, deepMm: 4, steps: 1 };
    const { remarks, section } = sectionOf({ depthMm: 10, front, side });
    expect(sectionIsSimple(section)).toBe(true);
    expect(remarks).toMatchObject([{ code: 'SECTION_CROSSES', params: { instead: 'side' } }]);
  });

  test('shows its crossing where it is drawn, without giving way', () => {
    const loop = [knot(0, 0.5), knot(1, 0.5), knot(1, 0.25), knot(0.5, 0.75)];
    const asked = askedSection({ depthMm: 10, front: drawn(loop), back: PLAIN, step: STEP });
    expect(asked.crossing).toEqual({ inMm: expect.closeTo(3, 3), downMm: expect.closeTo(2, 3) });
    expect(asked.rows.filter((row) => row.part === 'frontEdge')).toHaveLength(5);
    expect(asked.frames.front).toEqual({ inMm: 0, downMm: 0, wideMm: 4, longMm: 4 });
    expect(asked.frames.side).toMatchObject({ downMm: 4, longMm: 6 });
  });

  test('or touches itself one step deep is found too', () => {
    expect(sectionTouch({ inset: [8, 0, 8], z: [9, 1, 0] })?.inset).toBe(0);
    expect(sectionTouch({ inset: [8, 0, 8], z: [9, 2, 0] })).toBeUndefined();
    // in under the flat front
    expect(sectionTouch({ inset: [0, 8, 8], z: [9, 8, 0] })).toMatchObject({ pieces: [-1, 0] });
    expect(sectionTouch({ inset: [8, 0, 0], z: [9, 8, 0] })).toBeUndefined();
  });
});

test('whatever is drawn, the section that is built is simple', () => {
  const random = seededRandom(11);
  const any = (most: number): ProfileKnot[] =>
    Array.from({ length: Math.floor(random() * most) }, () => knot(random() * 4 - 1.5, random(), random() < 0.5));
  for (let run = 0; run < 300; run++) {
    const { section } = sectionOf({
      depthMm: 0.5 + 20 * random(),
      front: drawn(any(6), { inMm: 10 ** (random() * 3 - 1.5), deepMm: 6 * random(), steps: 3 }),
      back: drawn(any(4), { inMm: 3, deepMm: 2, steps: 2 }),
      side: { kind: 'drawn', amountMm: 4 * random(), steps: 3, divisions: 1, points: any(5) },
      shiftMm: 4 * random() - 2,
    });
    expect([sectionCrossing(section), sectionTouch(section)]).toEqual([undefined, undefined]);
  }
});

describe('a swelling front', () => {
  const RIM = [
    { inMm: 2, downMm: 0 },
    { inMm: 0, downMm: 2 },
  ];
  const swell = { mm: 3, steps: 8, reachMm: 12 };

  test('rises to its height at the greatest distance, steadily, soft from the slope of the edge', () => {
    for (const curve of ['round', 'soft', 'straight'] as const) {
      const rows = swellRows({ ...swell, curve }, RIM);
      expect(rows).toHaveLength(curve === 'straight' ? 1 : 8);
      expect(rows[0].upMm).toBeCloseTo(3, 3);
      expect(rows[0].inMm).toBeCloseTo(12, 2);
      expect(rows.map((row) => row.upMm)).toEqual([...rows.map((row) => row.upMm)].sort((a, b) => b - a));
    }
    const soft = swellRows({ ...swell, curve: 'soft', steps: 64 }, RIM);
    const last = soft[soft.length - 1];
    expect(last.upMm / (last.inMm - 2)).toBeCloseTo(1, 0); // the chamfer's slope is 1
  });

  test('needs room, and height', () => {
    expect(swellRows({ ...swell, reachMm: 1.9, curve: 'soft' }, RIM)).toEqual([]);
    expect(swellRows({ ...swell, mm: 0, curve: 'soft' }, RIM)).toEqual([]);
  });
});

test('a side that is twisted gets upright walls at its rows, and keeps its form', () => {
  const waist = { kind: 'waist' as const, amountMm: 2, steps: 3, divisions: 1 };
  const plain = sideRows(waist, 10);
  const twisted = sideRows({ ...waist, twistPieces: 10 }, 10);
  const walls = twisted.filter(([inward], i) => i > 0 && twisted[i - 1][0] === inward);
  expect(walls.length).toBeGreaterThanOrEqual(10); // 4 degrees a piece
  expect([...new Set(twisted.map(([inward]) => inward))]).toEqual([...new Set(plain.map(([inward]) => inward))]);
});
