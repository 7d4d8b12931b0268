import { z } from 'zod';
import { fail, ok, type Result } from '../base/index.ts';
import type { Edit } from './edits.ts';
import { isOfDrawing, isOfWords } from './kinds.ts';
import { firstIssue } from './issueText.ts';
import { drawingSchema, pieceSchema, SLOTS, wordsSchema, type Piece } from './schema.ts';

export const RECIPE_CHAPTERS = ['words', 'solid', 'faces', 'steps', 'finish', 'place'] as const;
export type RecipeChapter = (typeof RECIPE_CHAPTERS)[number];

const { body, steps, slots, placement } = pieceSchema.shape;

/** A recipe, or chapters of one, on its way from a piece to others: all values, without the words themselves. */
const recipeCopySchema = z.object({
  kind: z.literal('fictile recipe'),
  words: wordsSchema.omit({ kind: true, graphemes: true, nextId: true, own: true }).optional(),
  drawing: drawingSchema.omit({ kind: true, shape: true, own: true }).optional(),
  solid: body.shape.solid.optional(),
  faces: body.shape.faces.optional(),
  steps: steps.optional(),
  finish: slots.optional(),
  place: placement.optional(),
});
export type RecipeCopy = z.infer<typeof recipeCopySchema>;

export function copyRecipe(piece: Piece, chapters: readonly RecipeChapter[]): RecipeCopy {
  const whole = {
    words: undefined,
    solid: piece.body.solid,
    faces: piece.body.faces,
    steps: piece.steps,
    finish: piece.slots,
    place: piece.placement,
  };
  const taken = chapters.map((chapter) => [chapter, whole[chapter]]);
  const source = chapters.includes('words') ? copySource(piece.source) : {};
  return { kind: 'fictile recipe', ...Object.fromEntries(taken), ...source } as RecipeCopy;
}

/** The values of words or of a drawing, without what they say or show. */
function copySource(source: Piece['source']): Pick<RecipeCopy, 'words' | 'drawing'> {
  if (isOfDrawing(source)) {
    const { kind: _kind, shape: _shape, own: _own, ...drawing } = source;
    return { drawing };
  }
  if (!isOfWords(source)) return {};
  const { kind: _kind, graphemes: _graphemes, nextId: _nextId, own: _own, ...words } = source;
  return { words };
}

/** What lay on a clipboard -> a recipe, if it is one. */
export function parseRecipe(data: unknown): Result<RecipeCopy> {
  const parsed = recipeCopySchema.safeParse(data);
  return parsed.success ? ok(parsed.data) : fail('PROJECT_BROKEN', firstIssue(parsed.error));
}

/** The edits that give a piece what was copied; its words stay, and a drawing takes from words what both have. */
export function recipeEdits(copy: RecipeCopy, { id: pieceId, source }: Pick<Piece, 'id' | 'source'>): Edit[] {
  const { words, drawing, solid, faces, steps, finish, place } = copy;
  const both = words ?? drawing;
  const shared = both && { contour: both.contour, depthAnchor: both.depthAnchor };
  return [
    ...(shared && isOfDrawing(source) ? [{ kind: 'setDrawing', pieceId, values: shared } as const] : []),
    ...(shared && isOfWords(source) ? [{ kind: 'setWords', pieceId, values: words ?? shared } as const] : []),
    ...(solid ? [{ kind: 'setSolid', pieceId, values: solid } as const] : []),
    ...(faces ? [{ kind: 'setFaces', pieceId, values: faces } as const] : []),
    ...(steps ? [{ kind: 'setSteps', pieceId, steps } as const] : []),
    ...(finish
      ? [
          ...SLOTS.map((slot) => ({ kind: 'setFinish', pieceId, slots: [slot], values: finish[slot] }) as const),
          { kind: 'finishBack', pieceId, asFront: finish.backAsFront } as const,
        ]
      : []),
    ...(place ? [{ kind: 'setPlacement', pieceId, values: place } as const] : []),
  ];
}
