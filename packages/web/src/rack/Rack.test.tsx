/** @jest-environment jsdom */
import { screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newPiece, newProject, type Project } from '@fictile/core';
import { Route, Routes, useParams } from 'react-router';
import { wordsOf } from '../testing/words.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { Rack } from './Rack.tsx';

const at = '2026-11-25T12:00:00Z';
const card = {
  id: 'p1',
  name: 'Opening night',
  words: 'KILN',
  pieces: 2,
  revision: 7,
  createdAt: at,
  updatedAt: at,
  binnedAt: null,
};

const Opened = () => <p>opened {useParams().id}</p>;
const show = () =>
  renderInside(
    <Routes>
      <Route path="/" element={<Rack />} />
      <Route path="/projects/:id" element={<Opened />} />
    </Routes>,
  );

test('lists what is there, with its figures', async () => {
  serve({ 'GET /api/projects': () => ({ body: { projects: [card] } }) });
  show();
  const link = await screen.findByRole('link', { name: /Opening night/ });
  expect(screen.getByRole('listitem').textContent).toContain('2 pieces · version 7');
  await userEvent.click(link);
  expect(screen.getByText('opened p1')).toBeTruthy();
});

test('a project goes into the bin, and the bin gives it back', async () => {
  let isBinned = false;
  const shown = (inBin: boolean) => ({
    body: { projects: isBinned === inBin ? [{ ...card, binnedAt: isBinned ? at : null }] : [] },
  });
  serve({
    'GET /api/projects': () => shown(false),
    'GET /api/projects?bin=true': () => shown(true),
    'DELETE /api/projects/p1': () => ((isBinned = true), { status: 204, body: {} }),
    'POST /api/projects/p1/restore': () => ((isBinned = false), { status: 204, body: {} }),
  });
  show();
  const pick = async (item: string): Promise<void> => {
    await userEvent.click(await screen.findByRole('button', { name: 'More for Opening night' }));
    await userEvent.click(await screen.findByRole('menuitem', { name: item }));
  };
  await pick('Put into the bin');
  expect(await screen.findByText(/Nothing here yet/)).toBeTruthy();
  await userEvent.click(screen.getByRole('link', { name: 'Bin' }));
  await pick('Back to the rack');
  expect(await screen.findByText('The bin is empty.')).toBeTruthy();
});

test('renaming keeps everything else of the document', async () => {
  const project = newProject('p1', 'Opening night', [newPiece('a', 'Kiln', [...'Kiln'])]);
  let saved: { project: Project; baseRevision: number } | undefined;
  serve({
    'GET /api/projects': () => ({ body: { projects: [card] } }),
    'GET /api/projects/p1': () => ({ body: { project, revision: 7, updatedAt: at } }),
    'PUT /api/projects/p1': (body) => {
      saved = body as typeof saved;
      return { body: { revision: 8, updatedAt: at } };
    },
  });
  show();
  await userEvent.click(await screen.findByRole('button', { name: 'More for Opening night' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Rename' }));
  const field = await screen.findByRole('textbox', { name: 'Name of the project' });
  await userEvent.clear(field);
  await userEvent.type(field, 'Fair');
  await userEvent.keyboard('{Enter}');
  await waitFor(() => expect(saved).toEqual({ project: { ...project, name: 'Fair' }, baseRevision: 7 }));
});

test('a file that is no project is told, and nothing is made', async () => {
  serve({ 'GET /api/projects': () => ({ body: { projects: [] } }) });
  const { container } = show();
  const input = container.querySelector<HTMLInputElement>('input[type=file]') as HTMLInputElement;
  // jsdom's files can't be read
  const file = Object.assign(new File(['hello'], 'pots.fictile'), {
    arrayBuffer: async () => new TextEncoder().encode('hello').buffer,
  });
  await userEvent.upload(input, file);
  expect(await screen.findByText(/pots.fictile can’t be read as a project/)).toBeTruthy();
});

test('an empty rack says what to do', async () => {
  serve({ 'GET /api/projects': () => ({ body: { projects: [] } }) });
  show();
  expect(await screen.findByText(/Nothing here yet/)).toBeTruthy();
});

test('words and Enter make a project of those words and open it', async () => {
  let made: Project | undefined;
  serve({
    'GET /api/projects': () => ({ body: { projects: [] } }),
    'POST /api/projects': (body) => {
      made = (body as { project: Project }).project;
      return { status: 201, body: { revision: 1, updatedAt: at } };
    },
  });
  show();
  await userEvent.type(screen.getByLabelText(/Type words/), 'Kiln  day{Enter}');
  await screen.findByText(`opened ${made?.id}`);
  expect(made?.name).toBe('Kiln day');
  expect(
    wordsOf(Object.values((made as Project).pieces)[0])
      .graphemes.map((g) => g.text)
      .join(''),
  ).toBe('Kiln  day');
});

test('only spaces make nothing', async () => {
  let posts = 0;
  serve({
    'GET /api/projects': () => ({ body: { projects: [] } }),
    'POST /api/projects': () => ({ status: 201, body: { revision: ++posts, updatedAt: at } }),
  });
  show();
  await userEvent.type(screen.getByLabelText(/Type words/), '   {Enter}');
  expect([posts, screen.getByRole<HTMLButtonElement>('button', { name: 'Make' }).disabled]).toEqual([0, true]);
});

test('with the server gone both parts say so, and the words stay in the field', async () => {
  serve({
    'GET /api/projects': () => ({ status: 503, body: {} }),
    'POST /api/projects': () => ({ status: 503, body: {} }),
  });
  show();
  expect(await screen.findByText(/can’t be reached/)).toBeTruthy();
  const field = screen.getByLabelText<HTMLInputElement>(/Type words/);
  await userEvent.type(field, 'Kiln{Enter}');
  expect(await screen.findByText(/could not be made/)).toBeTruthy();
  expect(field.value).toBe('Kiln');
  serve({ 'GET /api/projects': () => ({ body: { projects: [card] } }) });
  await userEvent.click(screen.getByText('Try again'));
  expect(await screen.findByText('Opening night')).toBeTruthy();
});
