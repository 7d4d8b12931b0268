import { type CutStep, middleOfSide, usualStep } from '../steps/index.ts';
import { quietContext, unwrap, type Remark, type RemarkCode } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  applyEdit,
  cureOf,
  newForm,
  newModel,
  newProject,
  type Edit,
  type FormShape,
  type Model,
  type Piece,
  type Project,
} from '../document/index.ts';
import { boxOfPoints } from '../math/index.ts';
import { bigBall, crate, FRONT, smallBall, wordsOnBody, type BodyScene } from '../document/examples/scenes.ts';
import { testTools } from '../testing/faces.ts';
import { pairOf } from '../testing/pairs.ts';
import { Engine } from './engine.ts';
import type { Evaluated } from './evaluated.ts';
import { pieceMesh } from './scenePart.ts';

const engine = new Engine(await testTools());

const scene = wordsOnBody;
const evaluated = async (project: Project, id: string): Promise<Evaluated> =>
  unwrap(await engine.evaluate(project, id, quietContext, { crossings: true }));
const codes = ({ remarks }: Evaluated): string[] => remarks.map(({ code }) => code);

/** The document after the cure of a remark was pressed. */
function pressed(project: Project, pieceId: string, told: Remark): Project {
  const cure = cureOf(told, project.pieces[pieceId], { pieces: project.pieces, freshId: 'fresh' });
  return unwrap(applyEdit(project, { kind: 'many', edits: cure?.edits ?? [] }));
}

const round = { method: 'round' } as const;
const away = (pieceId: string): Edit => ({ kind: 'setPlacement', pieceId, values: { atMm: [500, 0, 0] } });
const hollow: FormShape = {
  kind: 'shell',
  widthMm: 240,
  heightMm: 200,
  thickMm: 10,
  acrossMm: -40,
  upMm: 0,
} as FormShape;

/** What is told, told no more after its cure was pressed, and nothing else in its place. */
test.each<[string, RemarkCode, 'words' | 'body', BodyScene]>([
  ['too large for its front: smaller', 'ONTO_BORDER', 'words', { words: { sizeMm: 72 } }],
  [
    'over the right border: moved in',
    'ONTO_BORDER',
    'words',
    { words: { sizeMm: 20 }, onto: { place: { ...FRONT, acrossMm: 40 } } },
  ],
  [
    'so far from the upper border: moved in',
    'ONTO_BORDER',
    'words',
    { words: { sizeMm: 20 }, onto: { place: { ...FRONT, upMm: 2, upFrom: 'above' } } },
  ],
  [
    'pressed near a corner: moved in',
    'ONTO_BORDER',
    'words',
    { words: { sizeMm: 20 }, onto: { place: { kind: 'pressed' }, fromMm: [45, 95, 90] } },
  ],
  [
    'turned, over the border: moved in',
    'ONTO_BORDER',
    'words',
    { words: { sizeMm: 16 }, onto: { turnDegrees: 30, place: { kind: 'pressed' }, fromMm: [-44, 50, 90] } },
  ],
  ['flat on a ball: laid round', 'ONTO_FLOATS', 'words', { form: bigBall, words: { sizeMm: 20 } }],
  [
    'flat in a hollow: laid round',
    'ONTO_SINKS',
    'words',
    { form: hollow, words: { sizeMm: 20 }, solid: { depthMm: 1 } },
  ],
  [
    'stiff on a ball: bent',
    'ONTO_FLOATS',
    'words',
    { form: bigBall, words: { sizeMm: 40 }, solid: { depthMm: 1 }, onto: { method: 'round', rigid: true } },
  ],
  [
    'the inside of an O: left out',
    'CUT_LOOSE',
    'body',
    { text: 'O', words: { sizeMm: 40 }, cut: { operation: 'through' } },
  ],
  [
    'a rim wider than strokes bear: as it could be',
    'CUT_RIM_NARROWED',
    'body',
    {
      text: 'R8',
      form: bigBall,
      words: { sizeMm: 16 },
      onto: { method: 'round' },
      cut: { operation: 'engrave', sinkMm: 1, softMm: 4, softSide: 'inward' },
    },
  ],
  [
    'faces kept as they are: as fine as the shape needs',
    'SHAPE_STRAYS',
    'body',
    {
      edits: [
        { kind: 'setFaces', pieceId: 'body', values: { shaped: 'own' } },
        { kind: 'setSteps', pieceId: 'body', steps: [usualStep('bend', 'bend')] },
      ],
    },
  ],
  [
    'shaped finer than there are faces for: as far as they go',
    'SHAPE_LOOSER',
    'body',
    { edits: [{ kind: 'setSteps', pieceId: 'body', steps: [usualStep('noise', 'noise')] }], faceBudget: 4000 },
  ],
  ['laid on nothing: taken away', 'ONTO_NOTHING', 'words', { onto: { target: 'gone' } }],
  [
    'in a circle: taken away',
    'ONTO_CYCLE',
    'words',
    { edits: [{ kind: 'setSteps', pieceId: 'body', steps: [{ ...usualStep('onto', 'back'), target: 'words' }] }] },
  ],
  [
    'held beside the body: at the middle of its front',
    'ONTO_MISSES',
    'words',
    { words: { sizeMm: 20 }, onto: { ...round, place: { kind: 'pressed' }, fromMm: [500, 0, 300] } },
  ],
  [
    'held before the hole of a ring: at the nearest place',
    'ONTO_MISSES',
    'words',
    {
      text: 'I',
      form: { kind: 'ring', radiusMm: 80, thickMm: 30 },
      words: { sizeMm: 8 },
      onto: { ...round, place: middleOfSide('top') },
    },
  ],
  ...(['straight', 'leave'] as const).map((overhang): [string, RemarkCode, 'words', BodyScene] => [
    `round, over the edges of a crate (${overhang}): smaller`,
    'ONTO_OVERHANGS',
    'words',
    { words: { sizeMm: 72 }, onto: { ...round, overhang } },
  ]),
  [
    'from a direction, larger than a ball: smaller',
    'ONTO_OVERHANGS',
    'words',
    { form: bigBall, text: 'I', words: { sizeMm: 170 }, onto: { method: 'direction' } },
  ],
  [
    'round, held by an edge: in the middle',
    'ONTO_OVERHANGS',
    'words',
    { words: { sizeMm: 20 }, onto: { ...round, place: { ...FRONT, acrossMm: 49 } } },
  ],
  [
    'longer than a ball is round: smaller',
    'ONTO_OVERFULL',
    'words',
    { form: smallBall, text: 'GLAZE', words: { sizeMm: 60 }, onto: round },
  ],
  [
    'taller than a ball bears: smaller',
    'ONTO_FOLDS',
    'words',
    { form: smallBall, text: 'IL', words: { sizeMm: 64 }, onto: round },
  ],
  ['cut by nothing: taken away', 'CUT_NOTHING', 'body', { cut: { target: 'gone' } }],
  [
    'cut by words that stand elsewhere: laid on it',
    'CUT_APART',
    'body',
    { onto: null, words: { sizeMm: 20 }, cut: {}, edits: [away('words')] },
  ],
  [
    'cut by words beside its border: in the middle',
    'CUT_APART',
    'body',
    { words: { sizeMm: 20 }, onto: { place: { ...FRONT, acrossMm: 60 } }, cut: {} },
  ],
  [
    'cut by words that are too large: smaller',
    'CUT_APART',
    'body',
    { text: 'I      I', words: { sizeMm: 60 }, cut: {} },
  ],
  [
    'raised, and lifted off it: back on it',
    'CUT_APART',
    'body',
    { words: { sizeMm: 20 }, onto: { liftMm: 9 }, cut: { operation: 'raise' } },
  ],
  [
    'round the edges of a block, into which they dig: from a direction',
    'ONTO_SINKS',
    'words',
    {
      text: 'X',
      form: { ...crate, widthMm: 120, heightMm: 60, depthMm: 20 } as FormShape,
      words: { sizeMm: 60, font: { family: 'Bodoni Moda', weight: 700, italic: false, axes: {} } },
      solid: { depthMm: 3, front: { kind: 'plain', inMm: 0, deepMm: 0, steps: 1, points: [] } },
      onto: { ...round, place: { ...FRONT, acrossMm: 3 } },
    },
  ],
  [
    'joined deeper than they are high: half of that',
    'CUT_APART',
    'body',
    { words: { sizeMm: 20 }, cut: { operation: 'join', sinkMm: 5 } },
  ],
  [
    'a body that stands elsewhere: brought here',
    'CUT_APART',
    'body',
    { cut: { operation: 'subtract' }, tool: { kind: 'ball', radiusMm: 30 }, edits: [away('tool')] },
  ],
  [
    'what two have in common, and they have nothing: brought here',
    'CUT_LEFT_OUT',
    'body',
    { cut: { operation: 'intersect' }, tool: { kind: 'ball', radiusMm: 30 }, edits: [away('tool')] },
  ],
  [
    'deeper than a ball has room for: less deep',
    'CUT_LEFT_OUT',
    'body',
    { form: smallBall, text: 'GLA', words: { sizeMm: 20 }, onto: round, cut: { sinkMm: 25 } },
  ],
  [
    'longer than a ball is round, and cut: smaller',
    'CUT_LEFT_OUT',
    'body',
    { form: smallBall, text: 'GLAZE', words: { sizeMm: 60 }, onto: round, cut: {} },
  ],
  [
    'an imprint that leans more than it has room for: as it could be',
    'CUT_RAISED_LESS',
    'body',
    {
      text: 'glaze',
      form: { ...crate, widthMm: 80, heightMm: 40, depthMm: 10 } as FormShape,
      words: { sizeMm: 16 },
      onto: { place: { ...FRONT, upMm: 16 } },
      cut: { operation: 'imprint', raiseMm: 3, leanPercent: 40 },
    },
  ],
  ...(
    [
      ['deeper than its recess', 'I', { sinkMm: 1, softMm: 3 }, 20, 0],
      ['wider than the gaps', 'II', { sinkMm: 4, softMm: 3 }, 20, 0],
      ['wider than there is border', 'I', { sinkMm: 4, softMm: 3 }, 20, 44],
    ] as const
  ).map(([what, text, cut, sizeMm, acrossMm]): [string, RemarkCode, 'body', BodyScene] => [
    `a rim ${what}: narrower`,
    'CUT_RIM_CLIPPED',
    'body',
    { text, words: { sizeMm }, onto: { place: { ...FRONT, acrossMm } }, cut },
  ]),
  ['a ring of quads with no room: none', 'CUT_RING', 'body', { words: { sizeMm: 20 }, cut: { ringMm: 6 } }],
])('%s', async (_, code, pieceId, wish) => {
  const before = scene(wish);
  const told = (await evaluated(before, pieceId)).remarks.find((one) => one.code === code);
  expect(told?.code).toBe(code);
  const after = told ? pressed(before, pieceId, told) : before;
  const left = await evaluated(after, pieceId);
  const again = left.remarks.filter(
    (one) =>
      (one.code === code && cureOf(one, after.pieces[pieceId], { pieces: after.pieces, freshId: '' })) ||
      /^(ONTO|CUT_(LEFT|APART))/.test(one.code),
  );
  expect(again).toEqual([]);
  expect(checkMesh(pieceMesh(left))).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
});

const CORNERS = 'v 0 0 0\nv 40 0 0\nv 40 40 0\nv 0 40 0\nv 0 0 40\nv 40 0 40\nv 40 40 40\nv 0 40 40\n';

const LID = 'f 4 8 7 3\n';
const OTHERS = 'f 1 4 3 2\nf 1 2 6 5\nf 5 6 7 8\nf 1 5 8 4\nf 2 3 7 6';

/** With a file for every model. */
const loading = async (text: string): Promise<Engine> =>
  new Engine({ ...(await testTools()), loadModel: () => Promise.resolve(new TextEncoder().encode(text)) });

function box(id: string, sides: Model['sides'] = 'own'): Piece {
  const frame = { format: 'obj', unit: 'mm', up: 'y', scalePercent: 100, closed: false, paint: 'finish' } as const;
  return newModel(id, 'Box', { asset: 'b'.repeat(64), sides, ...frame });
}

/** What is told of a body's cut, and of the body once its cure was pressed. */
async function cured(one: Engine, project: Project): Promise<{ told: Remark; after: Evaluated }> {
  const told = async (state: Project) => unwrap(await one.evaluate(state, 'body', quietContext, { crossings: true }));
  const before = (await told(project)).remarks.find(({ code }) => code.startsWith('CUT'));
  if (!before) throw new Error('nothing is told');
  return { told: before, after: await told(pressed(project, 'body', before)) };
}

const cutBy = (target: string, values: Partial<CutStep> = {}): CutStep => ({
  ...usualStep('cut', 'cut'),
  target,
  ...values,
});

test.each([
  ['whose lid is missing', 'open', 'own', OTHERS],
  ['that was turned over', 'inward', 'over', LID + OTHERS],
] as const)('a box from a file %s is cut after its cure', async (_, why, sides, faces) => {
  const made = scene({ text: 'I', words: { sizeMm: 8 } });
  const body = { ...box('body', sides), steps: [cutBy('words')] };
  const { told, after } = await cured(await loading(CORNERS + faces), { ...made, pieces: { ...made.pieces, body } });
  expect(told.params).toMatchObject({ why });
  expect(codes(after)).toEqual([]);
  expect(checkMesh(pieceMesh(after))).toMatchObject({ closed: true, manifold: true, outward: true, shells: 1 });
});

test('an open box takes something out of a body once its hole is closed', async () => {
  const body = { ...newForm('body', 'Body', crate), steps: [cutBy('tool', { operation: 'subtract' })] };
  const { told, after } = await cured(await loading(CORNERS + OTHERS), newProject('p', 'Row', [body, box('tool')]));
  expect(told.params).toMatchObject({ why: 'cutter' });
  expect(codes(after)).toEqual([]);
});

test('50 metres from zero a letter near the border crosses once rounded, moved by a hair it does not', async () => {
  const far = CORNERS.replace(/v (\d+)/g, (_, x: string) => `v ${Number(x) + 50_000}`) + LID + OTHERS;
  const engineFar = await loading(far);
  const at = (acrossMm: number): Project => {
    const made = scene({ text: 'I', words: { sizeMm: 20 }, onto: { place: { ...FRONT, acrossMm } } });
    return { ...made, pieces: { ...made.pieces, body: { ...box('body'), steps: [cutBy('words')] } } };
  };
  const words = pieceMesh(unwrap(await engineFar.evaluate(at(0), 'words', quietContext)));
  const right = boxOfPoints(words.positions).high[0];
  const { told, after } = await cured(engineFar, at(50_040 - right - 5e-4));
  expect(told.code).toBe('CUT_ROUNDS');
  expect(codes(after)).toEqual([]);
});

test('a cut whose result would cross itself is done once what cuts is moved by 0.05 mm', async () => {
  const { told, after } = await cured(engine, pairOf(9274).project);
  expect(told).toMatchObject({ code: 'CUT_LEFT_OUT', params: { why: 'result' } });
  expect(codes(after)).toEqual([]);
  expect(checkMesh(pieceMesh(after))).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
});

test('words that fit, flush with the border or just short of it, are told of nothing', async () => {
  for (const sizeMm of [10, 30, 36])
    expect(codes(await evaluated(scene({ text: 'IL', words: { sizeMm } }), 'words'))).not.toContain('ONTO_BORDER');
});
