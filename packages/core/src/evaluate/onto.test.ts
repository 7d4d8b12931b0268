import { type EdgeStep, type OntoStep, usualStep } from '../steps/index.ts';
import { quietContext, unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  applyEdit,
  newForm,
  newModel,
  newPiece,
  newProject,
  usualForms,
  type Edit,
  type FormShape,
  type Piece,
  type Project,
} from '../document/index.ts';
import { formMesh } from '../form/index.ts';
import { writeScene, usualWriteOptions } from '../io/index.ts';
import { boxOfPoints, middleOfBox, STILL } from '../math/index.ts';
import { Target } from '../surface/index.ts';
import { testEngine, testTools } from '../testing/faces.ts';
import { splitGraphemes } from '../text/index.ts';
import { Engine, flatFit, pieceMesh, laidPlaces, type Evaluated } from './index.ts';

let engine: Engine;
beforeAll(async () => {
  engine = await testEngine();
});

const TOLERANCE_MM = 0.4;
const onto = (values: Partial<OntoStep>): OntoStep => ({ ...usualStep('onto', 'onto'), target: 'body', ...values });

function projectOf(
  text: string,
  step: OntoStep | EdgeStep,
  body: Piece,
  { more = [] }: { more?: Edit[] } = {},
): Project {
  const made = newProject('p', 'R', [newPiece('words', text, splitGraphemes(text)), body]);
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: 'words', values: { sizeMm: 16, anchor: 'middle' } },
    {
      kind: 'setSolid',
      pieceId: 'words',
      values: { depthMm: 4, front: { kind: 'chamfer', inMm: 0.5, deepMm: 0.5, steps: 1, points: [] } },
    },
    { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: TOLERANCE_MM } },
    { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: TOLERANCE_MM / 4 } },
    { kind: 'setSteps', pieceId: 'words', steps: [step] },
    ...more,
  ];
  return unwrap(applyEdit(made, { kind: 'many', edits }));
}

const evaluate = async (project: Project, id = 'words'): Promise<Evaluated> =>
  unwrap(await engine.evaluate(project, id, quietContext, { crossings: true }));
const codes = ({ remarks }: Evaluated): string[] => remarks.map(({ code }) => code);
const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0 };

/**
 * How far above a form all points but those of the back lie at least, and how far those of the back lie off their root
 * at most.
 */
function heights({ clusters, flat }: Evaluated, form: FormShape): { least: number; gap: number } {
  const target = new Target(formMesh(form, TOLERANCE_MM / 4));
  let [least, gap] = [Infinity, 0];
  for (const { mesh } of clusters) {
    const { rest = mesh.positions } = mesh;
    for (let v = 0; v < rest.length; v += 3) {
      const high = target.heightOf([mesh.positions[v], mesh.positions[v + 1], mesh.positions[v + 2]]);
      if (rest[v + 2] > (flat?.low[2] ?? 0) + 0.2) least = Math.min(least, high);
      else gap = Math.max(gap, Math.abs(high + TOLERANCE_MM + 1e-5 * target.diagonal));
    }
  }
  return { least, gap };
}

const { jug, ball, shell, panel, bowl } = usualForms();

test.each<[string, FormShape, Partial<OntoStep>]>([
  ['round a jug', jug, { fromMm: [0, 100, 300], guide: 'level' }],
  ['round a ball', ball, { fromMm: [0, 80, 300], turnDegrees: 30 }],
  ['into a bowl', bowl, { fromMm: [0, 240, 10], toward: [0, -1, 0] }],
  ['from a direction', shell, { fromMm: [0, 70, 300], method: 'direction' }],
  ['to the closest place', shell, { fromMm: [0, 70, 45], method: 'closest' }],
])('%s: closed, nothing sunk, nothing gapes', async (_, form, values) => {
  const laid = await evaluate(projectOf('R8', onto(values), newForm('body', 'Body', form)));
  expect(codes(laid)).toEqual([]);
  expect(checkMesh(pieceMesh(laid))).toMatchObject(SOUND);
  const { least, gap } = heights(laid, form);
  expect(least).toBeGreaterThan(0);
  expect(gap).toBeLessThan(TOLERANCE_MM);
  expect(laid.onto).toMatchObject({ stepId: 'onto', targetId: 'body' });
});

test('words stay live, the body may be exchanged, and lettering stands where the body does', async () => {
  const body = newForm('body', 'Body', ball);
  const step = onto({ fromMm: [0, 80, 300] });
  const first = await evaluate(projectOf('Row', step, body));
  const moved: Edit = { kind: 'setPlacement', pieceId: 'body', values: { atMm: [50, 0, 0], turnDegrees: [0, 90, 0] } };
  const placed = await evaluate(projectOf('Row', step, body, { more: [moved] }));
  expect(placed.transform).toEqual((await evaluate(projectOf('Row', step, body, { more: [moved] }), 'body')).transform);
  expect(pieceMesh(placed).positions).toEqual(pieceMesh(first).positions);
  const other = await evaluate(projectOf('Rows', step, newForm('body', 'Body', jug)));
  expect(checkMesh(pieceMesh(other))).toMatchObject(SOUND);
  expect(heights(other, jug).least).toBeGreaterThan(0);
});

test('how far lengths are off is painted corner by corner, up to what is reported', async () => {
  const project = projectOf('Row', onto({ fromMm: [0, 80, 300] }), newForm('body', 'Body', ball));
  const laid = await evaluate(project);
  const { triangles, values } = laidPlaces(project.pieces.words, laid, 'length');
  expect(triangles.length).toBe(3 * values.length);
  const most = 100 * values.reduce((a, b) => Math.max(a, b), 0);
  expect(most / (laid.onto?.report?.lengthPercent ?? 0)).toBeCloseTo(1, 1);
  expect(laidPlaces(project.pieces.body, await evaluate(project, 'body'), 'length').values).toHaveLength(0);
});

test.each(['flat', 'direction', 'round', 'closest'] as const)(
  'held by their middle, laid %s, words stay about a place as they are retyped',
  async (method) => {
    const slab = newForm('body', 'Slab', {
      kind: 'block',
      widthMm: 200,
      heightMm: 90,
      depthMm: 10,
      edge: 'plain',
      edgeMm: 0,
      taperPercent: 0,
    });
    const held = onto({ method, heldBy: 'middle', fromMm: [3, 40, 60] });
    const layout: Edit = {
      kind: 'setWords',
      pieceId: 'words',
      values: { sizeMm: 12, anchor: 'baseline', align: 'left' },
    };
    const cut: Edit = {
      kind: 'setSteps',
      pieceId: 'body',
      steps: [{ ...usualStep('cut', 'cut'), target: 'words', sinkMm: 1, softMm: 0.5 }],
    };
    for (const text of ['A', 'Rows', 'Row\nof kilns']) {
      const laid = await evaluate(projectOf(text, held, slab, { more: [layout] }));
      const engraved = pieceMesh(await evaluate(projectOf(text, held, slab, { more: [layout, cut] }), 'body'));
      const sunk = [...engraved.region].flatMap((row, f) =>
        engraved.regions[row].of === 'words'
          ? [...engraved.faceVertices.subarray(engraved.faceStart[f], engraved.faceStart[f + 1])]
          : [],
      );
      const places = sunk.flatMap((v) => [...engraved.positions.subarray(3 * v, 3 * v + 3)]);
      for (const positions of [pieceMesh(laid).positions, places]) {
        const [x, y] = middleOfBox(boxOfPoints(positions));
        expect(Math.abs(x - 3) + Math.abs(y - 40)).toBeLessThan(0.1);
      }
    }
  },
);

test('what can not be laid is told, and stays as it was', async () => {
  const body = newForm('body', 'Body', ball);
  expect(codes(await evaluate(projectOf('Row', onto({ target: 'nobody' }), body)))).toEqual(['ONTO_NOTHING']);
  expect(codes(await evaluate(projectOf('Row', onto({ fromMm: [500, 0, 300] }), body)))).toEqual(['ONTO_MISSES']);
  const back: Edit = { kind: 'setSteps', pieceId: 'body', steps: [onto({ target: 'words' })] };
  expect(codes(await evaluate(projectOf('Row', onto({ fromMm: [0, 80, 300] }), body, { more: [back] })))).toEqual([
    'ONTO_CYCLE',
  ]);
});

const alongEdge = (path: Partial<EdgeStep['path']>): EdgeStep => ({
  ...usualStep('run', 'run'),
  kind: 'run',
  up: 'upright',
  path: { kind: 'edge', target: 'body', atMm: [0, 300, 60], reversed: false, ...path },
});

test('words run along the edge of another piece, stand where that does, and follow it', async () => {
  const moved: Edit = { kind: 'setPlacement', pieceId: 'body', values: { atMm: [50, 0, 0] } };
  const project = projectOf('Row', alongEdge({}), newForm('body', 'Body', jug), { more: [moved] });
  const round = await evaluate(project);
  expect(codes(round)).toEqual([]);
  expect(checkMesh(pieceMesh(round))).toMatchObject(SOUND);
  expect(round.transform).toEqual((await evaluate(project, 'body')).transform);
  const [line] = Object.values(round.lines ?? {});
  expect(line.closed).toBe(true);
  // the words are held by their middle and back: those stand on the loop, whose places all have one height and one
  // distance from the axis
  const [[x, y, z]] = line.placesMm;
  const { positions } = pieceMesh(round);
  const high = Array.from(positions).filter((_, i) => i % 3 === 1);
  expect(Math.abs((Math.min(...high) + Math.max(...high)) / 2 - y)).toBeLessThan(1);
  const near = Math.min(
    ...Array.from({ length: positions.length / 3 }, (_, v) => Math.hypot(positions[3 * v], positions[3 * v + 2])),
  );
  expect(Math.abs(near - Math.hypot(x, z))).toBeLessThan(1);
  const wider: FormShape = {
    ...jug,
    knots: jug.knots.map((knot) => ({ ...knot, radiusMm: 1.2 * knot.radiusMm })),
  } as FormShape;
  const other = await evaluate(projectOf('Row', alongEdge({}), newForm('body', 'Body', wider), { more: [moved] }));
  expect(Object.values(other.lines ?? {})[0].placesMm).not.toEqual(line.placesMm);
});

test('a piece that has no edge to run along, or is none, or runs along this one, is told', async () => {
  const body = newForm('body', 'Body', ball);
  const told = async (step: EdgeStep, more: Edit[] = []): Promise<string[]> =>
    codes(await evaluate(projectOf('Row', step, body, { more })));
  expect(await told(alongEdge({ target: '' }))).toEqual(['RUN_NOTHING']);
  const back: Edit = { kind: 'setSteps', pieceId: 'body', steps: [onto({ target: 'words' })] };
  expect(await told(alongEdge({}), [back])).toEqual(['ONTO_CYCLE']);
  const triangles: Edit = { kind: 'setSteps', pieceId: 'body', steps: [usualStep('triangles', 't')] };
  expect(await told(alongEdge({}), [triangles])).toEqual(['RUN_NOTHING']);
  const laid = await evaluate(
    projectOf('Row', onto({ fromMm: [0, 80, 300], guide: 'edge' }), body, { more: [triangles] }),
  );
  expect(codes(laid)).toEqual(['RUN_NOTHING']);
  expect(laid.onto).toBeDefined();
});

test('letters beside the model are named, and left out where that is wished', async () => {
  const tile: FormShape = {
    kind: 'block',
    widthMm: 44,
    heightMm: 40,
    depthMm: 10,
    edge: 'plain',
    edgeMm: 0,
    taperPercent: 0,
  };
  const lay = (overhang: OntoStep['overhang']): Promise<Evaluated> =>
    evaluate(projectOf('row', onto({ fromMm: [10, 20, 100], overhang }), newForm('body', 'Body', tile)));
  const straight = await lay('straight');
  const over = straight.remarks.find(({ code }) => code === 'ONTO_OVERHANGS');
  expect(over?.params).toMatchObject({ instead: 'straight', letters: expect.stringContaining('w') as string });
  expect(checkMesh(pieceMesh(straight))).toMatchObject(SOUND);
  expect(straight.onto?.report?.beside).toBe(
    over?.params && String((over.params as { letters: string }).letters).length,
  );
  expect((await lay('leave')).clusters.length).toBeLessThan(straight.clusters.length);
  const round = await lay('follow');
  expect(checkMesh(pieceMesh(round))).toMatchObject(SOUND);
  expect(heights(round, tile).least).toBeGreaterThan(0);
});

test('a panel is as large as its words, and stands behind them', async () => {
  const around = newForm('body', 'Plate', { ...panel, around: 'words', marginMm: 10, thickMm: 5 });
  const project = projectOf('Row', { ...onto({}), on: false }, around);
  const [words, plate] = [await evaluate(project), await evaluate(project, 'body')];
  expect(checkMesh(pieceMesh(plate))).toMatchObject(SOUND);
  const [wide, tall] = checkMesh(pieceMesh(words)).sizeMm;
  expect(checkMesh(pieceMesh(plate)).sizeMm).toEqual([expect.closeTo(wide + 20, 6), expect.closeTo(tall + 20, 6), 5]);
  expect(plate.transform).toEqual(words.transform);
});

test.each(['obj', 'stl', 'ply', 'glb'] as const)(
  'a model comes back from %s as it went, and takes letters',
  async (format) => {
    const mesh = formMesh(ball, 0.4);
    const part = { name: 'Ball', mesh, transform: STILL, slots: newForm('b', 'Ball', ball).slots, letters: [] };
    const { bytes } = await writeScene([part], usualWriteOptions(format, 'Ball'));
    const loading = new Engine({ ...(await testTools()), loadModel: () => Promise.resolve(bytes) });
    const [unit, up] = [format === 'glb' ? 'm' : 'mm', format === 'stl' || format === 'ply' ? 'z' : 'y'] as const;
    const body = newModel('body', 'Ball', {
      asset: 'a'.repeat(64),
      format,
      unit,
      up,
      scalePercent: 100,
      closed: false,
      paint: 'finish',
      sides: 'own',
    });
    const project = projectOf('Row', onto({ fromMm: [0, 80, 300] }), body);
    const back = unwrap(await loading.evaluate(project, 'body', quietContext));
    expect(checkMesh(pieceMesh(back))).toMatchObject({
      ...SOUND,
      sizeMm: [160, 160, 160].map((v) => expect.closeTo(v, 2) as number),
    });
    const laid = unwrap(await loading.evaluate(project, 'words', quietContext, { crossings: true }));
    expect(checkMesh(pieceMesh(laid))).toMatchObject(SOUND);
    if (format !== 'obj') return;
    // written without loss: letters lie on the file as they do on the form
    const own = await evaluate(
      projectOf('Row', onto({ fromMm: [0, 80, 300] }), newForm('body', 'Ball', ball), {
        more: [{ kind: 'setFaces', pieceId: 'body', values: { toleranceMm: 0.4 } }],
      }),
    );
    expect(pieceMesh(laid).positions).toEqual(pieceMesh(own).positions);
    expect((await engine.evaluate(project, 'body', quietContext)).ok).toBe(false);
  },
);

test('stiff letters float on a ball and sink in a bowl: told, counted and painted; bent ones do neither', async () => {
  const large: Edit = { kind: 'setWords', pieceId: 'words', values: { sizeMm: 40 } };
  const thin: Edit = { kind: 'setSolid', pieceId: 'words', values: { depthMm: 1 } };
  const project = (form: FormShape, values: Partial<OntoStep>): Project =>
    projectOf('Row', onto(values), newForm('body', 'Body', form), { more: [large, thin] });
  const most = (one: Project, laid: Evaluated, what: 'sunk' | 'floating'): number =>
    laidPlaces(one.pieces.words, laid, what).values.reduce((a, b) => Math.max(a, b), 0);
  const byMm = ({ remarks }: Evaluated, code: string): number =>
    (remarks.find((one) => one.code === code)?.params as { byMm: number }).byMm;
  const onBall = project(ball, { fromMm: [0, 80, 300], rigid: true });
  const floating = await evaluate(onBall);
  expect(floating.onto?.report).toMatchObject({ sunk: 0, floating: 3 });
  expect(most(onBall, floating, 'floating')).toBeCloseTo(byMm(floating, 'ONTO_FLOATS'), 4);
  const inBowl = project(bowl, { fromMm: [0, 60, 0], toward: [0, -0.2, -1], rigid: true });
  const sunk = await evaluate(inBowl);
  expect(sunk.onto?.report).toMatchObject({ sunk: 3 });
  expect(most(inBowl, sunk, 'sunk')).toBeCloseTo(byMm(sunk, 'ONTO_SINKS'), 4);
  const bent = project(ball, { fromMm: [0, 80, 300] });
  const laid = await evaluate(bent);
  expect(laid.onto?.report).toMatchObject({ sunk: 0, floating: 0 });
  expect(most(bent, laid, 'floating')).toBe(0);
  const angles = laidPlaces(bent.pieces.words, laid, 'angle').values.reduce((a, b) => Math.max(a, b), 0);
  expect(angles / (laid.onto?.report?.angleDegrees ?? 0)).toBeCloseTo(1, 1);
});

test('only some letters are laid: those chosen and those grown together with them; the others stay flat', async () => {
  const body = newForm('body', 'Body', ball);
  const made = projectOf('Row', onto({ fromMm: [0, 80, 300] }), body);
  const [first] = splitGraphemes('Row').map((_, i) => i + 1);
  const some = projectOf('Row', onto({ fromMm: [0, 80, 300], letters: [first] }), body);
  const [all, part] = [await evaluate(made), await evaluate(some)];
  expect(codes(part)).toEqual([]);
  expect(checkMesh(pieceMesh(part))).toMatchObject(SOUND);
  const deep = ({ clusters }: Evaluated, i: number): number => checkMesh({ ...clusters[i].mesh }).sizeMm[2];
  expect(part.clusters[0].mesh.positions).toEqual(all.clusters[0].mesh.positions);
  // flat letters are as deep as they are thick
  expect(deep(part, 1)).toBeCloseTo(4, 6);
  expect(deep(all, 1)).toBeGreaterThan(4.1);
  // the same letters at the same places, but others by their ids
  const swapped = projectOf('Row', onto({ fromMm: [0, 80, 300], letters: [first + 1] }), body);
  expect(deep(await evaluate(swapped), 0)).toBeCloseTo(4, 6);
});

test('words are fitted into the flat place they lie on, and nowhere on a ball', async () => {
  const tile: FormShape = {
    kind: 'block',
    widthMm: 90,
    heightMm: 40,
    depthMm: 10,
    edge: 'plain',
    edgeMm: 0,
    taperPercent: 0,
  };
  const body = newForm('body', 'Body', tile);
  const held = onto({ fromMm: [20, 12, 100] });
  const project = projectOf('Row', held, body);
  const fit = flatFit(project.pieces.words, await evaluate(project));
  const sizeMm = 16 * (fit?.scale ?? 0);
  const larger: Edit = { kind: 'setWords', pieceId: 'words', values: { sizeMm } };
  const fitted = pieceMesh(await evaluate(projectOf('Row', { ...held, ...fit?.hold }, body, { more: [larger] })));
  const part = (k: number): [number, number] => {
    const all = Array.from(fitted.positions).filter((_, i) => i % 3 === k);
    return [Math.min(...all), Math.max(...all)];
  };
  // the wider way of the two takes nine tenths, and both margins are alike
  const [[left, right], [low, high]] = [part(0), part(1)];
  expect(Math.max((right - left) / 90, (high - low) / 40)).toBeCloseTo(0.9, 1);
  expect(Math.abs(left + right)).toBeLessThan(1);
  expect(Math.abs(low + high - 40)).toBeLessThan(1);
  const onBall = projectOf('Row', onto({ fromMm: [0, 80, 300] }), newForm('body', 'Body', ball));
  expect(flatFit(onBall.pieces.words, await evaluate(onBall))).toBeUndefined();
});

/** A model of an OBJ file, its holes closed or not, after some steps. */
async function bringing(file: string): Promise<(closed: boolean, steps?: Piece['steps']) => Promise<Evaluated>> {
  const loadModel = () => Promise.resolve(new TextEncoder().encode(file));
  const loading = new Engine({ ...(await testTools()), loadModel });
  return async (closed, steps = []) => {
    const frame = {
      format: 'obj',
      unit: 'mm',
      up: 'y',
      scalePercent: 100,
      closed,
      paint: 'finish',
      sides: 'own',
    } as const;
    const body = newModel('body', 'Crate', { asset: 'b'.repeat(64), ...frame });
    return unwrap(await loading.evaluate(newProject('p', 'R', [{ ...body, steps }]), 'body', quietContext));
  };
}

test('a model whose points lie a hair apart: told that joining closes it, and then it does', async () => {
  const corners = [
    [0, 0, 0],
    [40, 0, 0],
    [40, 40, 0],
    [0, 40, 0],
    [0, 0, 40],
    [40, 0, 40],
    [40, 40, 40],
    [0, 40, 40],
  ];
  const faces = [
    [1, 4, 3, 2],
    [1, 2, 6, 5],
    [4, 8, 7, 3],
    [1, 5, 8, 4],
    [2, 3, 7, 6],
    [5, 6, 7, 8],
  ];
  // each face with corners of its own, moved by up to a thousandth
  const rows = faces.flatMap((face, f) =>
    face.map((c, i) => `v ${corners[c - 1].map((v, k) => v + ((f + i + k) % 3) * 5e-4).join(' ')}`),
  );
  const file = [...rows, ...faces.map((face, f) => `f ${face.map((_, i) => 4 * f + i + 1).join(' ')}`)].join('\n');
  const brought = await bringing(file);
  const open = await brought(false);
  expect(open.remarks).toEqual([
    { code: 'MODEL_OPEN', params: { openEdges: 24, badEdges: 0, isClosed: false, joinMm: 0.007 } },
  ]);
  const { joinMm } = open.remarks[0].params as { joinMm: number };
  const joined = await brought(false, [{ ...usualStep('join', 'j'), kind: 'join', withinMm: joinMm }]);
  expect(codes(joined)).toEqual([]);
  expect(checkMesh(pieceMesh(joined))).toMatchObject({ ...SOUND, vertices: 8 });
});

test('an open model is told, what closes it is offered once, and cast anew it is closed', async () => {
  const file =
    'v 0 0 0\nv 40 0 0\nv 40 40 0\nv 0 40 0\nv 0 0 40\nv 40 0 40\nv 40 40 40\nv 0 40 40\nf 1 4 3 2\nf 1 2 6 5\nf ' +
    '4 8 7 3\nf 1 5 8 4\nf 2 3 7 6';
  const brought = await bringing(file);
  expect((await brought(false)).remarks).toEqual([
    { code: 'MODEL_OPEN', params: { openEdges: 4, badEdges: 0, isClosed: false } },
  ]);
  expect(codes(await brought(true))).toEqual([]);
  const cast = await brought(false, [{ ...usualStep('recast', 'r'), kind: 'recast', sizeMm: 4, thickMm: 6 }]);
  expect(codes(cast)).toEqual([]);
  expect(checkMesh(pieceMesh(cast))).toMatchObject(SOUND);
});
