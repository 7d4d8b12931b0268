/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newForm, remark, usualForms, usualStep, type Remark, type Step } from '@fictile/core';
import { renderInside } from '../testing/render.tsx';
import type { PieceEdits } from './pieceEdits.ts';
import { Told } from './Told.tsx';

const cut = (id: string): Step => ({ ...usualStep('cut', id), target: 'words' }) as Step;
const onto = (id: string, on: boolean): Step => ({ ...usualStep('onto', id), target: 'body', on }) as Step;

/** The steps after the cure of a remark was pressed. */
async function cured(told: Remark, steps: Step[], chapter: 'steps' | 'words' = 'steps'): Promise<Step[]> {
  let changed: readonly Step[] = steps;
  const edits = { steps: (next: readonly Step[]) => (changed = next) } as unknown as PieceEdits;
  const piece = { ...newForm('a', 'Slab', usualForms().block), steps };
  renderInside(<Told chapter={chapter} remarks={[told]} edits={edits} piece={piece} />);
  await userEvent.click(screen.getByRole('button'));
  return [...changed];
}

test('a cure changes the step that it was told of, and no other of its kind', async () => {
  const steps = [cut('one'), cut('two')];
  const after = await cured(remark('CUT_LOOSE', { stepId: 'two', parts: 1, kept: true }), steps);
  expect(after).toEqual([steps[0], { ...steps[1], loose: 'drop' }]);
});

test('of steps that lay a piece the one that is on is cured', async () => {
  const steps = [onto('off', false), onto('on', true)];
  const after = await cured(remark('ONTO_OVERHANGS', { letters: 'K', instead: 'straight' }), steps);
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
