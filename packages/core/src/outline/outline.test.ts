import { seededRandom } from '../base/index.ts';
import { rectangle, ringOf } from '../testing/rings.ts';
import {
  condition,
  contact,
  CurveBuilder,
  doubledArea,
  flatten,
  gridStep,
  pointAt,
  toRings,
  touches,
  fromRings,
  type VertexRing,
} from './index.ts';

const EM = 100 / 2 ** -16;
const area = (rings: readonly VertexRing[]): number => rings.reduce((sum, ring) => sum + doubledArea(ring), 0) / 2;
const mm = (value: number): number => Math.round(value / 2 ** -16);

type Place = readonly [number, number];
const edges = (ring: VertexRing): [Place, Place][] =>
  ring.map(({ x, y }, i) => [
    [x, y],
    [ring[(i + 1) % ring.length].x, ring[(i + 1) % ring.length].y],
  ]);

/** How often a ring runs round a place, counter-clockwise. */
const turnsRound = (ring: VertexRing, [px, py]: Place): number =>
  edges(ring).reduce((sum, [[ax, ay], [bx, by]]) => {
    if (ay <= py === by <= py) return sum;
    const isLeft = (bx - ax) * (py - ay) - (px - ax) * (by - ay) > 0;
    return sum + (by > ay ? (isLeft ? 1 : 0) : isLeft ? 0 : -1);
  }, 0);

const nearestEdge = (ring: VertexRing, [px, py]: Place): number =>
  Math.min(
    ...edges(ring).map(([[ax, ay], [bx, by]]) => {
      const [dx, dy] = [bx - ax, by - ay];
      const share = Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(ax + share * dx - px, ay + share * dy - py);
    }),
  );

describe('flattening', () => {
  const circle = new CurveBuilder();
  const k = 0.5522847498;
  circle.moveTo(1, 0);
  circle.cubicTo(1, k, k, 1, 0, 1);
  circle.cubicTo(-k, 1, -1, k, -1, 0);
  circle.cubicTo(-1, -k, -k, -1, 0, -1);
  circle.cubicTo(k, -1, 1, -k, 1, 0);
  const curves = circle.finish();

  test.each([0.1, 0.01, 0.001])('stays within a tolerance of %p', (tolerance) => {
    const scale = 2 ** 16;
    const [ring] = flatten(curves, { scale, tolerance: tolerance * scale, letter: 0 });
    for (const v of ring) {
      for (const share of [0.25, 0.5, 0.75]) {
        const onCurve = pointAt(curves, v.curve, v.t0 + share * (v.t1 - v.t0));
        const a = pointAt(curves, v.curve, v.t0);
        const b = pointAt(curves, v.curve, v.t1);
        const cross = (b.x - a.x) * (onCurve.y - a.y) - (b.y - a.y) * (onCurve.x - a.x);
        expect(Math.abs(cross) / Math.hypot(b.x - a.x, b.y - a.y)).toBeLessThanOrEqual(tolerance * 1.001);
      }
    }
    expect(ring.some((v) => v.corner)).toBe(false);
  });

  test('corners are where tangents turn by more than 30 degrees', () => {
    const shape = new CurveBuilder();
    shape.moveTo(0, 0);
    shape.lineTo(10, 0);
    shape.quadraticTo(15, 0, 15, 5);
    shape.lineTo(0, 5);
    const [ring] = flatten(shape.finish(), { scale: 1000, tolerance: 10, letter: 3 });
    const corners = ring.filter((v) => v.corner).map((v) => [v.x / 1000, v.y / 1000]);
    expect(corners).toEqual([
      [0, 0],
      [15, 5],
      [0, 5],
    ]);
    expect(ring.every((v) => v.letter === 3)).toBe(true);
  });
});

describe('conditioning', () => {
  test('a clean ring keeps its points; a clockwise one is turned', () => {
    const ring = rectangle(0, 0, mm(10), mm(20));
    expect(toRings(condition([ring], EM).outline)).toEqual([ring]);
    expect(area(toRings(condition([[...ring].reverse()], EM).outline))).toBe(mm(10) * mm(20));
  });

  test('counters stay empty whichever way they were drawn under the non-zero rule', () => {
    const outer = rectangle(0, 0, mm(10), mm(10));
    const inner = rectangle(mm(2), mm(2), mm(6), mm(6)).reverse();
    expect(area(toRings(condition([outer, inner], EM).outline))).toBe(mm(10) * mm(10) - mm(6) * mm(6));
    const filled = rectangle(mm(2), mm(2), mm(6), mm(6));
    expect(toRings(condition([outer, filled], EM).outline)).toHaveLength(1);
  });

  test('overlapping parts become one, and every edge still knows its curve and letter', () => {
    const one = rectangle(0, 0, mm(10), mm(4), 0);
    const two = rectangle(mm(6), mm(-3), mm(4), mm(10), 1);
    const [ring] = toRings(condition([one, two], EM).outline);
    expect(area([ring])).toBe(mm(10) * mm(4) + mm(4) * mm(10) - mm(4) * mm(4));
    const sources = [one, two];
    ring.forEach((v, i) => {
      const w = ring[(i + 1) % ring.length];
      const from = sources[v.letter][v.curve];
      const to = sources[v.letter][(v.curve + 1) % 4];
      for (const [p, t] of [
        [v, v.t0],
        [w, v.t1],
      ] as const) {
        expect(Math.abs(from.x + t * (to.x - from.x) - p.x)).toBeLessThan(2.5);
        expect(Math.abs(from.y + t * (to.y - from.y) - p.y)).toBeLessThan(2.5);
      }
    });
    expect(new Set(ring.map((v) => v.letter))).toEqual(new Set([0, 1]));
  });

  test('parts that only touch are opened', () => {
    const touching = [rectangle(0, 0, mm(10), mm(10)), rectangle(mm(10), mm(10), mm(10), mm(10))];
    const { outline, opened } = condition(touching, EM);
    expect(opened).toBe(true);
    expect(contact(toRings(outline), 1)).toBe('clear');
    expect(toRings(outline)).toHaveLength(2);
  });

  test('random stars, rings and folds come out clean', () => {
    const random = seededRandom(5);
    const seen = { full: 0, empty: 0 };
    for (let i = 0; i < 120; i++) {
      const count = 3 + Math.floor(random() * 9);
      const rings = Array.from({ length: 1 + Math.floor(random() * 3) }, () =>
        ringOf(
          Array.from(
            { length: count },
            () => [Math.round(random() * 40) * mm(1), Math.round(random() * 40) * mm(1)] as const,
          ),
        ),
      );
      const clean = toRings(condition(rings, EM).outline);
      expect(contact(clean, 0)).toBe('clear');
      // inside of it is what the rings run round, counted at places off every line
      for (let k = 0; k < 30; k++) {
        const place = [random() * mm(40), random() * mm(40)] as const;
        if (rings.some((ring) => nearestEdge(ring, place) < mm(0.05))) continue;
        const isFull = rings.reduce((sum, ring) => sum + turnsRound(ring, place), 0) !== 0;
        expect(clean.reduce((sum, ring) => sum + turnsRound(ring, place), 0)).toBe(isFull ? 1 : 0);
        seen[isFull ? 'full' : 'empty']++;
      }
    }
    expect(seen.full).toBeGreaterThan(500);
    expect(seen.empty).toBeGreaterThan(500);
  });
});

test('letters touch when they overlap, abut, or lie in each other’s ink', () => {
  const square = fromRings([rectangle(0, 0, 1000, 1000)]);
  const dot = fromRings([rectangle(0, 0, 10, 10)]);
  const frame = fromRings([rectangle(0, 0, 1000, 1000), rectangle(100, 100, 800, 800).reverse()]);
  expect(touches(square, square, 1000, 0, 0)).toBe(true);
  expect(touches(square, square, 1005, 0, 4)).toBe(false);
  expect(touches(square, square, 1005, 0, 6)).toBe(true);
  expect(touches(square, dot, 500, 500, 1)).toBe(true);
  expect(touches(frame, dot, 500, 500, 1)).toBe(false);
});

test('the grid grows coarser with the extent, so that 24 bits always suffice', () => {
  for (const extent of [1, 255, 256, 257, 1024, 1025, 4000, 65_536]) {
    const step = gridStep(extent);
    expect(extent / step).toBeLessThanOrEqual(2 ** 24);
    expect(Number.isInteger(Math.log2(step))).toBe(true);
  }
});
