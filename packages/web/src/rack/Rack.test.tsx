/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import type { Project } from '@fictile/core';
import { Route, Routes, useParams } from 'react-router';
import { renderInside, serve } from '../testing/render.tsx';
import { Rack } from './Rack.tsx';

const at = '2026-11-25T12:00:00Z';
const card = { id: 'p1', name: 'Opening night', words: 'KILN', pieces: 2, revision: 7, createdAt: at, updatedAt: at };

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
  expect(link.textContent).toContain('2 pieces · version 7');
  await userEvent.click(link);
  expect(screen.getByText('opened p1')).toBeTruthy();
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
    Object.values(made?.pieces ?? {})[0]
      .source.graphemes.map((g) => g.text)
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
