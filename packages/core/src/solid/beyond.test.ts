import { seededRandom } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { fromRings, toRings, type Outline } from '../outline/index.ts';
import { outlineOf, shippedFaces } from '../testing/faces.ts';
import { outlineOfRings, rectangle, ringOf } from '../testing/rings.ts';
import { formed, mm, PLAIN } from '../testing/solids.ts';
import { expectSound } from '../testing/sound.ts';
import type { EdgeShape } from './index.ts';

// What reaches beyond the outline: bolder, outward, drawn both ways, corners, swelling.

const box = outlineOfRings(rectangle(0, 0, mm(40), mm(20)));
const chamfer = (inMm: number, deepMm: number): EdgeShape => ({ kind: 'chamfer', inMm, deepMm, steps: 1 });
const volume = (mesh: PolygonMesh): number => checkMesh(mesh).volumeMm3;
const wide = (mesh: PolygonMesh): number => checkMesh(mesh).sizeMm[0];

describe('a bolder or lighter box', () => {
  test.each([
    ['sharp', 44 * 24],
    ['cut', 44 * 24 - 4 * (2 * Math.SQRT2 - 2) ** 2],
    ['round', 40 * 20 + 2 * (40 + 20) * 2 + Math.PI * 4],
  ] as const)('with %s corners has the volume of its offset', (corners, area) => {
    const mesh = formed(box, { depthMm: 10, shiftMm: -2, corners });
    expectSound(mesh, corners);
    expect(wide(mesh)).toBeCloseTo(44, 3);
    expect(Math.abs(volume(mesh) / (area * 10) - 1)).toBeLessThan(corners === 'round' ? 3e-3 : 1e-6);
  });

  test('lighter by 2 mm', () => {
    const mesh = formed(box, { depthMm: 10, shiftMm: 2 });
    expectSound(mesh);
    expect(volume(mesh)).toBeCloseTo(36 * 16 * 10, 6);
  });

  test('an edge on a body that grew keeps the front’s outline', () => {
    const mesh = formed(box, { depthMm: 10, shiftMm: -3, front: chamfer(3, 4) });
    expectSound(mesh);
    const prismatoid = (4 / 6) * (40 * 20 + 46 * 26 + 4 * 43 * 23);
    expect(volume(mesh)).toBeCloseTo(46 * 26 * 6 + prismatoid, 6);
  });

  test('a drawn side that goes in and out beyond the outline', () => {
    const points = [
      { in: 1, down: 0.3, smooth: false },
      { in: -1, down: 0.7, smooth: false },
    ];
    const mesh = formed(box, { depthMm: 10, side: { kind: 'drawn', amountMm: 2, steps: 1, divisions: 1, points } });
    expectSound(mesh);
    expect(wide(mesh)).toBeCloseTo(44, 3);
  });
});

test.each([
  ['exactly twice as far apart as they grow', 4],
  ['a hair less', 3.9999],
  ['a hair more', 4.0001],
])('bars that meet where their section turns back: %s', (_, gap) => {
  const bars = outlineOfRings(rectangle(0, 0, mm(9), mm(30)), rectangle(mm(9 + gap), 0, mm(9), mm(20)));
  const side = { kind: 'waist' as const, amountMm: 2, steps: 2, divisions: 1 };
  for (const front of [PLAIN, chamfer(1, 2), { kind: 'cove' as const, inMm: 2, deepMm: 2, steps: 3 }])
    expectSound(formed(bars, { depthMm: 12, shiftMm: -2, front, back: front, side }), `${gap} ${front.kind}`);
});

describe('a swelling box', () => {
  test('straight is a roof on its walls', () => {
    const frontSwell = { mm: 5, curve: 'straight' as const, steps: 1, reachMm: 10 };
    const mesh = formed(box, { depthMm: 10, frontSwell });
    expectSound(mesh);
    // a hip roof over 40 x 20, five high
    expect(Math.abs(volume(mesh) / (8000 + (5 * 20 * (3 * 40 - 20)) / 6) - 1)).toBeLessThan(1e-3);
    expect(mesh.regions.some((r) => r.part === 'front')).toBe(true);
  });

  test('soft on both faces, over edges', () => {
    const swell = { mm: 4, curve: 'soft' as const, steps: 6, reachMm: 10 };
    const mesh = formed(box, {
      depthMm: 10,
      front: chamfer(2, 2),
      back: chamfer(1, 1),
      frontSwell: swell,
      backSwell: swell,
    });
    expectSound(mesh);
    expect(checkMesh(mesh).sizeMm[2]).toBeCloseTo(18, 2);
  });
});

test('a chamfered convex letter has the volume of the formula', () => {
  // an I with slanted ends: areas of its insets by the shoelace of half-planes moved in
  const points: [number, number][] = [
    [0, 0],
    [9, 3],
    [12, 70],
    [1, 72],
    [-4, 30],
  ];
  const letter = outlineOfRings(ringOf(points.map(([x, y]) => [mm(x), mm(y)])));
  const [w, d, depth] = [2, 3, 12];
  const mesh = formed(letter, { depthMm: depth, front: chamfer(w, d) });
  expectSound(mesh);
  const middle = insetArea(points, w / 2);
  const wanted =
    insetArea(points, 0) * (depth - d) + (d / 6) * (insetArea(points, 0) + 4 * middle + insetArea(points, w));
  expect(Math.abs(volume(mesh) / wanted - 1)).toBeLessThan(1e-6);
});

/** Area of a convex polygon whose sides were all moved in. */
function insetArea(points: readonly [number, number][], by: number): number {
  const lines = points.map(([x, y], i) => {
    const [nextX, nextY] = points[(i + 1) % points.length];
    const long = Math.hypot(nextX - x, nextY - y);
    const [nx, ny] = [(y - nextY) / long, (nextX - x) / long];
    return { nx, ny, c: nx * x + ny * y + by };
  });
  const corners = lines.map((b, i) => {
    const a = lines[(i + lines.length - 1) % lines.length];
    const det = a.nx * b.ny - a.ny * b.nx;
    return [(a.c * b.ny - a.ny * b.c) / det, (a.nx * b.c - a.c * b.nx) / det];
  });
  return corners.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = corners[(i + 1) % corners.length];
    return sum + (x * nextY - nextX * y) / 2;
  }, 0);
}

const mirrored = (outline: Outline): Outline =>
  fromRings(
    toRings(outline).map((ring) => {
      const n = ring.length;
      // turned over, what was the next edge is the one before
      return ring.map((_, i) => {
        const [v, edge] = [ring[(n - i) % n], ring[(2 * n - i - 1) % n]];
        return { ...v, x: 0 - v.x, curve: edge.curve, t0: edge.t1, t1: edge.t0, letter: edge.letter };
      });
    }),
  );

test('mirrored letters give mirrored meshes', async () => {
  const keys = (mesh: PolygonMesh, sign: number): string[] => {
    const all: string[] = [];
    for (let i = 0; i < mesh.positions.length; i += 3)
      all.push([sign * mesh.positions[i] + 0, mesh.positions[i + 1], mesh.positions[i + 2]].join(' '));
    return all.sort();
  };
  const [sans] = await shippedFaces(['Work Sans']);
  for (const character of 'KR7') {
    const { outline, em } = outlineOf(sans, character);
    const form = { depthMm: 18, front: chamfer(4, 3), back: chamfer(40, 5) };
    const there = formed(outline, form, em);
    const back = formed(mirrored(outline), form, em);
    expectSound(back, character);
    expect(back.region).toHaveLength(there.region.length);
    expect(volume(back)).toBeCloseTo(volume(there), 3);
    const same = new Set(keys(there, -1));
    const lost = keys(back, 1).filter((key) => !same.has(key));
    expect({ character, lost }).toEqual({ character, lost: [] });
  }
});

test('letters of all tried families are sound beyond their outline', async () => {
  const random = seededRandom(23);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)];
  for (const face of await shippedFaces()) {
    for (const character of 'g8&') {
      const { outline, em } = outlineOf(face, character);
      const points = Array.from({ length: 3 }, () => ({
        in: random() * 2 - 0.5,
        down: random(),
        smooth: random() < 0.5,
      }));
      const form = {
        depthMm: 18,
        front: pick<EdgeShape>([
          PLAIN,
          chamfer(2, 3),
          { kind: 'drawn', inMm: pick([1, 5]), deepMm: 4, steps: 2, points },
        ]),
        back: pick([PLAIN, chamfer(1, 1)]),
        side: { kind: 'waist' as const, amountMm: 3, steps: 2, divisions: 1 },
        shiftMm: pick([-3, -1, 0, 0.5]),
        corners: pick(['sharp', 'cut', 'round'] as const),
      };
      expectSound(formed(outline, form, em), `${face.name} ${character} ${JSON.stringify(form)}`);
    }
  }
});
