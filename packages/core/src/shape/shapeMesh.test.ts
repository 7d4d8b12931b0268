import { chainOf, usualStep, type ShapeStep } from '../steps/index.ts';
import { seededRandom } from '../base/index.ts';
import { adjacency, faceCount, type PolygonMesh } from '../mesh/index.ts';
import { outlineOf, shippedFaces } from '../testing/faces.ts';
import { formed } from '../testing/solids.ts';
import type { Box3, Vec3 } from '../math/index.ts';
import { shapeMesh, strayOf } from './shapeMesh.ts';

let letters: PolygonMesh[];
beforeAll(async () => {
  const faces = await shippedFaces();
  const edge = { kind: 'round', inMm: 2, deepMm: 2, steps: 3 } as const;
  letters = ['R', 'g'].map((text) => {
    const { outline, em } = outlineOf(faces[0], text);
    return formed(outline, { depthMm: 12, front: edge }, em);
  });
});

function boxOf({ positions }: PolygonMesh): Box3 {
  const side = (k: number, of: (a: number, b: number) => number): number =>
    Array.from(positions.filter((_, i) => i % 3 === k)).reduce((a, b) => of(a, b));
  return {
    low: [0, 1, 2].map((k) => side(k, Math.min)) as Vec3,
    high: [0, 1, 2].map((k) => side(k, Math.max)) as Vec3,
  };
}

const KINDS: ShapeStep['kind'][] = [
  'bend',
  'twist',
  'taper',
  'shear',
  'stretch',
  'pinch',
  'bulge',
  'wave',
  'noise',
  'run',
];

/** Some steps in a row, each of some strength. */
function someSteps(random: () => number): ShapeStep[] {
  return Array.from({ length: 1 + Math.floor(random() * 3) }, (_, i) => {
    const step = { ...usualStep(KINDS[Math.floor(random() * KINDS.length)], `${i}`) } as ShapeStep;
    if ('angleDegrees' in step) return { ...step, angleDegrees: 120 * random() - 60 };
    if ('percent' in step) return { ...step, percent: 60 * random() - 20 };
    return 'heightMm' in step ? { ...step, heightMm: 6 * random() - 3 } : step;
  });
}

test('whatever the steps: closed as before, edges within tolerance of their image, coordinates and parts kept', () => {
  const random = seededRandom(11);
  for (let i = 0; i < 24; i++) {
    const mesh = letters[i % letters.length];
    const steps = someSteps(random);
    const shaped = { mesh, letters: [1], feet: [[0, 0, 0] as Vec3] };
    const chain = chainOf(steps, { box: boxOf(mesh) });
    const made = shapeMesh(shaped, chain, { toleranceMm: 0.2, mostFaces: 200_000 });
    const name = steps.map(({ kind }) => kind).join(' ');
    expect([name, made.isLeft]).toEqual([name, false]);
    expect([name, adjacency(made.mesh)]).toEqual([name, expect.objectContaining({ openEdges: 0, badEdges: 0 })]);
    // as cut, but flat: what strays is measured there
    const flat = { ...made.mesh, positions: made.mesh.rest as Float64Array };
    expect([name, strayOf({ ...shaped, mesh: flat }, chain) <= 0.2 + 1e-9]).toEqual([name, true]);
    expect(made.mesh.uv?.length).toBe(2 * made.mesh.faceVertices.length);
    expect(new Set(made.mesh.region)).toEqual(new Set(mesh.region));
    expect(made.mesh.positions.every(Number.isFinite)).toBe(true);
  }
});

test('without a tolerance faces stay as they are', () => {
  const chain = chainOf([usualStep('shear', 'a')], { box: boxOf(letters[0]) });
  const made = shapeMesh({ mesh: letters[0], letters: [1], feet: [[0, 0, 0]] }, chain, { mostFaces: 1e6 });
  expect(faceCount(made.mesh)).toBe(faceCount(letters[0]));
  expect(made.mesh.positions).not.toEqual(letters[0].positions);
});

test('what can not be cut fine enough within the budget is told', () => {
  const chain = chainOf([{ ...usualStep('bend', 'a'), angleDegrees: 120 }], { box: boxOf(letters[0]) });
  const made = shapeMesh({ mesh: letters[0], letters: [1], feet: [[0, 0, 0]] }, chain, {
    toleranceMm: 1e-4,
    mostFaces: 500,
  });
  expect(made.isLeft).toBe(true);
  expect(adjacency(made.mesh)).toMatchObject({ openEdges: 0, badEdges: 0 });
});
