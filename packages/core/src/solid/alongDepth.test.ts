import { checkMesh } from '../check/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { divide } from '../outline/index.ts';
import { outlineOf, shippedFaces, STEP } from '../testing/faces.ts';
import { outlineOfRings, rectangle } from '../testing/rings.ts';
import { formed, mm, sectionOf, type Form } from '../testing/solids.ts';
import { expectSound } from '../testing/sound.ts';
import { alongDepth, changesAlong, depthLevels, divisionsAlong, type AlongDepth } from './index.ts';

const STILL: AlongDepth = { twistDegrees: 0, taperPercent: 0, shearMm: [0, 0], curveDegrees: 0, towardDegrees: 0 };
const FORM = { depthMm: 20, side: { kind: 'straight' as const, amountMm: 0, steps: 1, divisions: 24 } };
const box = outlineOfRings(rectangle(mm(-20), mm(-10), mm(40), mm(20)));
const FRAME = { x: 0, y: 0, frontZ: 20, backZ: 0 };

function changed(
  form: Form,
  along: Partial<AlongDepth>,
  outline = box,
  { em = mm(110) }: { em?: number } = {},
): PolygonMesh {
  const { section } = sectionOf(form);
  const mesh = formed(outline, form, em);
  return alongDepth(mesh, { frame: FRAME, depths: depthLevels(section, STEP), along: { ...STILL, ...along } });
}

/** Across and up, at the ends of a solid. */
const ends = (mesh: PolygonMesh, z: number): [number, number][] =>
  Array.from({ length: mesh.positions.length / 3 }, (_, i) => mesh.positions.subarray(3 * i, 3 * i + 3))
    .filter((p) => Math.abs(p[2] - z) < 1e-9)
    .map((p) => [p[0], p[1]]);
const widest = (points: [number, number][]): number => Math.max(...points.map(([x]) => Math.abs(x)));

test('nothing asked for is nothing changed', () => {
  expect(changesAlong(STILL)).toBe(false);
  expect(changesAlong({ ...STILL, shearMm: [0, 1] })).toBe(true);
  const mesh = formed(box, FORM);
  expect(changed(FORM, {}).positions).toEqual(mesh.positions);
});

test('a taper is a frustum: the volume of the formula, its front as it was', () => {
  const mesh = changed(FORM, { taperPercent: 50 });
  expectSound(mesh);
  expect([widest(ends(mesh, 20)), widest(ends(mesh, 0))]).toEqual([20, expect.closeTo(10, 9)]);
  expect(checkMesh(mesh).volumeMm3).toBeCloseTo((20 / 6) * (800 + 200 + 4 * 450), 6);
});

test('a shear keeps the volume and moves the back', () => {
  const mesh = changed(FORM, { shearMm: [7, -3] });
  expectSound(mesh);
  expect(checkMesh(mesh).volumeMm3).toBeCloseTo(40 * 20 * 20, 6);
  expect(Math.max(...ends(mesh, 0).map(([x]) => x))).toBeCloseTo(27, 9);
});

test('a bend leads where it is told, and ends at its depth', () => {
  const mesh = changed(FORM, { curveDegrees: 60, towardDegrees: 90 });
  expectSound(mesh);
  // an arc of radius 20 / sin 60 moves its end aside by r (1 - cos 60)
  const aside = (20 / Math.sin(Math.PI / 3)) * 0.5;
  expect(Math.max(...ends(mesh, 0).map(([x]) => x))).toBeCloseTo(20 + aside, 6);
  expect(checkMesh(mesh).sizeMm[2]).toBeCloseTo(20, 9);
});

test('a twist turns the back by its angle, and nearly keeps the volume', () => {
  const mesh = changed(FORM, { twistDegrees: 90 }, divide(box, mm(4)));
  expectSound(mesh);
  expect(widest(ends(mesh, 0))).toBeCloseTo(10, 6);
  expect(Math.abs(checkMesh(mesh).volumeMm3 / 16_000 - 1)).toBeLessThan(3e-3);
  expect([0.3, 0.05, 0.0125].map((mm) => divisionsAlong({ ...STILL, twistDegrees: -90 }, mm))).toEqual([23, 23, 45]);
});

test('slopes turn as a whole, walls between them', () => {
  const form: Form = { ...FORM, front: { kind: 'chamfer', inMm: 3, deepMm: 4, steps: 1 } };
  const mesh = changed(form, { twistDegrees: 30 }, divide(box, mm(4)));
  expectSound(mesh);
  // the foot of the edge has not turned yet
  expect(widest(ends(mesh, 16))).toBeCloseTo(20, 9);
});

test('letters stay sound under everything at once but twists', async () => {
  for (const face of await shippedFaces(['Bodoni Moda', 'Pacifico'])) {
    const { outline, em } = outlineOf(face, '&');
    const form: Form = { ...FORM, front: { kind: 'round', inMm: 3, deepMm: 4, steps: 3 } };
    for (const taperPercent of [60, -60]) {
      const mesh = changed(form, { taperPercent, shearMm: [9, 4], curveDegrees: -50, towardDegrees: 20 }, outline, {
        em,
      });
      expectSound(mesh, `${face.name} ${taperPercent}`);
    }
  }
});
