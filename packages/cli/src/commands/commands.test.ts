import { jest } from '@jest/globals';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  checkMesh,
  newDrawing,
  newForm,
  newModel,
  newPiece,
  newProject,
  packProject,
  parseProject,
  readBack,
  readObj,
  sha256Hex,
  unwrap,
  usualDrawing,
  usualForms,
  usualFrame,
  usualStep,
  type FormShape,
} from '@fictile/core';
import { fontPath, SHIPPED_FONTS } from '@fictile/fonts';
import { InputFault } from '../messages.ts';
import { bake, batch, check, make, schema } from './index.ts';

let folder: string;
let said: string[];
let remarked: string[];

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fictile-commands-'));
  said = [];
  remarked = [];
  jest.spyOn(process.stdout, 'write').mockImplementation((line) => said.push(String(line)) > 0);
  jest.spyOn(process.stderr, 'write').mockImplementation((line) => remarked.push(String(line)) > 0);
});
afterEach(async () => {
  jest.restoreAllMocks();
  await rm(folder, { recursive: true, force: true });
});

const at = (name: string): string => join(folder, name);
const lastLine = (): Record<string, unknown> => JSON.parse(said[said.length - 1]) as Record<string, unknown>;

async function codeOf(work: () => unknown): Promise<string> {
  try {
    await work();
    return 'done';
  } catch (error) {
    return error instanceof InputFault ? error.code : `threw ${String(error)}`;
  }
}

const project = newProject('p', 'Kiln day', [newPiece('a', 'Title', [...'Kiln']), newPiece('b', 'Foot', [...'Row'])]);

describe('make', () => {
  test('says what it wrote, as a sentence, as JSON, or not at all; remarks go beside', async () => {
    await make(['--text', 'I', '--out', at('a.obj'), '--depth', '0']);
    expect(said.join('')).toMatch(/a\.obj: \d+ faces, /);
    expect(remarked.join('')).toContain('flat sheet');
    await make(['--text', 'I', '--out', at('b.obj'), '--json']);
    expect(lastLine()).toMatchObject({ file: at('b.obj'), remarks: [] });
    const before = said.length;
    await make(['--text', 'I', '--out', at('c.obj'), '--quiet', '--depth', '0']);
    expect([said.length, remarked.length]).toEqual([before, 1]);
  });

  test('a word that belongs to no flag is told', async () => {
    expect(await codeOf(() => make(['Kiln', '--out', at('a.obj')]))).toBe('FLAG_UNKNOWN');
    expect(await readdir(folder)).toEqual([]);
  });
});

describe('drawings and wires', () => {
  const MARK =
    '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="0 0 100 100"><rect width="100" height="50" ' +
    'fill="#b45f3c"/><text>Row</text></svg>';
  const svg = ['--svg', '', '--out', ''];
  beforeEach(async () => {
    await writeFile(at('mark.svg'), MARK);
    svg[1] = at('mark.svg');
    svg[3] = at('mark.obj');
  });
  const sizeOf = async (...more: string[]): Promise<string> => {
    await make([...svg, ...more, '--json']);
    await check([at('mark.obj')]);
    return /([\d.]+ x [\d.]+ x [\d.]+)/.exec(said.join(''))?.[1] ?? '';
  };

  test('a drawing keeps its own size, and what was left out is told', async () => {
    expect(await sizeOf()).toBe('100 x 50 x 18');
    expect(remarked.join('')).toContain('Text is no outline');
  });

  test.each([
    [['--fit-width', '40'], '40 x 20 x 18'],
    [['--fit-height', '5cm'], '100 x 50 x 18'],
    [['--fit-width', '40', '--fit-height', '10'], '20 x 10 x 18'],
    [['--wire', '4', '--wire-sides', '7'], '104 x 54 x 4'],
  ])('%j is %s', async (more, size) => expect(await sizeOf(...more)).toBe(size));

  test.each([
    ['words beside it', ['--text', 'Kiln'], 'FLAG_VALUE'],
    ['what is for words alone', ['--font', 'Rye'], 'FLAG_VALUE'],
    ['two contours', ['--wire', '3', '--outline', '2'], 'FLAG_VALUE'],
  ])('%s', async (_, more, code) => {
    expect(await codeOf(() => make([...svg, ...more]))).toBe(code);
    expect(await readdir(folder)).toEqual(['mark.svg']);
  });

  test.each([
    ['a drawing that is not there', '', 'FILE_UNREADABLE'],
    ['no drawing', 'Kiln', 'DRAWING_BROKEN'],
    ['nothing but text', '<svg xmlns="http://www.w3.org/2000/svg"><text>Row</text></svg>', 'DRAWING_EMPTY'],
  ])('%s', async (_, text, code) => {
    if (text === '') await rm(at('mark.svg'));
    else await writeFile(at('mark.svg'), text);
    expect(await codeOf(() => make(svg))).toBe(code);
  });

  test('a drawing in a saved project takes no words', async () => {
    const shape = { kind: 'ellipse', widthMm: 9, heightMm: 9 } as const;
    const withDrawing = newProject('p', 'p', [newDrawing('a', 'Mark', usualDrawing(shape))]);
    await writeFile(at('p.json'), JSON.stringify(withDrawing));
    await writeFile(at('w.csv'), 'Kiln\n');
    expect(await codeOf(() => bake([at('p.json'), '--words', at('w.csv'), '--out-dir', at('o')]))).toBe(
      'PIECE_UNKNOWN',
    );
    await bake([at('p.json'), '--out', at('a.obj')]);
    expect((await readdir(folder)).includes('a.obj')).toBe(true);
  });
});

test('a project’s file brings its fonts along', async () => {
  const bytes = new Uint8Array(await readFile(fontPath(SHIPPED_FONTS[0].styles[0].hash) ?? ''));
  const hash = sha256Hex(bytes);
  const piece = newPiece('a', 'Title', [...'Kiln']);
  const font = { family: `${SHIPPED_FONTS[0].family} (brought in)`, weight: 400, italic: false, axes: {} };
  const own = newProject('p', 'p', [{ ...piece, source: { ...piece.source, font } }]);
  await writeFile(at('p.fictile'), packProject({ project: own, assets: new Map([[hash, bytes]]) }));
  await bake([at('p.fictile'), '--out', at('a.obj')]);
  await writeFile(at('p.fictile'), packProject({ project: own, assets: new Map() }));
  expect(await codeOf(() => bake([at('p.fictile'), '--out', at('b.obj')]))).toBe('FONT_UNKNOWN');
  expect((await readdir(folder)).sort()).toEqual(['a.obj', 'p.fictile']);
});

test('a project’s file brings its models along', async () => {
  const form = newProject('p', 'p', [newForm('b', 'Ball', { kind: 'ball', radiusMm: 60 })]);
  await writeFile(at('form.json'), JSON.stringify(form));
  await bake([at('form.json'), '--out', at('ball.obj')]);
  const bytes = new Uint8Array(await readFile(at('ball.obj')));
  const asset = sha256Hex(bytes);
  const model = newModel('b', 'Ball', { ...usualFrame('obj'), asset });
  const words = {
    ...newPiece('a', 'Title', [...'Row']),
    steps: [{ ...usualStep('onto', 'o'), target: 'b', fromMm: [0, 60, 200] as [number, number, number] }],
  };
  const own = newProject('p', 'p', [words, model]);
  await writeFile(at('p.fictile'), packProject({ project: own, assets: new Map([[asset, bytes]]) }));
  await bake([at('p.fictile'), '--piece', 'Title', '--out', at('a.obj')]);
  expect(checkMesh(unwrap(readObj(new Uint8Array(await readFile(at('a.obj'))))))).toMatchObject({
    closed: true,
    crossingFaces: 0,
  });
  await writeFile(at('p.fictile'), packProject({ project: own, assets: new Map() }));
  expect(await codeOf(() => bake([at('p.fictile'), '--piece', 'Title', '--out', at('b.obj')]))).toBe('MODEL_UNKNOWN');
});

describe('into a model', () => {
  const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0, shells: 1 };
  const body = async (name: string, form: FormShape): Promise<string> => {
    const made = newForm('b', name, form);
    const drawn = newProject('p', 'p', [
      { ...made, body: { ...made.body, faces: { ...made.body.faces, toleranceMm: 0.3 } } },
    ]);
    await writeFile(at(`${name}.json`), JSON.stringify(drawn));
    await bake([at(`${name}.json`), '--out', at(`${name}.obj`)]);
    return at(`${name}.obj`);
  };
  const made = async (...flags: string[]): Promise<ReturnType<typeof checkMesh>> => {
    await make(['--out', at('made.obj'), '--size', '18mm', '--anchor', 'middle', '--align', 'center', ...flags]);
    return checkMesh(unwrap(readObj(new Uint8Array(await readFile(at('made.obj'))))));
  };

  test('the long walk: bent, laid round, engraved; retyped, in another font, in another body', async () => {
    const { jug, ball } = usualForms();
    const walk = (file: string, ...more: string[]): Promise<ReturnType<typeof checkMesh>> =>
      made(
        '--tolerance',
        '0.2',
        '--bend',
        '12',
        '--onto',
        file,
        '--with',
        file,
        '--from',
        '0,100,300',
        '--toward',
        '0,0,-1',
        '--depth',
        '2',
        '--sink',
        '1.5',
        '--soften',
        '0.4',
        ...more,
      );
    const first = await body('jug', jug);
    expect(await walk(first, '--text', 'Row')).toMatchObject(SOUND);
    expect(await walk(first, '--text', 'Rows', '--font', 'Bodoni Moda')).toMatchObject(SOUND);
    expect(await walk(await body('ball', ball), '--text', 'Rows')).toMatchObject(SOUND);
  });

  test('only the letters that are picked follow a ball; the others lie flat before it', async () => {
    const file = await body('round', { kind: 'ball', radiusMm: 30 });
    const deep = async (...more: string[]): Promise<number> => {
      const report = await made(
        '--text',
        'III',
        '--tracking',
        '400',
        '--depth',
        '2',
        '--tolerance',
        '0.2',
        '--onto',
        file,
        ...more,
      );
      expect(report).toMatchObject({ ...SOUND, shells: 3 });
      return report.sizeMm[2];
    };
    const [all, outer, middle] = [await deep(), await deep('--onto-letters', '1,3'), await deep('--onto-letters', '2')];
    expect(Math.abs(outer - all)).toBeLessThan(0.2);
    expect(middle).toBeLessThan(all - 2);
  });

  test('flat on a side: as deep as --sink, as high as --depth, through, and drawn into the faces', async () => {
    const slab: FormShape = {
      kind: 'block',
      widthMm: 80,
      heightMm: 40,
      depthMm: 10,
      edge: 'plain',
      edgeMm: 0,
      taperPercent: 0,
    };
    const file = await body('slab', slab);
    const cut = (...more: string[]): Promise<ReturnType<typeof checkMesh>> =>
      made('--text', 'LI', '--with', file, '--edge', 'plain', ...more);
    const [engraved, raised, imprinted] = [
      await cut('--sink', '3'),
      await cut('--operation', 'raise', '--depth', '2'),
      await cut('--operation', 'imprint', '--depth', '0'),
    ];
    for (const one of [engraved, raised, imprinted]) expect(one).toMatchObject(SOUND);
    expect(raised.sizeMm[2]).toBeCloseTo(12, 9);
    expect(imprinted.volumeMm3).toBeCloseTo(32_000, 6);
    const through = await cut('--operation', 'through', '--place', '-z', '--loose', 'drop');
    expect((32_000 - engraved.volumeMm3) / 3).toBeCloseTo((32_000 - through.volumeMm3) / 10, 3);
    const ringed = await cut('--sink', '3', '--quads-beside', '0.5');
    expect(ringed).toMatchObject({ ...SOUND, volumeMm3: expect.closeTo(engraved.volumeMm3, 4) });
    expect(ringed.quads).toBeGreaterThan(engraved.quads + 16);
    expect(await codeOf(() => cut('--place', '500,0,0', '--normal', '0,0,1'))).toBe('CUT_APART');
    expect(await codeOf(() => cut('--lean', '5'))).toBe('FLAG_VALUE');
    expect(await codeOf(() => made('--text', 'I', '--sink', '3'))).toBe('FLAG_VALUE');
  });

  test('an open model is refused in words, and closed on request', async () => {
    await writeFile(
      at('open.obj'),
      'v 0 0 0\nv 40 0 0\nv 40 40 0\nv 0 40 0\nv 0 0 9\nv 40 0 9\nv 40 40 9\nv 0 40 9\nf 5 6 7 8\nf 1 2 6 5\nf 2 ' +
        '3 7 6\nf 3 4 8 7\nf 4 1 5 8\n',
    );
    const flags = ['--text', 'I', '--with', at('open.obj'), '--sink', '1'];
    expect(await codeOf(() => made(...flags))).toBe('CUT_LEFT_OUT');
    expect(await made(...flags, '--close-holes')).toMatchObject(SOUND);
  });
});

describe('bake', () => {
  beforeEach(() => writeFile(at('project.json'), JSON.stringify(project)));

  test('writes the piece that is asked for, with the bytes that make gives', async () => {
    await bake([at('project.json'), '--piece', 'Title', '--out', at('baked.obj')]);
    await make(['--text', 'Kiln', '--out', at('made.obj')]);
    expect(await readFile(at('baked.obj'))).toEqual(await readFile(at('made.obj')));
  });

  test('writes all pieces that are seen into one file, by the names that people gave them', async () => {
    const hidden = { ...newPiece('c', 'Hidden', [...'No']), visible: false };
    const named = newProject('p', 'Kiln day', [...Object.values(project.pieces), hidden]);
    await writeFile(at('three.json'), JSON.stringify(named));
    await bake([at('three.json'), '--out', at('all.glb')]);
    const { names, mesh } = unwrap(await readBack(await readFile(at('all.glb')), 'glb'));
    expect(names).toEqual(['Title', 'Foot']);
    expect(checkMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true });
    await writeFile(at('w.csv'), 'Tea\n');
    expect(await codeOf(() => bake([at('three.json'), '--words', at('w.csv'), '--out-dir', at('o')]))).toBe(
      'PIECE_UNKNOWN',
    );
    const one = newProject('p', 'One', [newPiece('a', 'Title', [...'Kiln']), newForm('b', 'Slab', usualForms().block)]);
    await writeFile(at('one.json'), JSON.stringify(one));
    await bake([at('one.json'), '--words', at('w.csv'), '--out-dir', at('o'), '--format', 'glb']);
    expect(unwrap(await readBack(await readFile(at('o/1-Tea.glb')), 'glb')).names).toEqual(['Title', 'Slab']);
  });

  test.each([
    ['a piece that is not there', ['--piece', 'Lid'], 'PIECE_UNKNOWN'],
    ['a flag of another command', ['--piece', 'Title', '--depth', '3'], 'FLAG_UNKNOWN'],
  ])('%s', async (_, more, code) => {
    expect(await codeOf(() => bake([at('project.json'), '--out', at('x.obj'), ...more]))).toBe(code);
    expect(await readdir(folder)).toEqual(['project.json']);
  });

  test.each([
    ['no JSON', '{', 'PROJECT_BROKEN'],
    ['another document', '{"schemaVersion":1}', 'PROJECT_BROKEN'],
    ['one of a later version', JSON.stringify({ ...project, schemaVersion: 999 }), 'PROJECT_NEWER'],
  ])('%s', async (_, text, code) => {
    await writeFile(at('project.json'), text);
    expect(await codeOf(() => bake([at('project.json'), '--out', at('x.obj')]))).toBe(code);
  });

  test('a table of words gives a file a row, in the piece’s own recipe', async () => {
    await writeFile(at('words.csv'), '\ufeffKiln,first\n"Salt\nglaze"\n\n"say ""Row"""\n');
    await bake([at('project.json'), '--piece', 'Title', '--words', at('words.csv'), '--out-dir', at('out'), '--json']);
    expect(await readdir(at('out'))).toEqual(['1-Kiln.obj', '2-Salt-glaze.obj', '3-say-Row.obj']);
    expect(said).toHaveLength(3);
    await make(['--text', 'Salt\\nglaze', '--out', at('made.obj')]);
    expect(await readFile(join(at('out'), '2-Salt-glaze.obj'))).toEqual(await readFile(at('made.obj')));
  });

  test.each([
    ['no folder', [], 'FLAG_MISSING'],
    ['another ending', ['--out-dir', 'x', '--format', 'doc'], 'FORMAT_UNKNOWN'],
    ['no words in it', ['--out-dir', 'x'], 'TABLE_BROKEN'],
  ])('a table with %s', async (_, more, code) => {
    await writeFile(at('words.csv'), ' ,a\n,b\n');
    const row = [at('project.json'), '--piece', 'Title', '--words', at('words.csv'), ...more];
    expect(await codeOf(() => bake(row))).toBe(code);
  });

  test('a file that is not there', async () => {
    expect(await codeOf(() => bake([at('none.json'), '--out', at('x.obj')]))).toBe('FILE_UNREADABLE');
  });
});

test('batch answers every line in order, and a bad one stops nothing', async () => {
  const lines = [{ text: 'I', out: 'a.obj' }, { text: 'I', out: 'b.doc' }, 'broken', { text: 'L', out: 'deep/c.stl' }];
  const cases = lines.map((line) => (typeof line === 'string' ? line : JSON.stringify(line))).join('\n');
  await writeFile(at('cases.jsonl'), `${cases}\n\n`);
  await batch([at('cases.jsonl'), '--out-dir', at('out')]);
  const answers = said.map((line) => JSON.parse(line) as { case: number; ok: boolean; code?: string });
  expect(answers.map(({ case: number, ok, code }) => [number, ok, code])).toEqual([
    [1, true, undefined],
    [2, false, 'FORMAT_UNKNOWN'],
    [3, false, 'CASE_BROKEN'],
    [4, true, undefined],
  ]);
  expect((await readdir(at('out'), { recursive: true })).sort()).toEqual(['a.obj', 'deep', 'deep/c.stl']);
});

test('a file that can not be written is told, and nothing of it is left', async () => {
  await writeFile(at('taken'), '');
  expect(await codeOf(() => make(['--text', 'I', '--out', at('taken/a.obj'), '--quiet']))).toBe('FILE_UNWRITABLE');
  expect(await readdir(at('.'))).toEqual(['taken']);
});

test.each([
  [['--out-dir', 'x'], 'FLAG_MISSING'],
  [['cases.jsonl'], 'FLAG_MISSING'],
  [['cases.jsonl', '--out-dir', 'x', '--jobs', 'many'], 'FLAG_VALUE'],
  [['nowhere.jsonl', '--out-dir', 'x'], 'FILE_UNREADABLE'],
])('batch %j is %s', async (row, code) => expect(await codeOf(() => batch(row))).toBe(code));

describe('check', () => {
  test('judges good and bad meshes alike without failing', async () => {
    await make(['--text', 'I', '--out', at('a.stl'), '--quiet']);
    await check([at('a.stl'), '--json']);
    expect(lastLine()).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
    const { sizeMm } = lastLine() as { sizeMm: number[] };
    await make(['--text', 'I', '--out', at('a.glb'), '--quiet']);
    await check([at('a.glb'), '--json']);
    // a GLB counts in metres
    for (const [k, size] of (lastLine() as { sizeMm: number[] }).sizeMm.entries())
      expect(size).toBeCloseTo(sizeMm[[0, 2, 1][k]], 3);
    await writeFile(at('open.obj'), 'v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n');
    await check([at('open.obj')]);
    expect(said.join('')).toContain('closed NO');
  });

  test('levels of detail in files of their own, or in one whose levels are judged one by one', async () => {
    const levels = ['--text', 'O', '--levels', '3', '--quiet'];
    await make([...levels, '--out', at('o.glb')]);
    const faces: number[] = [];
    for (const name of ['o.glb', 'o_LOD1.glb', 'o_LOD2.glb']) {
      await check([at(name), '--json']);
      expect(lastLine()).toMatchObject({ closed: true, crossingFaces: 0 });
      faces.push((lastLine() as { faces: number }).faces);
    }
    expect([...faces].sort((a, b) => b - a)).toEqual(faces);
    for (const as of ['objects', 'linked']) {
      await make([...levels, '--levels-as', as, '--out', at('all.glb')]);
      await check([at('all.glb'), '--json']);
      const sound = faces.map((count) => expect.objectContaining({ faces: count, closed: true, crossingFaces: 0 }));
      expect(lastLine()).toEqual(sound[0]);
      expect(lastLine()).toMatchObject({ coarserLevels: sound.slice(1) });
    }
    expect(await codeOf(() => make([...levels, '--levels-as', 'linked', '--out', at('o.obj')]))).toBe('FLAG_VALUE');
  });

  test.each([
    ['a.obj', 'hello', 'MESH_BROKEN'],
    ['a.stl', 'solid text', 'MESH_BROKEN'],
    ['a.doc', 'hello', 'FORMAT_UNKNOWN'],
  ])('%s holding "%s" cannot be read', async (name, text, code) => {
    await writeFile(at(name), text);
    expect(await codeOf(() => check([at(name)]))).toBe(code);
  });
});

test('schema prints a JSON Schema of a document, of a case, and of nothing else', async () => {
  schema(['project']);
  const printed = lastLine() as { required: string[] };
  expect(parseProject(project).ok).toBe(true);
  expect(Object.keys(project).sort()).toEqual([...printed.required].sort());
  schema(['case']);
  const aCase = lastLine() as { properties: { reduce: { anyOf: { pattern?: string }[] } } };
  expect(aCase).toMatchObject({ required: ['out'], anyOf: [{ required: ['text'] }, { required: ['svg'] }] });
  expect('0.2mm').toMatch(new RegExp(aCase.properties.reduce.anyOf[1].pattern ?? 'no pattern'));
  expect(await codeOf(() => schema(['soup']))).toBe('COMMAND_UNKNOWN');
});
