import { quietContext } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { usualForms, type FormShape } from '../document/index.ts';
import { formMesh } from '../form/index.ts';
import { boxOfPoints, type Vec3 } from '../math/index.ts';
import { asTriangles, faceCount, type PolygonMesh } from '../mesh/index.ts';
import { subdivide } from '../refine/index.ts';
import { Target } from '../surface/index.ts';
import { cubes, insideOut, joined, opened } from '../testing/meshes.ts';
import { losses, recast, recastCost } from './index.ts';

const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0 };

async function made(mesh: PolygonMesh, values: Partial<Parameters<typeof recast>[1]>): Promise<PolygonMesh> {
  const result = await recast(mesh, { sizeMm: 0.5, thickMm: 0, meltMm: 0, ...values }, quietContext);
  if (!result) throw new Error('cancelled');
  return result;
}

const volumeOf = (mesh: PolygonMesh): number => checkMesh(mesh).volumeMm3;

describe('what is lost where a mesh is made anew', () => {
  const lost = async (old: PolygonMesh, sizeMm: number, thickMm = 0) => {
    const found = losses(old, await made(old, { sizeMm, thickMm }), { sizeMm, thickMm, meltMm: 0 });
    return { gone: found.gone.length, filled: found.filled.length };
  };
  const finely = (mesh: PolygonMesh): PolygonMesh =>
    subdivide(subdivide(subdivide(mesh, 'straight'), 'straight'), 'straight');
  const beam = (size: Vec3, at: Vec3): PolygonMesh => {
    const cube = cubes(1, [0, 0, 0]);
    return { ...cube, positions: cube.positions.map((value, i) => at[i % 3] + value * size[i % 3]) };
  };
  const NOTHING = { gone: 0, filled: 0 };

  test('nothing of what is thicker than the cells, nor where parts ran into each other', async () => {
    expect(await lost(finely(cubes(8, [0, 0, 0])), 0.5)).toEqual(NOTHING);
    expect(await lost(joined(finely(cubes(8, [0, 0, 0])), finely(cubes(8, [3, 3, 3]))), 0.5)).toEqual(NOTHING);
  });

  test('strokes thinner than the cells, unless sheets are made thick', async () => {
    const stroke = joined(finely(cubes(8, [0, 0, 0])), finely(beam([20, 0.2, 0.2], [8, 4, 4])));
    const { gone, filled } = await lost(stroke, 1);
    expect(gone).toBeGreaterThan(50);
    expect(filled).toBe(0);
    expect(await lost(stroke, 0.5, 1)).toEqual(NOTHING);
  });

  test('hollows narrower than the cells', async () => {
    // two plates with a slot of 0.3 between them
    const plates = joined(finely(beam([10, 10, 4], [0, 0, 0])), finely(beam([10, 10, 4], [0, 0, 4.3])));
    const { gone, filled } = await lost(plates, 1);
    expect(filled).toBeGreaterThan(10);
    expect(gone).toBe(0);
  });
});

describe('a mesh made anew', () => {
  const ball: FormShape = { kind: 'ball', radiusMm: 10 };

  test('lies where the old one does, within a part of a cell', async () => {
    const old = formMesh(ball, 0.1);
    const mesh = await made(old, { sizeMm: 1 });
    expect(checkMesh(mesh)).toMatchObject({ ...SOUND, shells: 1 });
    const target = new Target(old);
    let most = 0;
    for (let v = 0; v < mesh.positions.length; v += 3)
      most = Math.max(
        most,
        Math.abs(target.heightOf([mesh.positions[v], mesh.positions[v + 1], mesh.positions[v + 2]])),
      );
    expect(most).toBeLessThan(0.2);
    expect(volumeOf(mesh) / ((4 / 3) * Math.PI * 1000)).toBeCloseTo(1, 1);
  });

  test.each<[string, PolygonMesh, number]>([
    ['turned inside out', insideOut(cubes(4, [0, 0, 0])), 64],
    ['crossing itself', joined(cubes(4, [0, 0, 0]), cubes(4, [2, 2, 2])), 120],
    ['apart', joined(cubes(4, [0, 0, 0]), cubes(4, [9, 0, 0])), 128],
  ])('is sound where the old one was %s', async (_, old, volume) => {
    const mesh = await made(old, {});
    expect(checkMesh(mesh)).toMatchObject(SOUND);
    expect(Math.abs(volumeOf(mesh) / volume - 1)).toBeLessThan(0.15);
  });

  test('closes holes that are narrower than it is thick, and leaves a sheet where they are wider', async () => {
    const narrow = opened(subdivide(subdivide(cubes(4, [0, 0, 0]), 'straight'), 'straight')); // a hole of 1 by 1
    const closed = await made(narrow, { thickMm: 1.6 });
    expect(checkMesh(closed)).toMatchObject({ ...SOUND, shells: 1 });
    expect(new Target(closed).heightOf([2, 2, 2])).toBeLessThan(-2);
    const sheet = await made(opened(cubes(4, [0, 0, 0])), { thickMm: 0.8, sizeMm: 0.4 });
    expect(checkMesh(sheet)).toMatchObject(SOUND);
    expect(new Target(sheet).heightOf([2, 2, 2])).toBeGreaterThan(1);
  });

  test('melts: corners go, and it stays sound', async () => {
    const [sharp, soft] = [await made(cubes(4, [0, 0, 0]), {}), await made(cubes(4, [0, 0, 0]), { meltMm: 1 })];
    expect(checkMesh(soft)).toMatchObject({ ...SOUND, shells: 1 });
    expect(volumeOf(soft)).toBeLessThan(volumeOf(sharp));
    const corner = (mesh: PolygonMesh): number => Math.abs(new Target(mesh).heightOf([4, 4, 4]));
    expect(corner(soft)).toBeGreaterThan(corner(sharp) + 0.2);
  });

  test('keeps parts by what is nearest', async () => {
    const old = joined(cubes(4, [0, 0, 0]), cubes(4, [9, 0, 0]));
    const marked = {
      ...old,
      region: old.region.map((_, f) => (f < faceCount(old) / 2 ? 0 : 1)),
      regions: [
        { part: 'front', letter: 0, contour: 0 },
        { part: 'wall', letter: 1, contour: 0 },
      ],
    } as PolygonMesh;
    const mesh = await made(marked, {});
    for (let f = 0; f < faceCount(mesh); f++)
      expect(mesh.region[f]).toBe(mesh.positions[3 * mesh.faceVertices[mesh.faceStart[f]]] < 6 ? 0 : 1);
  });

  test('tells what it takes before it is made, and stops when told to', async () => {
    const jug = asTriangles(formMesh(usualForms().jug, 1));
    const cost = (sizeMm: number): number =>
      recastCost(boxOfPoints(jug.positions), { sizeMm, thickMm: 0, meltMm: 0 }).nodes;
    expect(cost(1) / cost(2)).toBeGreaterThan(6);
    expect(
      await recast(jug, { sizeMm: 4, thickMm: 0, meltMm: 0 }, { ...quietContext, cancelled: () => true }),
    ).toBeUndefined();
  });
});
