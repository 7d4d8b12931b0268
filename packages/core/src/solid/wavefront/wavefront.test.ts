import { seededRandom } from '../../base/index.ts';
import { toRings } from '../../outline/index.ts';
import { outlineOf, shippedFaces } from '../../testing/faces.ts';
import { outlineOfRings, rectangle, ringOf } from '../../testing/rings.ts';
import { dissect } from './dissect.ts';
import { eulerOf } from './eulerOf.ts';
import { partition } from './partition.ts';
import type { Partition } from './plan.ts';

const pieceCount = (p: Partition, band: number): number => p.bands[band].edge.length;

function mustPart(outline: ReturnType<typeof outlineOfRings>, layers: number[]): Partition {
  const result = partition(outline, { layers });
  if (!result.ok) throw new Error(result.fault);
  return result.partition;
}

describe('partition', () => {
  test('a square has four quads a band and a smaller square inside', () => {
    const p = mustPart(outlineOfRings(rectangle(0, 0, 1000, 1000)), [100, 300]);
    expect([pieceCount(p, 0), pieceCount(p, 1)]).toEqual([4, 4]);
    expect(p.bands.every((b) => b.nodes.length === 16)).toBe(true);
    const inner = p.rings[2];
    expect(Array.from(inner.from, (n) => [p.x[n], p.y[n]]).sort()).toEqual([
      [300, 300],
      [300, 700],
      [700, 300],
      [700, 700],
    ]);
    expect(Array.from(inner.from, (n) => p.inset[n])).toEqual([300, 300, 300, 300]);
  });

  test('a rectangle wider than the inset ends in a ridge, and nothing is left inside', () => {
    const p = mustPart(outlineOfRings(rectangle(0, 0, 2000, 600)), [500]);
    expect(p.rings[1].from).toHaveLength(0);
    const ridge = Array.from(p.layer)
      .map((layer, n) => ({ layer, x: p.x[n], y: p.y[n], inset: p.inset[n] }))
      .filter((n) => n.layer === -1);
    expect(ridge.map(({ x, y, inset }) => [x, y, inset]).sort()).toEqual([
      [1700, 300, 300],
      [300, 300, 300],
    ]);
  });

  test('pieces less holes: a frame whose thin side is gone is one piece without a hole, a dumbbell is two', () => {
    const frame = mustPart(
      outlineOfRings(
        rectangle(0, 0, 2000, 2000),
        ringOf([
          [200, 500],
          [200, 1500],
          [1500, 1500],
          [1500, 500],
        ]),
      ),
      [150],
    );
    expect([eulerOf(frame, 0), eulerOf(frame, 1)]).toEqual([0, 1]);
    const dumbbell = ringOf([
      [0, 0],
      [800, 0],
      [800, 300],
      [1200, 300],
      [1200, 0],
      [2000, 0],
      [2000, 800],
      [1200, 800],
      [1200, 500],
      [800, 500],
      [800, 800],
      [0, 800],
    ]);
    const parted = mustPart(outlineOfRings(dumbbell), [150]);
    expect([eulerOf(parted, 0), eulerOf(parted, 1)]).toEqual([1, 2]);
  });

  test('a layer exactly at the ridge is none', () => {
    const p = mustPart(outlineOfRings(rectangle(0, 0, 2000, 600)), [300, 400]);
    expect(p.rings[1].from).toHaveLength(0);
  });

  test('a waist splits the inner ring in two', () => {
    const dumbbell = ringOf([
      [0, 0],
      [900, 0],
      [900, 400],
      [1200, 400],
      [1200, 0],
      [2100, 0],
      [2100, 900],
      [1200, 900],
      [1200, 500],
      [900, 500],
      [900, 900],
      [0, 900],
    ]);
    const p = mustPart(outlineOfRings(dumbbell), [100]);
    const next = new Map(Array.from(p.rings[1].from, (n, i) => [n, p.rings[1].to[i]]));
    const first = p.rings[1].from[0];
    let length = 1;
    for (let n = next.get(first); n !== first; n = next.get(n as number)) length++;
    // four corners and the point where the two halves of the inner side meet
    expect([length, p.rings[1].from.length]).toEqual([5, 10]);
  });

  test('layers must be whole and apart', () => {
    const outline = outlineOfRings(rectangle(0, 0, 1000, 1000));
    expect(() => partition(outline, { layers: [1.5] })).toThrow();
    expect(() => partition(outline, { layers: [100, 102] })).toThrow();
  });

  test('random rectilinear shapes with coincident events are proved', () => {
    const random = seededRandom(17);
    for (let i = 0; i < 150; i++) {
      // a skyline: many edges of equal distance meet at the same time
      const points: [number, number][] = [[0, 0]];
      const columns = 3 + Math.floor(random() * 6);
      for (let c = columns; c > 0; c--) {
        const height = 200 * (1 + Math.floor(random() * 4));
        points.push(
          [c * 400, c === columns ? 0 : points[points.length - 1][1]],
          [c * 400, height],
          [(c - 1) * 400, height],
        );
      }
      const ring = ringOf(points.filter(([x, y], k) => k === 0 || x !== points[k - 1][0] || y !== points[k - 1][1]));
      const layers = [50, 100, 200, 350];
      expect(partition(outlineOfRings(withoutStraight(ring)), { layers }).ok).toBe(true);
    }
  });
});

function withoutStraight(ring: ReturnType<typeof ringOf>): ReturnType<typeof ringOf> {
  return ring.filter((v, i) => {
    const a = ring[(i + ring.length - 1) % ring.length];
    const b = ring[(i + 1) % ring.length];
    return (v.x - a.x) * (b.y - a.y) !== (v.y - a.y) * (b.x - a.x);
  });
}

test('glyphs of all shipped families are proved at first try, at any width', async () => {
  for (const face of await shippedFaces()) {
    for (const character of 'RSg@&8*') {
      const { outline } = outlineOf(face, character);
      for (const width of [0.05, 2, 9, 60]) {
        const inset = Math.round(width * 65536);
        const result = partition(outline, { layers: [Math.round(inset / 3), inset] });
        expect(`${face.name} ${character} ${width} ${result.ok}`).toBe(`${face.name} ${character} ${width} true`);
      }
    }
    const layers = [Math.round(3 * 65536)];
    expect(toRings(outlineOf(face, 'O').outline)).toHaveLength(2);
    expect(partition(outlineOf(face, 'O').outline, { layers }).ok).toBe(true);
  }
});

describe('dissect', () => {
  const areaOf = (x: number[], y: number[], piece: readonly number[]): number =>
    piece.reduce((sum, i, k) => {
      const j = piece[(k + 1) % piece.length];
      return sum + x[i] * y[j] - x[j] * y[i];
    }, 0);

  test('random star-shaped polygons are covered exactly by positive pieces', () => {
    const random = seededRandom(23);
    for (let i = 0; i < 200; i++) {
      const n = 3 + Math.floor(random() * (i % 10 === 0 ? 60 : 12));
      const x: number[] = [];
      const y: number[] = [];
      for (let k = 0; k < n; k++) {
        const r = 2000 + 8000 * random();
        x.push(Math.round(r * Math.cos((2 * Math.PI * k) / n)));
        y.push(Math.round(r * Math.sin((2 * Math.PI * k) / n)));
      }
      const pieces = dissect(x, y) ?? [];
      const areas = pieces.map((piece) => areaOf(x, y, piece));
      expect(Math.min(...areas)).toBeGreaterThan(0);
      expect(areas.reduce((a, b) => a + b, 0)).toBe(areaOf(x, y, Array.from(x.keys())));
    }
  });

  test('a folded polygon has no cut', () => {
    expect(dissect([0, 10, 0, 10], [0, 10, 10, 0])).toBeUndefined();
    expect(dissect([0, 10, 20], [0, 0, 0])).toBeUndefined();
  });

  test('a fan of quads stays quads', () => {
    const pieces = dissect([0, 100, 200, 200, 100, 0], [0, 0, 0, 100, 100, 100]) ?? [];
    expect(pieces.map((p) => p.length)).toEqual([4, 4]);
  });
});
