/** @jest-environment jsdom */
import { screen, within } from '@testing-library/react';
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

beforeEach(async () => {
  made = undefined;
  serve({
    'GET /api/fonts': () => ({ body: { families: FAMILIES } }),
    'POST /api/projects': (body) => {
      made = body as typeof made;
      return { status: 201, body: { revision: 1, updatedAt: '2026-11-25T12:00:00Z' } };
    },
  });
  renderInside(<TypeCase />);
  await screen.findByRole('button', { name: /Slabby/ });
});

const drawers = (): string[] => within(screen.getByRole('main')).getAllByRole('button', { name: /·/ }).map((b) => b.textContent ?? ''); // prettier-ignore
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
