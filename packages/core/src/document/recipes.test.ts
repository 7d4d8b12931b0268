import { unwrap } from '../base/index.ts';
import { usualStep } from '../steps/index.ts';
import {
  applyEdit,
  copyRecipe,
  findFinish,
  newPiece,
  newProject,
  parseRecipe,
  RECIPE_CHAPTERS,
  recipeEdits,
  usualPlacement,
  type Piece,
  type WordsPiece,
  type RecipeChapter,
} from './index.ts';

const plain = newPiece('a', 'Plain', ['K', 'i']);
const made: WordsPiece = {
  ...newPiece('b', 'Made', ['R', 'o', 'w']),
  source: { ...newPiece('b', '', ['R', 'o', 'w']).source, sizeMm: 30, align: 'right', features: { liga: 0 } },
  body: {
    solid: { ...plain.body.solid, depthMm: 7, backAsFront: true },
    faces: { ...plain.body.faces, style: 'flow', toleranceMm: 0.5 },
  },
  steps: [usualStep('triangles', 'cut')],
  placement: { ...usualPlacement(), stand: 'table', atMm: [1, 2, 3], turnDegrees: [0, 45, 0] },
  slots: { ...plain.slots, front: findFinish('celadon'), backAsFront: true },
};

/** A piece after it was given chapters of another, by way of a clipboard's text. */
function given(chapters: readonly RecipeChapter[]): Piece {
  const copy = unwrap(parseRecipe(JSON.parse(JSON.stringify(copyRecipe(made, chapters)))));
  const project = newProject('p', 'p', [plain]);
  return unwrap(applyEdit(project, { kind: 'many', edits: recipeEdits(copy, plain) })).pieces.a;
}

test('a whole recipe goes over, the words stay', () => {
  const { source, ...rest } = given(RECIPE_CHAPTERS);
  expect(rest).toEqual({
    ...plain,
    source: undefined,
    body: made.body,
    steps: made.steps,
    placement: made.placement,
    slots: made.slots,
  });
  expect(source).toEqual({ ...made.source, graphemes: plain.source.graphemes, nextId: plain.source.nextId, own: {} });
});

test('a chapter goes over alone', () => {
  expect(given(['solid'])).toEqual({ ...plain, body: { ...plain.body, solid: made.body.solid } });
  expect(given(['finish'])).toEqual({ ...plain, slots: made.slots });
});

test.each([
  null,
  'Kiln',
  {},
  { kind: 'fictile recipe', solid: { depthMm: -1 } },
  { kind: 'other', faces: made.body.faces },
])('%j is no recipe', (data) => expect(parseRecipe(data).ok).toBe(false));
