import { quietContext, unwrap, type RemarkCode } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  applyEdit,
  cureOf,
  middleOfSide,
  newForm,
  newPiece,
  newProject,
  usualStep,
  type CutStep,
  type Edit,
  type FormShape,
  type OntoStep,
  type Project,
  type Solid,
  type Words,
} from '../document/index.ts';
import { testTools } from '../testing/faces.ts';
import { Engine } from './engine.ts';
import type { Evaluated } from './evaluated.ts';
import { pieceMesh } from './scenePart.ts';

const engine = new Engine(await testTools());
const FRONT = middleOfSide('front');
const crate: FormShape = {
  kind: 'block',
  widthMm: 100,
  heightMm: 100,
  depthMm: 100,
  edge: 'plain',
  edgeMm: 0,
  taperPercent: 0,
};

interface Scene {
  text?: string;
  form?: FormShape;
  words?: Partial<Words>;
  solid?: Partial<Solid>;
  onto?: Partial<OntoStep>;
  cut?: Partial<CutStep>;
  body?: Edit[];
}

function scene({ text = 'SIGN', form = crate, words = {}, solid = {}, onto = {}, cut, body = [] }: Scene): Project {
  const made = newProject('p', 'Row', [newPiece('words', text, [...text]), newForm('body', 'Body', form)]);
  const lies = {
    ...usualStep('onto', 'lies'),
    target: 'body',
    method: 'flat' as const,
    heldBy: 'middle' as const,
    place: FRONT,
    ...onto,
  };
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: 'words', values: words },
    { kind: 'setSolid', pieceId: 'words', values: { depthMm: 4, ...solid } },
    { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: 0.2 } },
    { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: 0.2 } },
    { kind: 'setSteps', pieceId: 'words', steps: [lies] },
    { kind: 'setSteps', pieceId: 'body', steps: cut ? [{ ...usualStep('cut', 'cut'), target: 'words', ...cut }] : [] },
    ...body,
  ];
  return unwrap(applyEdit(made, { kind: 'many', edits }));
}

const evaluated = async (project: Project, id: string): Promise<Evaluated> =>
  unwrap(await engine.evaluate(project, id, quietContext, { crossings: true }));
const codes = ({ remarks }: Evaluated): string[] => remarks.map(({ code }) => code);
const ball: FormShape = { kind: 'ball', radiusMm: 80 };
const hollow: FormShape = {
  kind: 'shell',
  widthMm: 240,
  heightMm: 200,
  thickMm: 10,
  acrossMm: -40,
  upMm: 0,
} as FormShape;

/** What is told, told no more after its cure was pressed, and nothing else in its place. */
test.each<[string, RemarkCode, 'words' | 'body', Scene]>([
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
  ['flat on a ball: laid round', 'ONTO_FLOATS', 'words', { form: ball, words: { sizeMm: 20 } }],
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
    { form: ball, words: { sizeMm: 40 }, solid: { depthMm: 1 }, onto: { method: 'round', rigid: true } },
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
      form: ball,
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
      body: [
        { kind: 'setFaces', pieceId: 'body', values: { shaped: 'own' } },
        { kind: 'setSteps', pieceId: 'body', steps: [usualStep('bend', 'bend')] },
      ],
    },
  ],
])('%s', async (_, code, pieceId, wish) => {
  const before = scene(wish);
  const told = (await evaluated(before, pieceId)).remarks.find((one) => one.code === code);
  expect(told?.code).toBe(code);
  const cure = told && cureOf(told, before.pieces[pieceId], 'fresh');
  const after = unwrap(applyEdit(before, { kind: 'many', edits: cure ?? [] }));
  const left = await evaluated(after, pieceId);
  const again = left.remarks.filter(
    (one) => (one.code === code && cureOf(one, after.pieces[pieceId], '')) || one.code.startsWith('ONTO'),
  );
  expect(again).toEqual([]);
  expect(checkMesh(pieceMesh(left))).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
});

test('words that fit, flush with the border or just short of it, are told of nothing', async () => {
  for (const sizeMm of [10, 30, 36])
    expect(codes(await evaluated(scene({ text: 'IL', words: { sizeMm } }), 'words'))).not.toContain('ONTO_BORDER');
});
