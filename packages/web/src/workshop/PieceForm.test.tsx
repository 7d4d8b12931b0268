/** @jest-environment jsdom */
import { act, cleanup, screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newPiece, newProject, type Piece } from '@fictile/core';
import { useSyncExternalStore } from 'react';
import { ProjectStore } from '../store/index.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { PieceForm } from './PieceForm.tsx';

const style = (name: string, weight: number) => ({ name, weight, italic: false, hash: name });
const FAMILIES = [
  { family: 'Zilla Slab', kind: 'slab', licence: '', axes: [], styles: [style('Bold', 700)] },
  { family: 'Pacifico', kind: 'script', licence: '', axes: [], styles: [style('Regular', 400)] },
];

let store: ProjectStore;
const piece = (): Piece => store.project.pieces.a;

function Form() {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const remarks = [{ code: 'EDGE_MEETS', params: { letters: 'K' } } as const];
  return <PieceForm piece={state.history.project.pieces.a} store={store} remarks={remarks} />;
}

beforeEach(async () => {
  serve({ 'GET /api/fonts': () => ({ body: { families: FAMILIES } }) });
  localStorage.clear();
  const project = newProject('p', 'Kiln', [newPiece('a', 'Kiln', [...'Kiln'])]);
  store = new ProjectStore({ project, revision: 1, updatedAt: '2026-11-25T12:00:00Z' });
  renderInside(<Form />);
  await screen.findByRole('option', { name: 'Pacifico Regular' });
});
afterEach(() => {
  cleanup();
  store.stop();
});

test('typing keeps the ids of the letters that stay', async () => {
  const field = screen.getByLabelText<HTMLTextAreaElement>('Words');
  await userEvent.type(field, 's', { initialSelectionStart: 4 });
  expect(piece().source.graphemes.map((g) => [g.id, g.text])).toEqual([
    [1, 'K'],
    [2, 'i'],
    [3, 'l'],
    [4, 'n'],
    [5, 's'],
  ]);
  await userEvent.type(field, '{Backspace}', { initialSelectionStart: 1, initialSelectionEnd: 2 });
  expect(piece().source.graphemes.map((g) => g.id)).toEqual([1, 3, 4, 5]);
});

test('a row of typed letters undoes as one', async () => {
  await userEvent.type(screen.getByLabelText('Words'), ' day');
  act(() => store.undo());
  expect(
    piece()
      .source.graphemes.map((g) => g.text)
      .join(''),
  ).toBe('Kiln');
});

test('font, lines and edge are chosen from lists', async () => {
  await userEvent.selectOptions(screen.getByLabelText('Font'), 'Pacifico Regular');
  await userEvent.selectOptions(screen.getByLabelText('Lines'), 'right');
  await userEvent.selectOptions(screen.getByLabelText('Front edge'), 'chamfered');
  expect(piece().source).toMatchObject({ font: { family: 'Pacifico', weight: 400 }, align: 'right' });
  expect(piece().body.solid.front.kind).toBe('chamfer');
});

test('a plain edge has no widths, a chamfer no steps', async () => {
  const labels = () => ['In', 'Deep', 'Steps'].map((label) => screen.queryByLabelText(label) !== null);
  expect(labels()).toEqual([true, true, true]);
  await userEvent.selectOptions(screen.getByLabelText('Front edge'), 'chamfered');
  expect(labels()).toEqual([true, true, false]);
  await userEvent.selectOptions(screen.getByLabelText('Front edge'), 'plain');
  expect(labels()).toEqual([false, false, false]);
});

test('values and the tick for the back edge reach the document', async () => {
  const raise = screen.getByLabelText('Raise');
  await userEvent.clear(raise);
  await userEvent.type(raise, '31');
  await userEvent.click(screen.getByLabelText('Back edge the same'));
  expect(piece().body.solid).toMatchObject({ depthMm: 31, backAsFront: true });
});

test('what the mesh has to tell stands under the values', () => {
  expect(screen.getByRole('status').textContent).toContain('ridge: K');
});
