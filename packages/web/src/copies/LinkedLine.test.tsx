/** @jest-environment jsdom */
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { newPiece, newProject, type Edit } from '@fictile/core';
import { useSyncExternalStore } from 'react';
import { ProjectStore } from '../store/index.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { LinkedLine } from './index.ts';

let store: ProjectStore;
let chosen: readonly string[] = [];

function Line({ id }: { id: string }) {
  const { project } = useSyncExternalStore(store.subscribe, () => store.state).history;
  const edit = (one: Edit): void => store.edit(one);
  return <LinkedLine project={project} piece={project.pieces[id]} choose={(ids) => (chosen = ids)} edit={edit} />;
}

beforeEach(() => {
  serve({});
  localStorage.clear();
  const kiln = newPiece('kiln', 'Kiln', [...'Kiln']);
  store = new ProjectStore({ project: newProject('p', 'Row', [kiln]), revision: 1, updatedAt: '2026-12-01T12:00:00Z' });
  for (const id of ['2', '3'])
    store.edit({ kind: 'addPiece', piece: { ...kiln, id, name: `Kiln ${id}`, copyOf: 'kiln' } });
});
afterEach(() => {
  cleanup();
  store.stop();
});

test('a piece says what follows it, and leads there', async () => {
  renderInside(<Line id="kiln" />);
  await userEvent.click(screen.getByRole('button', { name: 'Choose its linked copies: 2 linked copies' }));
  expect(chosen).toEqual(['2', '3']);
});

test('a copy says what is its own; it is given back one by one, or all', async () => {
  store.edit({ kind: 'setSolid', pieceId: '2', values: { depthMm: 9 } });
  store.edit({ kind: 'spliceWords', pieceId: '2', at: 4, remove: 0, insert: ['s'] });
  renderInside(<Line id="2" />);
  await userEvent.click(screen.getByRole('button', { name: 'Work on what it follows: Kiln' }));
  expect(chosen).toEqual(['kiln']);
  await userEvent.click(screen.getByRole('button', { name: 'What is its own: 2 things' }));
  await userEvent.click(screen.getByRole('button', { name: 'Follow again: Solid: depth' }));
  expect(store.project.pieces['2'].body).toBe(store.project.pieces.kiln.body);
  await userEvent.click(screen.getByRole('button', { name: 'Follow in all' }));
  expect(store.project.pieces['2'].source).toBe(store.project.pieces.kiln.source);
  screen.getByRole('button', { name: 'What is its own: nothing yet' });
});

test('a copy is made independent, and says nothing any more', async () => {
  renderInside(<Line id="3" />);
  await userEvent.click(screen.getByRole('button', { name: /What is its own/ }));
  await userEvent.click(screen.getByRole('button', { name: 'Make independent' }));
  expect(store.project.pieces['3'].copyOf).toBeUndefined();
  expect(screen.queryByText(/follows/)).toBeNull();
});
