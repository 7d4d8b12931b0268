/** @jest-environment jsdom */
import type { Piece } from '@fictile/core';
import { act, cleanup, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useSyncExternalStore } from 'react';
import { withNewStep } from '../../../../core/src/testing/newStep.ts';
import type { RecipeBench } from '../recipeContext.ts';
import { renderInside } from '../../testing/render.tsx';

await withNewStep();
const { newPiece, newProject } = await import('@fictile/core');
const { ProjectStore } = await import('../../store/index.ts');
const { RecipeContext } = await import('../recipeContext.ts');
const { pieceEdits } = await import('../pieceEdits.ts');
const { StepsChapter } = await import('./StepsChapter.tsx');

const project = newProject('p', 'Kiln', [newPiece('a', 'Kiln', [...'Kiln'])]);
const store = new ProjectStore({ project, revision: 1, updatedAt: '2026-11-25T12:00:00Z' });
const piece = (): Piece => store.project.pieces.a;
const work = { at: undefined, set: () => undefined, copy: () => undefined, paste: () => undefined };

function Chapter() {
  useSyncExternalStore(store.subscribe, () => store.state);
  const bench = {
    edits: pieceEdits(store, [piece()]),
    remarks: [],
    work,
    picked: [],
    others: [],
    onStep: () => undefined,
  };
  return (
    <RecipeContext value={bench as unknown as RecipeBench}>
      <StepsChapter piece={piece()} />
    </RecipeContext>
  );
}

afterEach(() => {
  cleanup();
  store.stop();
});

test('a new kind of step is added from the menu, its sentence works, and is undone', async () => {
  renderInside(<Chapter />);
  const user = userEvent.setup();
  await user.click(screen.getByRole('button', { name: 'Add a step' }));
  await user.click(await screen.findByRole('menuitem', { name: 'Humps' }));
  expect(piece().steps).toMatchObject([{ kind: 'humps', heightMm: 5, humps: 2 }]);
  expect(screen.getByTestId('step').textContent).toMatch(/^2\shumps/);

  screen.getByRole('spinbutton', { name: /^Height of humps/ }).focus();
  await user.keyboard('{ArrowUp}');
  expect(piece().steps).toMatchObject([{ heightMm: 6 }]);
  await user.click(screen.getByRole('button', { name: /^Which way/ }));
  await user.click(await screen.findByRole('menuitem', { name: 'the depth' }));
  await user.click(screen.getByRole('button', { name: /^Up or down/ }));
  await user.click(await screen.findByRole('menuitem', { name: 'down' }));
  expect(piece().steps).toMatchObject([{ along: 'z', downward: true, heightMm: 6 }]);
  act(() => store.undo());
  expect(piece().steps).toMatchObject([{ along: 'z', downward: false }]);
});
