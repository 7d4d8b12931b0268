/** @jest-environment jsdom */
import { act, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { renderInside } from '../testing/render.tsx';
import { CommandSearch, search, useKeys, type Command } from './index.ts';

let ran: string[];
beforeEach(() => (ran = []));
afterEach(() => act(() => search.close()));

function Searched() {
  const commands = ['Hand over', 'Type here', 'Type there'].map((label): Command => ({
    id: label,
    label,
    keys: label.slice(0, 1),
    run: () => ran.push(label),
  }));
  useKeys(commands, true);
  return (
    <>
      <button type="button">before</button>
      <CommandSearch commands={commands} />
    </>
  );
}

test('a command is found by its words; then the focus is where it was', async () => {
  renderInside(<Searched />);
  screen.getByRole('button', { name: 'before' }).focus();
  act(() => search.open());
  const field = await screen.findByRole<HTMLInputElement>('textbox');
  await waitFor(() => expect(document.activeElement).toBe(field));
  await userEvent.keyboard('there{Enter}');
  expect(ran).toEqual(['Type there']);
  await waitFor(() => expect(document.activeElement).toBe(screen.getByRole('button', { name: 'before' })));
});

test('what is typed before the field has the focus goes into it, and runs nothing else', async () => {
  renderInside(<Searched />);
  act(() => search.open());
  await userEvent.keyboard('Type tthere', { delay: null });
  await userEvent.keyboard('{Backspace}'.repeat(5) + 'here', { delay: null });
  const field = await screen.findByRole<HTMLInputElement>('textbox');
  expect(field.value).toBe('Type there');
  expect(ran).toEqual([]);
  await userEvent.keyboard('{Enter}');
  await waitFor(() => expect(ran).toEqual(['Type there']));
});
