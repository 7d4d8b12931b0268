import { seededRandom } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import { cubes } from '../testing/meshes.ts';
import { BALL, JUG } from '../testing/bodies.ts';
import { vertexMarks } from './meshPoints.ts';
import { splitFar, type Straying } from './splitFar.ts';

/** Edges longer than so much are far, near some places only: some neighbours are cut and others are not. */
function longerThan(mesh: PolygonMesh, most: number, isNear: (x: number) => boolean): Straying {
  const of = (p: Float64Array): Straying['first'] => {
    const edge = (a: number, b: number): boolean => {
      const [dx, dy, dz] = [0, 1, 2].map((k) => p[3 * a + k] - p[3 * b + k]);
      return isNear(p[3 * a] + p[3 * b]) && Math.sqrt(dx * dx + dy * dy + dz * dz) > most;
    };
    return { edge, within: () => edge };
  };
  return { first: of(mesh.positions), marks: vertexMarks, of: (split) => of(split.positions.rows()) };
}

/** Coordinates by the place alone: what is carried along must still be that. */
function uvOf(mesh: PolygonMesh): Float32Array {
  const rows = new Float32Array(2 * mesh.faceVertices.length);
  mesh.faceVertices.forEach((v, c) => {
    rows[2 * c] = mesh.positions[3 * v] / 4;
    rows[2 * c + 1] = mesh.positions[3 * v + 2] / 2;
  });
  return rows;
}

test.each([
  ['a cube', cubes(8, [0, 0, 0]), 1],
  ['a ball', BALL, 3],
  ['a jug', JUG, 6],
])('%s cut again and again: closed, of the same volume, coordinates by the place', (_, body, most) => {
  const random = seededRandom(5);
  for (let i = 0; i < 4; i++) {
    const from = 40 * random() - 20;
    const mesh = { ...body, uv: uvOf(body) };
    const { mesh: cut, isLeft } = splitFar(
      mesh,
      longerThan(mesh, most, (x) => x > from),
      1e6,
    );
    expect(isLeft).toBe(false);
    const [before, after] = [checkMesh(mesh), checkMesh(cut)];
    expect(after).toMatchObject({ closed: true, manifold: true, outward: true, shells: before.shells });
    expect(Math.abs(after.volumeMm3 / before.volumeMm3 - 1)).toBeLessThan(2e-3);
    expect(uvOf(cut).every((value, k) => Math.abs((cut.uv?.[k] ?? NaN) - value) < 1e-4)).toBe(true);
  }
});

test('a round after the first looks at what the one before has made, and at nothing else', () => {
  let looks = 0;
  const rounds: number[] = [];
  const far = longerThan(BALL, 0.4, (x) => x > 39);
  splitFar(
    BALL,
    {
      ...far,
      of: (split) => {
        rounds.push(looks);
        looks = 0;
        const { edge } = far.of(split);
        const counted = (a: number, b: number): boolean => {
          looks++;
          return edge(a, b);
        };
        return { edge: counted, within: () => counted };
      },
    },
    1e6,
  );
  // all edges and diagonals of the ball first, then those at its pole
  const [, all, second, third] = rounds;
  expect(all).toBeGreaterThan(2 * faceCount(BALL));
  for (const one of [second, third]) expect(one).toBeLessThan(all / 2);
});

test('more faces than are allowed are not made, which is told', () => {
  const { mesh, isLeft } = splitFar(
    BALL,
    longerThan(BALL, 0.5, () => true),
    2 * faceCount(BALL),
  );
  expect(isLeft).toBe(true);
  expect(faceCount(mesh)).toBeLessThanOrEqual(2 * faceCount(BALL));
});
