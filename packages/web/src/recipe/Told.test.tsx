/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import {
  cureOf,
  middleOfSide,
  newForm,
  remark,
  usualForms,
  usualStep,
  type Edit,
  type Piece,
  type Remark,
  type Step,
} from '@fictile/core';
import { renderInside } from '../testing/render.tsx';
import type { PieceEdits } from './pieceEdits.ts';
import { RecipeContext, type RecipeBench } from './recipeContext.ts';
import { Told } from './Told.tsx';

const cut = (id: string): Step => ({ ...usualStep('cut', id), target: 'words' }) as Step;
const onto = (id: string, on: boolean): Step => ({ ...usualStep('onto', id), target: 'body', on }) as Step;

/** What the cure of a remark does when it is pressed. */
async function pressed(told: Remark, piece: Piece, chapter: 'steps' | 'words' | 'faces'): Promise<Edit[]> {
  const done: Edit[] = [];
  const edits = {
    all: (some: readonly Edit[]) => done.push(...some),
    cure: (one: Remark) => cureOf(one, piece, { pieces: {}, freshId: 'fresh' }),
  } as unknown as PieceEdits;
  renderInside(
    <RecipeContext value={{ edits, remarks: [told] } as unknown as RecipeBench}>
      <Told chapter={chapter} />
    </RecipeContext>,
  );
  await userEvent.click(screen.getByRole('button'));
  return done;
}

/** The steps after that. */
async function cured(told: Remark, steps: Step[], chapter: 'steps' | 'words' = 'steps'): Promise<readonly Step[]> {
  const [edit] = await pressed(told, { ...newForm('a', 'Slab', usualForms().block), steps }, chapter);
  return edit.kind === 'setSteps' ? edit.steps : steps;
}

test('a cure changes the step that it was told of, and no other of its kind', async () => {
  const steps = [cut('one'), cut('two')];
  const after = await cured(remark('CUT_LOOSE', { stepId: 'two', parts: 1, kept: true }), steps);
  expect(after).toEqual([steps[0], { ...steps[1], loose: 'drop' }]);
});

test('of steps that lay a piece the one that is told of is cured', async () => {
  const steps = [onto('off', false), { ...onto('on', true), place: middleOfSide('front') } as Step];
  const told = remark('ONTO_OVERHANGS', { stepId: 'on', letters: 'K', instead: 'straight', sizePercent: 0 });
  const after = await cured(told, steps);
  expect(after).toEqual([steps[0], { ...steps[1], overhang: 'leave' }]);
});

test('a model whose points lie a hair beside each other gets them joined first', async () => {
  const steps = [cut('one')];
  const after = await cured(
    remark('MODEL_OPEN', { openEdges: 24, badEdges: 0, isClosed: false, joinMm: 0.007 }),
    steps,
    'words',
  );
  expect(after).toEqual([{ ...usualStep('join', after[0].id), withinMm: 0.007 }, steps[0]]);
});

test('unevenness that is too high becomes as high as holds, a little under', async () => {
  const noise = { ...usualStep('noise', 'n'), moves: 'outward', heightMm: 9 } as Step;
  const after = await cured(remark('SHAPE_CROSSES', { letters: 'G', stepId: 'n', limit: 2.189 }), [noise]);
  expect(after).toEqual([{ ...noise, heightMm: 2.1 }]);
});

test.each([
  [
    'REDUCE_SHORT',
    remark('REDUCE_SHORT', { stepId: 's', asked: 7000, left: 13_672, percent: 34.52 }),
    usualStep('reduce', 's'),
    { count: 13_672, sharePercent: 34.6 },
  ],
  [
    'CUT_RIM_NARROWED',
    remark('CUT_RIM_NARROWED', { stepId: 's', askedMm: 4, takenMm: 0.97 }),
    cut('s'),
    { softMm: 0.97 },
  ],
  [
    'CUT_RAISED_LESS',
    remark('CUT_RAISED_LESS', { stepId: 's', askedMm: 3, takenMm: 3, leanPercent: 12.34 }),
    cut('s'),
    { raiseMm: 3, leanPercent: 12 },
  ],
])('%s: the step is left as it could be built', async (_, told, step, values) => {
  expect(await cured(told, [step])).toEqual([{ ...step, ...values }]);
});

test('edges that are too long between bands get more bands, not another style', async () => {
  const piece = newForm('a', 'Slab', usualForms().block);
  const bands = {
    ...piece,
    body: { ...piece.body, faces: { ...piece.body.faces, style: 'bands' as const, bands: 24 } },
  };
  const told = remark('NEED_FINER', { haveMm: 8, needMm: 3 });
  expect(await pressed(told, bands, 'faces')).toEqual([{ kind: 'setFaces', pieceId: 'a', values: { bands: 64 } }]);
});
