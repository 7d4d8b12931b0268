import { vertexCount } from '../mesh/index.ts';
import { type Step, usualStep } from '../steps/index.ts';
import { quietContext, unwrap, type RunContext } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { applyEdit, newPiece, newProject, type Edit, type Project } from '../document/index.ts';
import { writeMesh, usualWriteOptions } from '../io/index.ts';
import { testEngine } from '../testing/faces.ts';
import { splitGraphemes } from '../text/index.ts';
import { assetsNeeded, display, pieceMesh, roughDisplay, type Engine } from './index.ts';
import { SHIPPED_FONTS } from '@fictile/fonts';

type Values<K extends Edit['kind']> = Extract<Edit, { kind: K }> extends { values: infer V } ? V : never;

function project(text: string, words: Values<'setWords'> = {}, solid: Values<'setSolid'> = {}): Project {
  const start = newProject('p', 'test', [newPiece('a', 'test', splitGraphemes(text))]);
  return [
    { kind: 'setWords', pieceId: 'a', values: words } as const,
    { kind: 'setSolid', pieceId: 'a', values: solid } as const,
  ].reduce((p, edit) => unwrap(applyEdit(p, edit)), start);
}

const edited = (p: Project, edit: Edit): Project => unwrap(applyEdit(p, edit));

let engine: Engine;
beforeEach(async () => {
  engine = await testEngine();
});
const run = async (p: Project) => unwrap(await engine.evaluate(p, 'a', quietContext));
const script = { font: { family: 'Pacifico', weight: 400, italic: false, axes: {} } };

describe('clusters', () => {
  test('changing one letter of 40 builds one cluster; dragging the depth builds none anew', async () => {
    const letters = 'Kiln opening weekend at Saltglaze Row 17 pots';
    let p = project(letters, { tracking: 40 });
    expect((await run(p)).built.wavefronts).toBeGreaterThan(15);
    p = edited(p, { kind: 'spliceWords', pieceId: 'a', at: 20, remove: 1, insert: ['Q'] });
    expect((await run(p)).built).toMatchObject({ wavefronts: 1, lifted: 1 });
    p = edited(p, { kind: 'setSolid', pieceId: 'a', values: { depthMm: 25 } });
    expect((await run(p)).built.wavefronts).toBe(0);
    expect((await run(p)).built).toMatchObject({ wavefronts: 0, lifted: 0 });
  });

  test('equal letters share one mesh', async () => {
    const { clusters } = await run(project('OO'));
    expect(clusters[0].mesh).toBe(clusters[1].mesh);
    expect(clusters[0].x).not.toBe(clusters[1].x);
  });

  test('a joining script is one sound solid whose faces know their letters', async () => {
    const evaluated = await run(project('kiln', script));
    expect(evaluated.clusters).toHaveLength(1);
    const mesh = pieceMesh(evaluated);
    expect(checkMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
    expect(new Set(mesh.regions.map((r) => r.letter))).toEqual(new Set([0, 1, 2, 3]));
  });

  test.each([
    ['z', 5.264569253078662, 3.197883170144632],
    ['^%', 5.632408583653159, 5.8965145109687],
  ])('an outline whose parts all but touch is parted and sound: hollow %s', async (text, wallMm, inMm) => {
    const font = { family: 'Recursive', weight: 400, italic: false, axes: {} };
    const contour = { kind: 'hollow', wallMm, side: 'outside', count: 1, gapMm: 2 } as const;
    const front = { kind: 'bead' as const, inMm, deepMm: 2.4, steps: 3, points: [] };
    const evaluated = await run(project(text, { font, contour, tracking: -20.2 }, { depthMm: 19, front }));
    expect(evaluated.remarks.map(({ code }) => code)).toContain('EDGE_OPENED');
    expect(checkMesh(pieceMesh(evaluated))).toMatchObject({
      closed: true,
      manifold: true,
      outward: true,
      crossingFaces: 0,
    });
  });

  test('apart: shells of their own, and those that cross are named', async () => {
    const evaluated = await run(project('kiln', { ...script, letters: 'apart' }));
    expect(evaluated.clusters).toHaveLength(4);
    expect(evaluated.remarks).toEqual([{ code: 'LETTERS_CROSS', params: { letters: 'k i l n' } }]);
  });
});

describe('what is told instead of an error', () => {
  test.each<[string, Project, string]>([
    ['no words', project(''), 'TEXT_EMPTY'],
    ['only spaces', project('  \n\t '), 'TEXT_EMPTY'],
    ['ten thousand characters', project('kiln '.repeat(2000)), 'TEXT_TOO_LONG'],
    ['more faces than the budget', { ...project('Saltglaze'), faceBudget: 100 }, 'OVER_BUDGET'],
  ])('%s', async (_, p, code) => {
    const evaluated = await run(p);
    expect([evaluated.clusters.length, evaluated.remarks[0].code]).toEqual([0, code]);
  });

  test('missing glyphs, a flat sheet, ridges', async () => {
    expect((await run(project('漢'))).remarks).toEqual([
      { code: 'FONT_STOOD_IN', params: { characters: '漢', font: 'Noto Sans JP Bold' } },
    ]);
    const rune = '\u16a0'; // of a script that no shipped font has
    expect((await run(project(rune))).remarks).toEqual([
      { code: 'GLYPH_MISSING', params: { characters: rune, font: 'Zilla Slab Bold' } },
    ]);
    expect((await run(project('I', {}, { depthMm: 0 }))).remarks.map((r) => r.code)).toContain('FLAT_SHEET');
    const front = { kind: 'chamfer' as const, inMm: 60, deepMm: 5, steps: 1, points: [] };
    expect((await run(project('I', {}, { front }))).remarks).toEqual([
      { code: 'EDGE_MEETS', params: { letters: 'I' } },
    ]);
  });
});

test('unknown fonts and pieces are errors', async () => {
  const font = { family: 'Nobody', weight: 400, italic: false, axes: {} };
  expect(await engine.evaluate(project('x', { font }), 'a', quietContext)).toEqual({
    ok: false,
    error: { code: 'FONT_UNKNOWN', params: { name: 'Nobody' } },
  });
  expect((await engine.evaluate(project('x'), 'nobody', quietContext)).ok).toBe(false);
});

test('a run can be stopped between clusters, and the next one goes on from its caches', async () => {
  let turns = 0;
  const impatient: RunContext = {
    cancelled: () => turns >= 2,
    progress: () => undefined,
    breathe: async () => void turns++,
  };
  const p = project('Saltglaze', { tracking: 100 });
  expect(await engine.evaluate(p, 'a', impatient)).toEqual({ ok: false, error: { code: 'CANCELLED', params: {} } });
  expect((await run(p)).built.wavefronts).toBeLessThan(8);
});

test('the depth’s anchor moves the solid', async () => {
  const z = async (depthAnchor: 'back' | 'middle' | 'front'): Promise<number> =>
    (await run(project('I', { depthAnchor }))).clusters[0].z;
  expect([await z('back'), await z('middle'), await z('front')]).toEqual([0, -9, -18]);
});

test('the same document gives the same bytes, whatever was computed before', async () => {
  const p = project('Kiln & Row', script);
  const bytes = async (): Promise<Uint8Array> =>
    (await writeMesh(pieceMesh(await run(p)), usualWriteOptions('obj', 'x'))).bytes;
  const first = await bytes();
  await run(project('Other words', script));
  engine = await testEngine();
  expect(await bytes()).toEqual(first);
});

test('display buffers hold each point with its normal, each triangle by part, each edge once', async () => {
  const { clusters } = await run(project('L'));
  const { positions, normals, index, groups, edges } = display(clusters[0].mesh);
  const { mesh } = clusters[0];
  expect(positions).toHaveLength(normals.length);
  // walls stand crisply on the front: its vertices are points twice, and no corner is a point of its own
  expect(positions.length / 3).toBeGreaterThan(vertexCount(mesh));
  expect(positions.length / 3).toBeLessThan(mesh.faceVertices.length);
  const drawn = (rows: ArrayLike<number>, of: ArrayLike<number>): Set<string> =>
    new Set(Array.from(of, (i) => [0, 1, 2].map((k) => Math.fround(rows[3 * i + k])).join(' ')));
  expect(drawn(positions, index)).toEqual(drawn(mesh.positions, mesh.faceVertices));
  expect(groups.reduce((sum, g) => sum + g.count, 0)).toBe(index.length);
  expect(edges).toHaveLength(mesh.faceVertices.length);
  for (let i = 0; i < normals.length; i += 3)
    expect(Math.hypot(normals[i], normals[i + 1], normals[i + 2])).toBeCloseTo(1, 5);
});

test('the same faces with other crisp edges are shaded by those, whichever was shown first', async () => {
  const { mesh } = (await run(project('O'))).clusters[0];
  const apart = (sharp: Uint8Array) => ({ ...mesh, sharp, faceVertices: mesh.faceVertices.slice() });
  const all = new Uint8Array(mesh.sharp.length).fill(1);
  const alone = [apart(mesh.sharp), apart(all)].map((one) => display(one).normals);
  expect([mesh, { ...mesh, sharp: all }].map((one) => display(one).normals)).toEqual(alone);
  expect(roughDisplay({ ...mesh, sharp: all }).normals).toEqual(alone[1]);
});

test('the fonts that a document needs', () => {
  expect(assetsNeeded(project('x', script), SHIPPED_FONTS)).toHaveLength(1);
});

test('reducing that can not go as far as it should says how far it went; so far nothing is told', async () => {
  const reduced = async (values: Partial<Extract<Step, { kind: 'reduce' }>>) => {
    const step = { ...usualStep('reduce', 's'), ...values } as Step;
    return run(edited(project('Kiln'), { kind: 'setSteps', pieceId: 'a', steps: [step] }));
  };
  const { remarks } = await reduced({ by: 'count', count: 4 });
  const [short] = remarks.filter((one) => one.code === 'REDUCE_SHORT');
  expect(short.params).toMatchObject({ stepId: 's', asked: 4 });
  const left = await reduced({ by: 'count', count: short.params.left });
  expect(left.remarks).toEqual([]);
  expect(checkMesh(pieceMesh(left))).toMatchObject({ closed: true, crossingFaces: 0 });
  expect((await reduced({ by: 'share', sharePercent: 50 })).remarks).toEqual([]);
});
