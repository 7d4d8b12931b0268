import { loadKernels } from '@fictile/kernels';
import { seededRandom, type Carver } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import type { Vec3 } from '../math/index.ts';
import { faceAreaVectors, faceCorners, faceCount, type PolygonMesh } from '../mesh/index.ts';
import { BALL, box, JUG, moved } from '../testing/bodies.ts';
import { carve, prepare, type Carved, type CarveJob } from './index.ts';

let carver: Carver;
beforeAll(async () => {
  carver = await (await loadKernels()).loadCarver();
});

function cut(body: PolygonMesh, cutters: PolygonMesh[], more: Partial<CarveJob>): Carved {
  const prepared = prepare(carver, body);
  if ('why' in prepared) throw new Error(prepared.why);
  const regionOf: CarveJob['regionOf'] = (by, region) => (by === undefined ? region : { ...region, part: 'recess' });
  const done = carve(carver, prepared, {
    cutters,
    operation: 'subtract',
    dropsLoose: false,
    cleanMm: 0.05,
    looks: true,
    regionOf,
    ...more,
  });
  prepared.free();
  if ('why' in done) throw new Error(done.why);
  return done;
}

const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0, degenerate: 0 };

const place = ({ positions: p }: PolygonMesh, v: number): Vec3 => [p[3 * v], p[3 * v + 1], p[3 * v + 2]];

/** Farther along one axis from the middle of the hole. */
const fromHole = (x: number, y: number): number => Math.max(Math.abs(x), Math.abs(y - 5));

test('round a square hole every edge has a quad beside it, as wide as it was asked for', () => {
  const { mesh, ring } = cut(box(20, 10, 10), [moved(box(4, 4, 30), [0, 3, 0])], { ringMm: 0.5 });
  expect(ring).toEqual({ edges: 8, quads: 8 });
  expect(checkMesh(mesh)).toMatchObject({ ...SOUND, volumeMm3: expect.closeTo(2000 - 160, 9) });
  const rings = Array.from({ length: faceCount(mesh) }, (_, f) =>
    faceCorners(mesh, f).map((c) => place(mesh, mesh.faceVertices[c])),
  ).filter(
    (face) =>
      face.length === 4 && face.every(([x, y, z]) => z === face[0][2] && Math.abs(z) === 5 && fromHole(x, y) < 2.6),
  );
  expect(rings).toHaveLength(8);
  // the hole's corners at 2, the ring's own half a millimetre farther out both ways
  for (const face of rings) expect(face.map(([x, y]) => fromHole(x, y)).sort()).toEqual([2, 2, 2.5, 2.5]);
});

const areaOf = (mesh: PolygonMesh): number => {
  const areas = faceAreaVectors(mesh);
  return Array.from({ length: faceCount(mesh) }, (_, f) =>
    Math.hypot(areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]),
  ).reduce((a, b) => a + b, 0);
};

/** The kernel puts cut points beside the planes of the old faces by so much of the whole. */
const KERNEL = 1e-7;
const SEEDS = [1, 2, 3];

test.each(SEEDS)(
  'a ring of any width leaves the surface what it was, on what curves and is full of edges (%i)',
  (seed) => {
    const random = seededRandom(seed);
    const between = (a: number, b: number): number => a + (b - a) * random();
    const body = [BALL, JUG, box(50, 50, 30)][seed % 3];
    const tools = [0, 1].map((i) => {
      const tool = random() < 0.5 ? box(between(4, 9), between(4, 9), 40) : moved(BALL, [0, 0, 0]);
      return moved(
        tool,
        [between(-9, 9) + 14 * i, between(8, 20), between(14, 24)],
        [between(0, 40), between(0, 40), between(0, 90)],
      );
    });
    for (const operation of ['subtract', 'join', 'imprint'] as const) {
      const plain = cut(body, tools, { operation });
      for (const ringMm of [0.05, 0.6, 200]) {
        const { mesh, ring, crosses } = cut(body, tools, { operation, ringMm });
        const [was, is] = [checkMesh(plain.mesh), checkMesh(mesh)];
        expect(is).toMatchObject({ ...SOUND, shells: was.shells });
        expect(crosses).toBe(plain.crosses);
        expect(Math.abs(is.volumeMm3 / was.volumeMm3 - 1)).toBeLessThan(KERNEL);
        expect(Math.abs(areaOf(mesh) / areaOf(plain.mesh) - 1)).toBeLessThan(KERNEL);
        expect(ring?.quads).toBeGreaterThan((ringMm < 1 ? 0.85 : 0.7) * (ring?.edges ?? 0));
      }
    }
  },
);
