import { type Step, usualStep } from '../steps/index.ts';
import { loadKernels } from '@fictile/kernels';
import { quietContext, unwrap, type Simplifier } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { applyEdit, newForm, newPiece, newProject, type Project } from '../document/index.ts';
import { pieceMesh, type Evaluated } from '../evaluate/index.ts';
import { asTriangles, crisp, faceCount, MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { outlineOf, shippedFaces, STEP, testEngine } from '../testing/faces.ts';
import { cubes, joined } from '../testing/meshes.ts';
import { expectSound } from '../testing/sound.ts';
import { buildSection, finerSection, lift, sectionEnds, sectionLayers } from '../solid/index.ts';
import { facedFlat } from '../faces/index.ts';
import { clear } from './clear.ts';
import { joinPoints } from './joinPoints.ts';
import { reduce, subdivide } from './index.ts';
import { toQuads } from './toQuads.ts';
import { toTriangles } from './toTriangles.ts';

const cube = (): PolygonMesh => cubes(2, [0, 0, 0]);
const crispCube = (): PolygonMesh => crisp(cube(), 30);

describe('subdivide', () => {
  test('flat: every corner of a face becomes a quad, nothing moves', () => {
    const fine = subdivide(cube(), 'straight');
    expect(checkMesh(fine)).toMatchObject({ faces: 24, quads: 24, vertices: 26, closed: true, outward: true });
    expect(checkMesh(fine).volumeMm3).toBeCloseTo(8, 12);
    expect(Array.from(fine.positions.subarray(0, 24))).toEqual(Array.from(cube().positions));
  });

  test('rounded: a cube without sharp edges shrinks to Catmull and Clark’s first points', () => {
    const fine = subdivide(cube(), 'rounded');
    // a corner of valence three goes to (Q + 2 R) / 3 = 4/9 of the way to the middle from its place
    expect(fine.positions[0]).toBeCloseTo(4 / 9, 12);
    // the middle of a face stays, that of an edge goes a quarter of the way to its faces'
    expect(Array.from(fine.positions.subarray(24, 27))).toEqual([1, 1, 0]);
    expectSound(fine);
  });

  test('rounded: sharp edges keep a cube a cube', () => {
    const fine = subdivide(subdivide(crispCube(), 'rounded'), 'rounded');
    expect(checkMesh(fine).sizeMm).toEqual([2, 2, 2]);
    expect(checkMesh(fine).volumeMm3).toBeCloseTo(8, 12);
    // halves of sharp edges are sharp: twelve edges, four parts, both sides
    expect(fine.sharp.reduce((sum, is) => sum + is, 0)).toBe(12 * 4 * 2);
  });

  test('triangles and larger faces become quads too', () => {
    const fine = subdivide(asTriangles(cube()), 'straight');
    expect(checkMesh(fine)).toMatchObject({ faces: 36, quads: 36, closed: true });
  });
});

describe('flat faces', () => {
  test('clear gives a subdivided cube its six faces back', () => {
    const cleared = clear(subdivide(crispCube(), 'straight'), 0.1);
    expect(checkMesh(cleared)).toMatchObject({ faces: 6, quads: 6, closed: true, outward: true });
  });

  test('a letter stays sound, with far fewer faces', async () => {
    const { mesh } = await solid('R', 'flow');
    const cleared = clear(mesh, 0.1);
    expectSound(cleared);
    expect(faceCount(cleared)).toBeLessThan(faceCount(mesh) / 2);
    expectSound(toQuads(asTriangles(mesh), 10));
  });

  test('no vertex is left between two faces alone, unless it lies in a straight line', () => {
    // four triangles around a point, seen from above a square cut along both diagonals; a line through the middle is
    // bent by a hair, upward
    const around = (bend: number): PolygonMesh => {
      const builder = new MeshBuilder();
      const [middle, a, b, c, d] = [
        [0, 0, 0],
        [0, 2, bend],
        [-6, 0, 0],
        [0, -2, bend],
        [6, 0, 0],
      ].map(([x, y, z]) => builder.vertex(x, y, z));
      for (const [from, to] of [
        [a, b],
        [b, c],
        [c, d],
        [d, a],
      ])
        builder.face([middle, from, to], builder.region('body', -1, -1));
      return builder.finish();
    };
    const middleUses = (mesh: PolygonMesh): number => mesh.faceVertices.reduce((sum, v) => sum + (v === 0 ? 1 : 0), 0);
    for (const made of [clear(around(0.001), 1), toQuads(around(0.001), 10)]) expect(middleUses(made)).not.toBe(2);
    expect(faceCount(clear(around(0), 1))).toBe(1);
  });

  test('nothing is joined over an edge, a part or a bend', () => {
    expect(faceCount(clear(crispCube(), 0.1))).toBe(6);
    expect(faceCount(clear(cube(), 80))).toBe(6);
  });

  test('pairs of triangles become quads', () => {
    const quads = toQuads(asTriangles(crispCube()), 5);
    expect(checkMesh(quads)).toMatchObject({ faces: 6, quads: 6, closed: true });
  });

  test('no quads where triangles do not lie in one plane', () => {
    const builder = new MeshBuilder();
    const region = builder.region('body', -1, -1);
    const [a, b, c, d] = [
      [0, 0, 0],
      [1, 0, 0],
      [1, 1, 0],
      [0, 1, 1],
    ].map(([x, y, z]) => builder.vertex(x, y, z));
    builder.face([a, b, c], region);
    builder.face([a, c, d], region);
    expect(faceCount(toQuads(builder.finish(), 10))).toBe(2);
  });
});

describe('triangles', () => {
  test('by the shorter diagonal, or all from the first corner', () => {
    for (const rule of ['short', 'same'] as const) {
      const cut = toTriangles(crispCube(), rule);
      expect(checkMesh(cut)).toMatchObject({ faces: 12, triangles: 12, closed: true });
      expect(checkMesh(cut).volumeMm3).toBeCloseTo(8, 12);
      expect(cut.sharp.reduce((sum, is) => sum + is, 0)).toBe(24);
    }
    const first = toTriangles(crispCube(), 'same');
    for (let t = 0; t < 12; t += 2) expect(first.faceVertices[3 * t]).toBe(first.faceVertices[3 * t + 3]);
  });
});

describe('points', () => {
  test('nearer than asked for they become one, and what collapses goes', () => {
    const pair = joined(cubes(2, [0, 0, 0]), cubes(2, [2.05, 0, 0]));
    expect(checkMesh(joinPoints(pair, 0.01)).vertices).toBe(16);
    expect(checkMesh(joinPoints(pair, 0.1)).vertices).toBe(12);
  });

  test('0 joins equal points alone', () => {
    const pair = joined(cube(), cubes(2, [2, 0, 0]));
    expect(checkMesh(joinPoints(pair, 0)).vertices).toBe(12);
  });

  test('a row of near points does not run together', () => {
    const row = cubes(0.05, ...Array.from({ length: 6 }, (_, i): [number, number, number] => [i, 0, 0]));
    expect(checkMesh(joinPoints(row, 0.06)).faces).toBeLessThan(36);
    expect(checkMesh(joinPoints(row, 0.02)).faces).toBe(36);
  });
});

describe('reduce', () => {
  let simplifier: Simplifier;
  beforeAll(async () => {
    simplifier = await (await loadKernels()).loadSimplifier();
  });

  test('a fine plane of a cube needs few triangles, its shape stays', () => {
    const fine = subdivide(subdivide(crispCube(), 'straight'), 'straight');
    const few = reduce(fine, { share: 0.1 }, simplifier);
    expect(checkMesh(few)).toMatchObject({ closed: true, manifold: true, crossingFaces: 0, sizeMm: [2, 2, 2] });
    expect(checkMesh(few).volumeMm3).toBeCloseTo(8, 6);
    expect(faceCount(few)).toBeLessThanOrEqual(24);
  });

  test('the whole share changes no more than quads to triangles', () => {
    expect(checkMesh(reduce(cube(), { share: 1 }, simplifier))).toMatchObject({
      faces: 12,
      triangles: 12,
      closed: true,
    });
  });

  test('by an error: coarser where it may be larger, the size within it', async () => {
    const { mesh } = await solid('S', 'flow');
    const [fine, coarse] = [0.02, 0.5].map((errorMm) => reduce(mesh, { errorMm }, simplifier));
    expectSound(fine);
    expectSound(coarse);
    expect(faceCount(coarse)).toBeLessThan(0.8 * faceCount(fine));
    const size = checkMesh(mesh).sizeMm;
    checkMesh(coarse).sizeMm.forEach((mm, k) => expect(Math.abs(mm - size[k])).toBeLessThan(1));
    // every triangle stays within its own stretch of texture
    expect(fine.uv?.length).toBe(2 * fine.faceVertices.length);
  });

  test('parts keep their borders', async () => {
    const { mesh } = await solid('R', 'flow');
    const few = reduce(mesh, { share: 0.3 }, simplifier);
    expectSound(few);
    expect(new Set(few.region)).toEqual(new Set(mesh.region));
    const fronts = (m: PolygonMesh): number[] =>
      Array.from(m.region).flatMap((row, f) => (m.regions[row].part === 'front' ? [f] : []));
    const depth = checkMesh(mesh).sizeMm[2];
    for (const f of fronts(few))
      for (let c = few.faceStart[f]; c < few.faceStart[f + 1]; c++)
        expect(few.positions[3 * few.faceVertices[c] + 2]).toBe(depth);
  });
});

async function solid(character: string, kind: 'flow' | 'plain', supportMm = 0) {
  const [face] = await shippedFaces(['Zilla Slab']);
  const { outline, em } = outlineOf(face, character);
  const edge = { kind: 'chamfer', inMm: 1, deepMm: 1, steps: 1 } as const;
  const built = buildSection({ depthMm: 12, front: edge, back: edge, step: STEP }).section;
  const size = 2.5 / STEP;
  const section = finerSection(built, { longest: size, support: supportMm / STEP || undefined });
  const options = { layers: sectionLayers(section), capInsets: sectionEnds(section), em, seed: 1 };
  const style =
    kind === 'flow'
      ? ({ kind, size, tolerance: 0.05 / STEP, support: supportMm / STEP } as const)
      : ({ kind } as const);
  return { mesh: lift(facedFlat(outline, options, style).flat, { section, step: STEP, uv: true }), outline, em };
}

test('rounded, the edges of a body go along, but for those that a step before made crisp', async () => {
  const form = {
    kind: 'block',
    widthMm: 100,
    heightMm: 60,
    depthMm: 20,
    edge: 'plain',
    edgeMm: 0,
    taperPercent: 0,
  } as const;
  const rounded: Step = { ...usualStep('subdivide', 's'), times: 2, way: 'rounded', edges: 'round' };
  const volume = async (steps: Step[]): Promise<number> => {
    const project = newProject('p', 'Row', [{ ...newForm('body', 'Slab', form), steps }]);
    const engine = await testEngine();
    return checkMesh(pieceMesh(unwrap(await engine.evaluate(project, 'body', quietContext)))).volumeMm3 / 120_000;
  };
  expect(await volume([rounded])).toBeLessThan(0.5);
  expect(await volume([usualStep('crisp', 'c'), rounded])).toBeCloseTo(1, 9);
  expect(await volume([{ ...rounded, edges: 'stay' }])).toBeCloseTo(1, 9);
});

test('rounded, a letter with support loops keeps its silhouette within the tolerance', async () => {
  const { mesh, outline } = await solid('R', 'flow', 0.4);
  const fine = subdivide(subdivide(mesh, 'rounded'), 'rounded');
  expectSound(fine);
  // all points of the walls lie near the outline
  let most = 0;
  // points over each other are one place of the outline
  const seen = new Set<string>();
  fine.region.forEach((row, f) => {
    if (fine.regions[row].part !== 'outerWall' && fine.regions[row].part !== 'innerWall') return;
    for (let c = fine.faceStart[f]; c < fine.faceStart[f + 1]; c++) {
      const v = 3 * fine.faceVertices[c];
      const place = `${fine.positions[v]} ${fine.positions[v + 1]}`;
      if (seen.has(place)) continue;
      seen.add(place);
      let least = Infinity;
      for (let r = 0; r + 1 < outline.ringStart.length; r++) {
        for (let i = outline.ringStart[r]; i < outline.ringStart[r + 1]; i++) {
          const j = i + 1 < outline.ringStart[r + 1] ? i + 1 : outline.ringStart[r];
          const [ax, ay, bx, by] = [outline.x[i] * STEP, outline.y[i] * STEP, outline.x[j] * STEP, outline.y[j] * STEP];
          const [dx, dy] = [bx - ax, by - ay];
          const t = Math.min(
            1,
            Math.max(0, ((fine.positions[v] - ax) * dx + (fine.positions[v + 1] - ay) * dy) / (dx * dx + dy * dy)),
          );
          least = Math.min(least, Math.hypot(fine.positions[v] - ax - t * dx, fine.positions[v + 1] - ay - t * dy));
        }
      }
      most = Math.max(most, least);
    }
  });
  // the outline's own chords are 0.05 off the curve, and so may be the others
  expect(most).toBeLessThan(0.1);
});

describe('a section made finer', () => {
  const section = buildSection({
    depthMm: 12,
    front: { kind: 'chamfer', inMm: 2, deepMm: 2, steps: 1 },
    back: { kind: 'plain', inMm: 0, deepMm: 0, steps: 1 },
    step: STEP,
  }).section;

  test('no piece is much longer than asked for, and nothing that was there moves', () => {
    const longest = 1.5 / STEP;
    const fine = finerSection(section, { longest });
    for (let i = 0; i + 1 < fine.inset.length; i++)
      expect(Math.hypot(fine.inset[i + 1] - fine.inset[i], fine.z[i + 1] - fine.z[i])).toBeLessThanOrEqual(
        1.51 * longest,
      );
    section.inset.forEach((inset, i) =>
      expect(fine.inset.some((other, k) => other === inset && fine.z[k] === section.z[i])).toBe(true),
    );
  });

  test('support loops lie beside every sharp bend, in front and back too', () => {
    const support = 0.5 / STEP;
    const fine = finerSection(section, { support });
    expect(fine.part[0]).toBe('front');
    expect(fine.inset[0] - fine.inset[1]).toBe(support);
    expect(fine.part[fine.part.length - 1]).toBe('back');
    // besides, pieces get a vertex wherever they pass another's loop
    expect(fine.inset.length).toBeGreaterThanOrEqual(section.inset.length + 2 + 2 * (section.inset.length - 1));
  });

  test('unasked it stays as it is', () => {
    expect(finerSection(section, {})).toEqual(section);
  });
});

describe('steps of a piece', () => {
  const project = (steps: Step[], faceBudget = 100_000): Project => {
    const made = { ...newProject('p', 'R', [newPiece('a', 'Ri', ['R', 'i'])]), faceBudget };
    return unwrap(applyEdit(made, { kind: 'setSteps', pieceId: 'a', steps }));
  };
  const evaluate = async (steps: Step[], faceBudget?: number): Promise<Evaluated> =>
    unwrap(await (await testEngine()).evaluate(project(steps, faceBudget), 'a', quietContext));

  test('go one after the other, and what each left is told', async () => {
    const evaluated = await evaluate([usualStep('triangles', 't'), usualStep('subdivide', 's')]);
    const [one, two] = evaluated.stepFaces;
    expect([one.id, two.id]).toEqual(['t', 's']);
    expect(two.faces).toBe(3 * one.faces);
    expect(checkMesh(pieceMesh(evaluated))).toMatchObject({
      faces: two.faces,
      quads: two.faces,
      closed: true,
      crossingFaces: 0,
    });
  });

  test('one that is off is not taken', async () => {
    const evaluated = await evaluate([{ ...usualStep('subdivide', 's'), on: false }]);
    expect(evaluated.stepFaces).toEqual([]);
    expect(faceCount(pieceMesh(evaluated))).toBe(evaluated.bodyFaces);
  });

  test('one that would go over the budget is left out and told', async () => {
    const evaluated = await evaluate([{ ...usualStep('subdivide', 's'), times: 4 } as Step], 3000);
    expect(evaluated.remarks.map(({ code }) => code)).toContain('STEP_LEFT_OUT');
    expect(faceCount(pieceMesh(evaluated))).toBe(evaluated.bodyFaces);
  });

  test('a count is shared out among the letters', async () => {
    const evaluated = await evaluate([{ ...usualStep('reduce', 'r'), by: 'count', count: 200 } as Step]);
    const faces = faceCount(pieceMesh(evaluated));
    expect(faces).toBeGreaterThan(100);
    expect(faces).toBeLessThan(320);
  });

  test('ids used twice are refused', () => {
    const made = newProject('p', 'R', [newPiece('a', 'R', ['R'])]);
    const twice = applyEdit(made, {
      kind: 'setSteps',
      pieceId: 'a',
      steps: [usualStep('clear', 'x'), usualStep('clear', 'x')],
    });
    expect(twice.ok).toBe(false);
  });
});
