/** @jest-environment jsdom */
import { jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { useState } from 'react';
import { renderInside } from '../testing/render.tsx';
import { ValueField } from './index.ts';

const taken = jest.fn<(value: number) => void>();
beforeEach(() => taken.mockClear());

function Field({ whole = false }: { whole?: boolean }) {
  const [value, setValue] = useState(18);
  const take = (next: number): void => {
    taken(next);
    setValue(next);
  };
  return <ValueField label="Raise" value={value} unit="mm" min={0} max={100} whole={whole} onChange={take} />;
}

async function type(text: string, whole = false): Promise<HTMLInputElement> {
  renderInside(<Field whole={whole} />);
  const input = screen.getByLabelText<HTMLInputElement>('Raise');
  await userEvent.clear(input);
  if (text !== '') await userEvent.type(input, text);
  return input;
}

test('shows its unit and gives on every value that fits', async () => {
  const input = await type('25');
  expect(input.value).toBe('25 mm');
  expect(taken.mock.calls.flat()).toEqual([2, 25]);
});

test.each([
  ['', []],
  ['-5', [5]], // a minus is not even taken where nothing below zero is
  ['999', [9, 99]],
])('"%s" half-way or out of range never reaches the document', async (text, values) => {
  await type(text);
  expect(taken.mock.calls.flat()).toEqual(values);
});

test('what is out of range is said, and leaving the field brings the last good value back', async () => {
  const input = await type('999');
  expect(screen.getByText('0 to 100')).toBeTruthy();
  await userEvent.tab();
  expect(input.value).toBe('99 mm');
});

test('a whole number takes no fraction', async () => {
  await type('2.5', true);
  expect(taken.mock.calls.flat().every(Number.isInteger)).toBe(true);
});

test('arrow keys step', async () => {
  const input = await type('20');
  await userEvent.type(input, '{ArrowUp}{ArrowUp}{ArrowDown}');
  expect(taken.mock.calls.flat().slice(-3)).toEqual([21, 22, 21]);
});
