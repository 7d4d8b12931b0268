/** @jest-environment jsdom */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { renderInside } from '../testing/render.tsx';
import { ChoiceValue } from './ChoiceValue.tsx';

const CHOICES = ['clay', 'glaze', 'salt', 'slip'].map((value) => ({ value, label: value }));

/** Opens the menu and gives the button a key before the menu has the focus. */
function openAndPress(value: string, keys: readonly string[]): string[] {
  const tried: string[] = [];
  renderInside(
    <ChoiceValue
      label="Finish"
      value={value}
      choices={CHOICES}
      onTry={(v) => v !== undefined && tried.push(v)}
      onChange={() => undefined}
    />,
  );
  const button = screen.getByRole('button', { name: `Finish: ${value}` });
  fireEvent.click(button);
  for (const key of keys) fireEvent.keyDown(button, { key });
  return tried;
}

test('arrow keys pressed before a menu has the focus are taken once it has', async () => {
  const tried = openAndPress('glaze', ['ArrowDown', 'ArrowDown']);
  await waitFor(() => expect(tried).toEqual(['slip']));
  expect(document.activeElement?.textContent).toBe('slip');
});

test('a menu starts at what is chosen, and tries nothing by that', async () => {
  const tried = openAndPress('salt', []);
  await waitFor(() => expect(document.activeElement?.textContent).toBe('salt'));
  expect(tried).toEqual([]);
});

test('where nothing listed is chosen, the first key takes the first', async () => {
  const tried = openAndPress('none of them', ['ArrowDown']);
  await waitFor(() => expect(tried).toEqual(['clay']));
});
