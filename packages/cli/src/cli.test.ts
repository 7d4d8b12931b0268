import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkMesh, readObj, unwrap, type MeshFormat, type PolygonMesh } from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import { parseArguments } from './arguments.ts';
import { flagsOf, isSwitch, readFlag } from './flags.ts';
import { stepsOf } from './stepsOf.ts';
import { buildCase } from './makeCase.ts';
import { refuseMeaningless } from './meaning.ts';
import { wordsCase } from './wordsCase.ts';
import { InputFault } from './messages.ts';
import { writeWhole } from './output.ts';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fictile-cli-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const codeOf = async (work: () => unknown): Promise<string> => {
  try {
    await work();
    return 'done';
  } catch (error) {
    return error instanceof InputFault ? error.code : `threw ${String(error)}`;
  }
};

describe('arguments', () => {
  test('values, equals signs, switches', () => {
    expect(parseArguments(['a', '--size', '-3', '--text=x=y', '--weld', 'b'], isSwitch)).toEqual({
      positional: ['a', 'b'],
      flags: { size: '-3', text: 'x=y', weld: true },
    });
  });

  test.each([[['--size']], [['--size', '1', '--size', '2']]])('%j is refused', async (row) => {
    expect(await codeOf(() => parseArguments(row, isSwitch))).toBe('FLAG_VALUE');
  });
});

describe('flags', () => {
  test('lengths, numbers and choices are read', () => {
    expect([readFlag('depth', '1.8cm'), readFlag('tracking', '-10'), readFlag('edge', 'round')]).toEqual([
      18,
      -10,
      'round',
    ]);
    expect(flagsOf({ edgeIn: 2, backEdge: 'same', weld: true })).toEqual({
      'edge-in': 2,
      'back-edge': 'same',
      weld: true,
    });
  });

  test.each<[string, string | number | boolean, string]>([
    ['watermark', 'on', 'FLAG_UNKNOWN'],
    ['operation', 'melt', 'FLAG_VALUE'],
    ['method', 'glue', 'FLAG_VALUE'],
    ['bend-axis', 'up', 'FLAG_VALUE'],
    ['bend-center', '1,2', 'FLAG_VALUE'],
    ['repeat', '0', 'FLAG_VALUE'],
    ['constructor', '1', 'FLAG_UNKNOWN'],
    ['size', '0', 'FLAG_VALUE'],
    ['depth', '-1mm', 'FLAG_VALUE'],
    ['depth', 'NaN', 'FLAG_VALUE'],
    ['tracking', '', 'FLAG_VALUE'],
    ['edge-steps', '2.5', 'FLAG_VALUE'],
    ['edge', 'zigzag', 'FLAG_VALUE'],
    ['weld', 'yes', 'FLAG_VALUE'],
    ['faces', 'waves', 'FLAG_VALUE'],
    ['face-size', 'big', 'FLAG_VALUE'],
    ['face-size', '0', 'FLAG_VALUE'],
    ['bands', '0', 'FLAG_VALUE'],
    ['reduce', '101%', 'FLAG_VALUE'],
    ['reduce', '2', 'FLAG_VALUE'],
    ['reduce', '', 'FLAG_VALUE'],
    ['reduce', '-1mm', 'FLAG_VALUE'],
    ['uv', 'unrolled', 'FLAG_VALUE'],
    ['levels', 9, 'FLAG_VALUE'],
    ['subdivide', '5', 'FLAG_VALUE'],
  ])('--%s %s is %s', async (name, raw, code) => {
    expect(await codeOf(() => readFlag(name, raw))).toBe(code);
  });
});

describe('shapes', () => {
  const stepsOf = async (flags: Record<string, string | number | boolean>): Promise<object[]> => {
    const { edits } = await wordsCase(flagsOf({ text: 'Ri', out: 'x.obj', ...flags }), 'Zilla Slab');
    return edits.flatMap((edit) => (edit.kind === 'setSteps' ? edit.steps : []));
  };

  test('copies come first, then changes along the words, waves, noise, bends, the line; faces after all', async () => {
    const flags = {
      subdivide: 1,
      bend: 90,
      noise: '2mm',
      noiseOutward: true,
      wave: 3,
      taperAlong: 20,
      twistAlong: 45,
      repeat: 3,
      repeatGap: '1cm',
    };
    expect(await stepsOf(flags)).toMatchObject([
      { kind: 'repeat', count: 3, gapMm: 10 },
      { kind: 'twist', angleDegrees: 45 },
      { kind: 'taper', percent: 20 },
      { kind: 'wave', heightMm: 3 },
      { kind: 'noise', heightMm: 2, moves: 'outward', outwardOnly: true },
      { kind: 'bend', angleDegrees: 90, axis: 'y', whole: true, middle: false, centreMm: [0, 0, 0], keeps: 'centre' },
      { kind: 'subdivide' },
    ]);
  });

  test('a bend has its limits and its centre', async () => {
    const flags = { bend: -30, bendAxis: 'x', bendFrom: '-1cm', bendTo: 40, bendCenter: '0,20mm,-5' };
    expect(await stepsOf(flags)).toMatchObject([
      { angleDegrees: -30, axis: 'x', whole: false, fromMm: -10, toMm: 40, centreMm: [0, 20, -5] },
    ]);
  });

  test('a bend with one limit is refused', async () => {
    expect(await codeOf(() => stepsOf({ bend: 20, bendFrom: 0 }))).toBe('FLAG_VALUE');
  });
});

describe('flags that say nothing', () => {
  const refused = (record: Record<string, string | number | boolean>, format: MeshFormat): string => {
    try {
      refuseMeaningless(flagsOf(record), format);
      return '';
    } catch (error) {
      return (error as Error).message;
    }
  };

  test.each<[Record<string, string | number | boolean>, MeshFormat, string[]]>([
    [{ bendAxis: 'x' }, 'obj', ['--bend-axis', '--bend']],
    [{ repeatGap: 4 }, 'obj', ['--repeat-gap', '--repeat']],
    [{ waveLength: 40 }, 'obj', ['--wave-length', '--wave']],
    [{ bands: 8 }, 'obj', ['--bands', '--faces bands']],
    [{ bands: 8, faces: 'grid' }, 'obj', ['--bands', '--faces bands']],
    [{ faceSize: 4 }, 'obj', ['--face-size', '--faces grid or flow']],
    [{ wireSides: 8 }, 'obj', ['--wire-sides', '--wire']],
    [{ subdivideKind: 'rounded' }, 'obj', ['--subdivide-kind', '--subdivide']],
    [{ swellCurve: 'round' }, 'obj', ['--swell-curve', '--swell or --swell-back']],
    [{ sink: 2 }, 'obj', ['--sink', '--with']],
    [{ lean: 2, with: 'x.obj', operation: 'engrave' }, 'obj', ['--lean', '--operation raise or imprint']],
    [{ softenSteps: 2, with: 'x.obj' }, 'obj', ['--soften-steps', '--soften']],
    [{ inUp: 'z' }, 'obj', ['--in-up', '--onto or --with']],
    [{ outUnit: 'cm' }, 'glb', ['--out-unit', '.glb', '.stl']],
    [{ outUp: 'z' }, 'glb', ['--out-up', '.glb']],
    [{ nodes: 'letters' }, 'obj', ['--nodes', '.obj', '.glb']],
    [{ uv: 'words' }, 'stl', ['--uv', '.stl', '.obj or .glb']],
    [{ uv: 'packed', uvTile: 20 }, 'glb', ['--uv-tile', '--uv words or letters']],
    [{ levelsAs: 'files' }, 'glb', ['--levels-as', '--levels']],
  ])('%j into .%s names both', (record, format, names) => {
    for (const name of names) expect(refused(record, format)).toContain(name);
  });

  test.each<[Record<string, string | number | boolean>, MeshFormat]>([
    [{ faces: 'bands', bands: 8, bandsAxis: 'y' }, 'stl'],
    [{ swellBack: 2, swellCurve: 'round' }, 'stl'],
    [{ outUnit: 'cm', outUp: 'z' }, 'ply'],
    [{ uv: 'none', nodes: 'one', levels: 1 }, 'stl'],
    [{ up: '0,1,0', with: 'x.obj' }, 'glb'],
  ])('%j into .%s is taken', (record, format) => expect(refused(record, format)).toBe(''));
});

describe('onto a model', () => {
  // a slab a metre behind zero in a file that counts metres, its upright axis z: front to -y
  const SLAB = [
    [-1, 1, 0],
    [1, 1, 0],
    [1, 1.1, 0],
    [-1, 1.1, 0],
    [-1, 1, 1],
    [1, 1, 1],
    [1, 1.1, 1],
    [-1, 1.1, 1],
  ];
  const SIDES = ['1 4 3 2', '5 6 7 8', '1 2 6 5', '4 8 7 3', '1 5 8 4', '2 3 7 6'];
  const madeOn = async (flags: Record<string, unknown>): Promise<PolygonMesh> => {
    const onto = join(folder, 'slab.obj');
    await writeFile(onto, [...SLAB.map((p) => `v ${p.join(' ')}`), ...SIDES.map((f) => `f ${f}`)].join('\n'));
    const rest = { text: 'Row', size: 100, depth: 20, anchor: 'middle', out: 'x.obj', onto, inUnit: 'm', inUp: 'z' };
    const {
      files: [{ bytes }],
    } = await buildCase(flagsOf({ ...rest, ...flags }), await loadKernels());
    return unwrap(readObj(bytes));
  };
  test.each(['wrap', 'project', 'nearest'])(
    '%s: coordinates and axes are those of the model’s file',
    async (method) => {
      const mesh = await madeOn({ method, from: '0.2,0.95,0.5', toward: '0,1,0' });
      expect(checkMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
      const part = (k: number): number[] => [...mesh.positions].filter((_, i) => i % 3 === k);
      // raised by 20 mm to -y from where y is 1 m, a hair of it in the slab; upright along z, about the middle of its
      // front
      expect([Math.min(...part(1)), Math.max(...part(1))]).toEqual([expect.closeTo(0.98, 6), expect.closeTo(1, 3)]);
      expect([Math.min(...part(2)), Math.max(...part(2))]).toEqual([expect.closeTo(0.45, 1), expect.closeTo(0.55, 1)]);
      expect((Math.min(...part(0)) + Math.max(...part(0))) / 2).toBeCloseTo(0.2, 1);
    },
  );

  test('along a line drawn up the slab letters run up it', async () => {
    const mesh = await madeOn({ guideThrough: '-0.5,1,0.2; 0,1,0.5; 0.5,1,0.8', from: '0,0.95,0.5', toward: '0,1,0' });
    expect(checkMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
    const part = (k: number): number[] => [...mesh.positions].filter((_, i) => i % 3 === k);
    const size = (k: number): number => Math.max(...part(k)) - Math.min(...part(k));
    // 0.22 m of words, 0.1 m high, turned by 31 degrees
    expect(size(2)).toBeGreaterThan(0.17);
    expect(size(0)).toBeLessThan(0.28);
    expect(await codeOf(() => madeOn({ guide: 'drawn' }))).toBe('FLAG_VALUE');
    expect(await codeOf(() => madeOn({ guideThrough: '0,1,0' }))).toBe('FLAG_VALUE');
    expect(await codeOf(() => madeOn({ guideThrough: '0,1,0; 1,1' }))).toBe('FLAG_VALUE');
  });

  test('what misses, what says nothing alone and what is no direction are errors', async () => {
    expect(await codeOf(() => madeOn({ from: '9,0,9', toward: '0,1,0' }))).toBe('ONTO_MISSES');
    expect(await codeOf(() => madeOn({ toward: '0,0,0' }))).toBe('FLAG_VALUE');
    expect(await codeOf(() => madeOn({ from: '1,2' }))).toBe('FLAG_VALUE');
    expect(await codeOf(() => buildLoose({ lift: 2 }))).toBe('FLAG_VALUE');
    expect(await codeOf(() => buildLoose({ ontoLetters: '1' }))).toBe('FLAG_VALUE');
    for (const ontoLetters of ['0', '4', '3-1', 'R', '1,,2'])
      expect(await codeOf(() => madeOn({ ontoLetters }))).toBe('FLAG_VALUE');
    await writeFile(join(folder, 'no.obj'), 'v 1 2 3');
    expect(await codeOf(() => buildLoose({ onto: join(folder, 'no.obj') }))).toBe('MESH_BROKEN');
  });

  const buildLoose = async (flags: Record<string, unknown>): Promise<unknown> =>
    buildCase(flagsOf({ text: 'Row', out: 'x.obj', ...flags }), await loadKernels());
});

describe('faces', () => {
  const madeWith = async (flags: Record<string, unknown>): Promise<ReturnType<typeof checkMesh>> => {
    const kernels = await loadKernels();
    const {
      files: [{ bytes }],
    } = await buildCase(flagsOf({ text: 'Ri', out: 'x.obj', ...flags }), kernels);
    return checkMesh(unwrap(readObj(bytes)));
  };
  const sound = { closed: true, manifold: true, outward: true, crossingFaces: 0 };

  test.each([
    [{ faces: 'flow', faceSize: '3mm' }],
    [{ faces: 'flow', faceSize: 'auto', support: 0.4 }],
    [{ faces: 'grid', faceSize: 4 }],
    [{ faces: 'bands', bands: 6, bandsAxis: 'y' }],
    [{ faces: 'flow', subdivide: 1, subdivideKind: 'rounded' }],
  ])('%j', async (flags) => {
    expect(await madeWith(flags)).toMatchObject(sound);
  });

  test('reduced by a share and to a count', async () => {
    const whole = await madeWith({ triangles: true });
    const half = await madeWith({ reduce: '50%' });
    const few = await madeWith({ reduce: 150 });
    expect([half, few]).toEqual([expect.objectContaining(sound), expect.objectContaining(sound)]);
    expect(half.faces).toBeLessThan(0.65 * whole.faces);
    expect(few.faces).toBeLessThan(220);
  });

  test.each([
    ['50%', { by: 'share', sharePercent: 50 }],
    ['800', { by: 'count', count: 800 }],
    ['0.2mm', { by: 'error', errorMm: 0.2 }],
  ])('a reduction by %s', async (reduce, values) => {
    expect(await stepsOf(flagsOf({ reduce }), 'faces')).toEqual([expect.objectContaining(values)]);
  });
});

describe('make', () => {
  test('writes a sound solid and nothing else', async () => {
    const out = join(folder, 'deep', 'kiln.obj');
    const flags = flagsOf({
      text: 'Ki\\nln',
      out,
      size: '72mm',
      depth: '18mm',
      edge: 'round',
      edgeIn: '2mm',
      edgeDeep: '2mm',
      edgeSteps: 4,
    });
    const {
      files: [{ bytes }],
      result,
    } = await buildCase(flags, await loadKernels());
    await writeWhole(out, bytes);
    const report = checkMesh(unwrap(readObj(await readFile(out))));
    expect(report).toMatchObject({
      closed: true,
      manifold: true,
      outward: true,
      crossingFaces: 0,
      faces: result.faces,
      quads: result.quads,
    });
    expect(await readdir(join(folder, 'deep'))).toEqual(['kiln.obj']);
  });

  test('words are fitted, leant and set round a circle, and other fonts stand in for what one lacks', async () => {
    const report = async (fields: Record<string, unknown>) => {
      const {
        files: [{ bytes }],
        result,
      } = await buildCase(flagsOf({ out: 'x.obj', depth: 0, ...fields }), await loadKernels());
      const { sizeMm } = checkMesh(unwrap(readObj(bytes)));
      return { size: sizeMm, remarks: result.remarks.map((r) => r.code) };
    };
    const fitted = await report({ text: 'Kiln', fitWidth: '30cm', slant: 12, widthScale: 80 });
    expect(fitted.size[0]).toBeCloseTo(300, 1);
    expect((await report({ text: 'Kiln', fitWidth: 300, fitHeight: 20 })).size[1]).toBeCloseTo(20, 1);
    expect((await report({ text: 'I', around: '10cm', aroundSide: 'center' })).remarks).toEqual(['FLAT_SHEET']);
    expect((await report({ text: 'К', font: 'Zilla Slab' })).remarks).toContain('FONT_STOOD_IN');
    expect((await report({ text: 'I', outline: '40mm' })).remarks).toContain('WALL_FILLS');
    const widths = [];
    for (const axis of ['wght=300', 'wght=1000'])
      widths.push((await report({ text: 'l', font: 'Recursive', axis })).size[0]);
    expect(widths[1]).toBeGreaterThan(widths[0]);
  });

  test('a drawn edge from a file, on a body that swells, twists and narrows', async () => {
    const section = join(folder, 'lip.json');
    await writeFile(section, JSON.stringify({ points: [{ in: -0.3, down: 0.5, smooth: true }] }));
    const flags = flagsOf({
      ...{ text: 'I', depth: 20, edge: section, edgeIn: 3, edgeDeep: 6, backEdge: 'same', out: 'a.obj' },
      ...{ swell: 2, twist: 30, taper: 20, shear: '2mm,1mm', corners: 'round', embolden: 1 },
    });
    const {
      files: [{ bytes }],
      result,
    } = await buildCase(flags, await loadKernels());
    expect(result.remarks).toEqual([]);
    const report = checkMesh(unwrap(readObj(bytes)));
    expect(report).toMatchObject({ closed: true, outward: true, crossingFaces: 0 });
    expect(report.sizeMm[2]).toBeCloseTo(22, 1);
  });

  test.each([
    ['a file that is not there', { edge: 'no.json' }, 'FILE_UNREADABLE'],
    ['a kind that is none', { edge: 'zigzag' }, 'FLAG_VALUE'],
    ['one length for two', { shear: '3mm' }, 'FLAG_VALUE'],
    ['a bend too far', { curve: 90 }, 'FLAG_VALUE'],
  ])('%s is refused', async (_, flags, code) => {
    const kernels = await loadKernels();
    expect(await codeOf(() => buildCase(flagsOf({ text: 'I', out: 'a.obj', ...flags }), kernels))).toBe(code);
  });

  test.each<[Record<string, unknown>, string]>([
    [{ text: '   ', out: 'a.obj' }, 'NOTHING_BUILT'],
    [{ text: 'x'.repeat(10_000), out: 'a.obj' }, 'NOTHING_BUILT'],
    [{ text: 'x', out: 'a.doc' }, 'FORMAT_UNKNOWN'],
    [{ text: 'x' }, 'FLAG_MISSING'],
    [{ text: 'x', out: 'a.obj', font: 'Nobody' }, 'FONT_UNKNOWN'],
    [{ text: 'x', out: 'a.obj', font: './none.ttf' }, 'FILE_UNREADABLE'],
    [{ text: 'x', out: 'a.obj', font: './package.json' }, 'FONT_BROKEN'],
    [{ text: 'x', out: 'a.obj', features: 'ligatures' }, 'FLAG_VALUE'],
    [{ text: 'x', out: 'a.obj', axis: 'heavy' }, 'FLAG_VALUE'],
    [{ text: 'x', out: 'a.obj', aroundSide: 'inside' }, 'FLAG_MISSING'],
  ])('%j gives %s and no file', async (fields, code) => {
    const record = typeof fields.out === 'string' ? { ...fields, out: join(folder, fields.out) } : fields;
    const kernels = await loadKernels();
    expect(await codeOf(() => buildCase(flagsOf(record), kernels))).toBe(code);
    expect(await readdir(folder)).toEqual([]);
  });
});

test.each([
  ['along the line', { text: 'ax', font: 'Work Sans', tolerance: 0.3, twistAlong: 60 }, 'SHAPE_CROSSES'],
  ['from front to back', { text: 'a', font: 'Rye', tolerance: 0.05, twist: 60 }, 'ALONG_CROSSES'],
])(
  'strokes thinner than curves are true that are twisted %s cross; curves as fine as is told do not',
  async (_, asked, code) => {
    const flags = { size: 60, depth: 30, edge: 'plain', outline: 0.05, out: 'x.obj', ...asked };
    const remarksOf = async (more: object) =>
      (await buildCase(flagsOf({ ...flags, ...more }), await loadKernels())).result.remarks;
    const [told] = await remarksOf({});
    expect(told).toMatchObject({ code, params: { finerMm: asked.tolerance / 5 } });
    // as somebody who does what is said, twice at most
    const once = await remarksOf({ tolerance: asked.tolerance / 5 });
    expect(once.length === 0 ? once : await remarksOf({ tolerance: asked.tolerance / 25 })).toEqual([]);
  },
);
