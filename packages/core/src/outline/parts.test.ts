import { seededRandom } from '../base/index.ts';
import { rectangle, ringOf } from '../testing/rings.ts';
import {
  boundingBox,
  contact,
  divide,
  doubledArea,
  fromRings,
  nextVertices,
  outlineBytes,
  placed,
  toRings,
} from './index.ts';

import { orientByWinding } from './orient.ts';
import { restoreOrigins } from './origins.ts';
import { tidy } from './tidy.ts';
import { openRings, unite } from './unite.ts';

const TIDY = { shortest: 10, smallestDoubledArea: 200 };

describe('contact', () => {
  const square = rectangle(0, 0, 1000, 1000);
  test.each([
    ['apart', [square, rectangle(2000, 0, 10, 10)], 'clear'],
    ['near', [square, rectangle(1003, 0, 10, 10)], 'near'],
    ['touching at an edge', [square, rectangle(1000, 100, 10, 10)], 'crossing'],
    ['touching at a corner', [square, rectangle(1000, 1000, 10, 10)], 'crossing'],
    ['one inside the other', [square, rectangle(100, 100, 10, 10)], 'clear'],
    ['overlapping', [square, rectangle(900, 900, 1000, 1000)], 'crossing'],
    [
      'folded back',
      [
        ringOf([
          [0, 0],
          [100, 0],
          [50, 0],
          [50, 80],
        ]),
      ],
      'crossing',
    ],
    [
      'a bow-tie',
      [
        ringOf([
          [0, 0],
          [100, 100],
          [100, 0],
          [0, 100],
        ]),
      ],
      'crossing',
    ],
  ] as const)('%s', (_, rings, verdict) => expect(contact(rings, 5)).toBe(verdict));

  test('agrees with testing every pair, for random quadrilaterals', () => {
    const random = seededRandom(11);
    const convexAt = (x: number, y: number, size: number) =>
      ringOf(
        [0, 1, 2, 3].map((i) => {
          const angle = (Math.PI / 2) * (i + random() * 0.8);
          return [Math.round(x + size * Math.cos(angle)), Math.round(y + size * Math.sin(angle))] as const;
        }),
      );
    const isApart = (a: ReturnType<typeof ringOf>, b: ReturnType<typeof ringOf>): boolean =>
      [a, b].some((ring) =>
        ring.some((p, i) => {
          const q = ring[(i + 1) % ring.length];
          const other = ring === a ? b : a;
          return other.every((r) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x) < 0);
        }),
      );
    for (let run = 0; run < 300; run++) {
      const a = convexAt(0, 0, 1000);
      const b = convexAt(random() * 2500, random() * 2500, 500 + random() * 400);
      const holds = a.every((p, i) => {
        const q = a[(i + 1) % 4];
        return b.every((r) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x) > 0);
      });
      expect(contact([a, b], 0) === 'clear').toBe(isApart(a, b) || holds);
    }
  });
});

describe('tidying', () => {
  test('points on a line and dust go, corners stay', () => {
    const ring = ringOf([
      [0, 0],
      [500, 0],
      [1000, 1],
      [2000, 0],
      [2000, 2000],
      [0, 2000],
    ]);
    ring[1].corner = ring[2].corner = 0;
    const [kept, ...rest] = tidy([ring, rectangle(5000, 0, 9, 9)], TIDY);
    expect(rest).toEqual([]);
    expect(kept.map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [2000, 0],
      [2000, 2000],
      [0, 2000],
    ]);
  });

  test('a flat curve of many points does not drift away from itself', () => {
    const points = Array.from({ length: 200 }, (_, i) => [i * 40, Math.round((i * (199 - i)) / 2000)] as const);
    const ring = ringOf([...points, [7960, -3000], [0, -3000]]).reverse();
    const [kept] = tidy([ring], TIDY);
    expect(Math.max(...kept.map((v) => v.y))).toBeGreaterThanOrEqual(4);
    expect(kept.length).toBeLessThan(ring.length);
  });
});

describe('unions', () => {
  test('area of overlapping squares, by inclusion and exclusion', () => {
    const random = seededRandom(23);
    for (let run = 0; run < 50; run++) {
      const at = () => Math.round(random() * 900);
      const [x, y] = [at(), at()];
      const united = unite([rectangle(0, 0, 1000, 1000), rectangle(x, y, 1000, 1000)]);
      const area = united.reduce((sum, ring) => sum + doubledArea(ring), 0) / 2;
      expect(area).toBe(2e6 - (1000 - x) * (1000 - y));
    }
  });

  test('an edge of nobody has no curve and takes the nearest letter', () => {
    const sources = [rectangle(0, 0, 1000, 1000, 4)];
    const [ring] = restoreOrigins(
      [
        [
          { x: 0, y: -40 },
          { x: 1000, y: -40 },
          { x: 1000, y: 1000 },
        ],
      ],
      sources,
      2.5,
    );
    expect(ring[0]).toMatchObject({ curve: -1, letter: 4 });
    expect(ring[1].curve).toBe(-1); // one end hangs beyond the source edge
  });

  test('opening parts what touches in a corner and keeps the rest nearly as it was', () => {
    const rings = openRings([rectangle(0, 0, 10_000, 10_000), rectangle(10_000, 10_000, 10_000, 10_000)], 20);
    expect(rings).toHaveLength(2);
    expect(contact(rings, 2)).toBe('clear');
    const area = rings.reduce((sum, ring) => sum + doubledArea(ring), 0) / 2;
    expect(Math.abs(area / 2e8 - 1)).toBeLessThan(0.002);
  });
});

describe('orientation', () => {
  test('ink lies to the left, whichever way rings were drawn', () => {
    const outer = rectangle(0, 0, 1000, 1000);
    const counter = rectangle(200, 200, 600, 600);
    const island = rectangle(400, 400, 200, 200);
    for (const turned of [false, true]) {
      const rings = [outer, [...counter].reverse(), island].map((ring) => (turned ? [...ring].reverse() : ring));
      const areas = orientByWinding(rings).map((ring) => doubledArea(ring) / 2);
      expect(areas).toEqual([1e6, -36e4, 4e4]);
    }
  });

  test('a turned ring’s edges keep their curves, walked backwards', () => {
    const drawn = rectangle(0, 0, 1000, 500).reverse();
    const [turned] = orientByWinding([drawn]);
    turned.forEach((v, i) => {
      const w = turned[(i + 1) % 4];
      const edge = drawn.findIndex(
        (d, k) => d.x === w.x && d.y === w.y && drawn[(k + 1) % 4].x === v.x && drawn[(k + 1) % 4].y === v.y,
      );
      expect(v).toMatchObject({ curve: drawn[edge].curve, t0: drawn[edge].t1, t1: drawn[edge].t0 });
    });
  });
});

test('outlines as columns and as rings are the same thing', () => {
  const rings = [rectangle(0, 0, 1000, 1000), rectangle(200, 200, 600, 600).reverse()];
  const outline = fromRings(rings);
  expect(toRings(outline)).toEqual(rings);
  expect([...nextVertices(outline)]).toEqual([1, 2, 3, 0, 5, 6, 7, 4]);
  expect(boundingBox(outline)).toEqual({ minX: 0, minY: 0, maxX: 1000, maxY: 1000 });
  expect(outlineBytes(outline)).toBeGreaterThan(8 * 8 * 2);
  expect(placed(outline, 5, 7, 3)[0][0]).toMatchObject({ x: 5, y: 7, letter: 3 });
});

test('long edges are divided evenly, and keep their share of the curve', () => {
  const outline = fromRings([rectangle(0, 0, 900, 250)]);
  const [ring] = toRings(divide(outline, 300));
  expect(ring.map((v) => [v.x, v.y])).toEqual([
    [0, 0],
    [300, 0],
    [600, 0],
    [900, 0],
    [900, 250],
    [600, 250],
    [300, 250],
    [0, 250],
  ]);
  expect(ring.slice(0, 3).map((v) => [v.curve, v.t0, v.t1, v.corner])).toEqual([
    [0, 0, 1 / 3, 1],
    [0, 1 / 3, 2 / 3, 0],
    [0, 2 / 3, 1, 0],
  ]);
});
