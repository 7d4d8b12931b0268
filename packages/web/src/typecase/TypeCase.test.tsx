/** @jest-environment jsdom */
import { screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { renderInside, serve } from '../testing/render.tsx';
import { TypeCase } from './TypeCase.tsx';

const family = (name: string, kind: string, covers: string) => ({
  ...{ family: name, kind, licence: '', axes: [], covers },
  styles: [{ name: 'Bold', weight: 700, italic: false, hash: name }],
});
const LATIN = '20-7e';
const FAMILIES = [
  family('Slabby', 'slab', LATIN),
  family('Swash', 'script', `${LATIN},3b1-3c9`),
  family('Hebraic', 'sans', '5d0-5ea'),
];

let made: { project: { name: string; pieces: Record<string, { source: { font: { family: string } } }> } } | undefined;

let brought: typeof FAMILIES = [];

beforeEach(async () => {
  made = undefined;
  brought = [];
  localStorage.clear();
  serve({
    'GET /api/fonts': () => ({ body: { families: [...brought, ...FAMILIES] } }),
    'POST /api/fonts?name=Own.ttf': () => {
      brought = [family('Saltglaze', 'own', LATIN)];
      return { status: 201, body: { families: ['Saltglaze'], faces: 1 } };
    },
    'POST /api/fonts?name=Broken.ttf': () => ({ status: 422, body: { error: { code: 'FONT_BROKEN', params: {} } } }),
    'DELETE /api/fonts/Saltglaze': () => {
      brought = [];
      return { status: 204, body: {} };
    },
    'POST /api/projects': (body) => {
      made = body as typeof made;
      return { status: 201, body: { revision: 1, updatedAt: '2026-11-25T12:00:00Z' } };
    },
  });
  renderInside(<TypeCase />);
  await screen.findByRole('button', { name: /Slabby/ });
});

const drawers = (): string[] =>
  within(screen.getByRole('main'))
    .getAllByRole('button', { name: /·/ })
    .map((b) => b.textContent ?? '');
const type = async (text: string): Promise<void> => {
  const field = screen.getByRole('textbox', { name: 'Sample words' });
  await userEvent.clear(field);
  await userEvent.type(field, text);
};

test('only families with every letter of the words are shown, set in them', async () => {
  expect(drawers()).toHaveLength(2);
  expect(screen.getByText('2 of 3 families')).toBeTruthy();
  await type('ω');
  expect(drawers().map((text) => text.slice(0, 6))).toEqual(['ωSwash']);
  await type('窯');
  expect(screen.getByText(/^No family has every letter/)).toBeTruthy();
});

test('a kind is chosen in the sentence', async () => {
  await userEvent.click(screen.getByRole('button', { name: /^Families/ }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'script' }));
  expect(drawers().map((text) => text.includes('Swash'))).toEqual([true]);
});

test('what a family covers stands beside it, and a project is made in it', async () => {
  await userEvent.click(screen.getByRole('button', { name: /Swash/ }));
  const facts = within(screen.getByRole('complementary', { name: 'Swash' }));
  expect(facts.getByText('Latin, Greek.')).toBeTruthy();
  await userEvent.click(facts.getByRole('button', { name: 'Make a project in it' }));
  expect(made?.project.name).toBe('Kiln Opening');
  expect(made?.project.pieces.title.source.font.family).toBe('Swash');
});

test('favourites are kept in this browser and can be shown alone', async () => {
  await userEvent.click(screen.getByRole('button', { name: /Swash/ }));
  await userEvent.click(screen.getByRole('button', { name: 'Keep among the favourites' }));
  await userEvent.click(screen.getByRole('button', { name: /^Families/ }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'favourites' }));
  expect(drawers().map((text) => text.includes('Swash'))).toEqual([true]);
  expect(localStorage.getItem('fictile favourite fonts')).toBe('["Swash"]');
});

test('fonts are brought in, chosen at once, and taken out again; what is none is told', async () => {
  const field = document.querySelector('input[type=file][multiple]') as HTMLInputElement;
  const file = (name: string): File => new File(['x'], name);
  await userEvent.upload(field, [file('Broken.ttf'), file('Own.ttf')]);
  const facts = await screen.findByRole('complementary', { name: 'Saltglaze' });
  expect(await screen.findByText(/^Broken.ttf can’t be read as a font/)).toBeTruthy();
  expect(screen.getByText('In the case now: Saltglaze')).toBeTruthy();
  await userEvent.click(within(facts).getByRole('button', { name: 'Take out of the case' }));
  await waitFor(() => expect(drawers().some((text) => text.includes('Saltglaze'))).toBe(false));
});
