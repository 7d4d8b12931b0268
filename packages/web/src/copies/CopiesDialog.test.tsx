/** @jest-environment jsdom */
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Transform } from '@fictile/core';
import { renderInside, serve } from '../testing/render.tsx';
import { CopiesDialog } from './index.ts';

let made: Transform[] | undefined;
const box = { low: [0, 0, 0], high: [80, 20, 10] } as const;
const show = (present = 1): void => {
  serve({});
  made = undefined;
  const of = { name: 'Kiln', pieces: 1, box: { low: [...box.low], high: [...box.high] } } as never;
  renderInside(
    <CopiesDialog of={of} present={present} onMake={(motions) => (made = motions)} onClose={() => undefined} />,
  );
};
afterEach(cleanup);

test('nine more in a row to begin with, with room between them', async () => {
  show();
  await userEvent.click(await screen.findByRole('button', { name: 'Make 9 copies' }));
  expect(made?.map(({ move }) => move)).toEqual(Array.from({ length: 9 }, (_, i) => [85 * (i + 1), 0, 0]));
});

test('a grid, chosen from the sentence', async () => {
  show();
  await userEvent.click(await screen.findByRole('button', { name: /in a row/ }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'a grid' }));
  await userEvent.click(await screen.findByRole('button', { name: 'Make 8 copies' }));
  expect(made).toHaveLength(8);
});

test('more than a project holds are not made', async () => {
  show(995);
  expect((await screen.findByRole('button', { name: 'Make 9 copies' })).hasAttribute('disabled')).toBe(true);
  screen.getByText('A project holds 1,000 pieces at most.');
});
