/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { renderInside } from '../testing/render.tsx';
import { keysText, useKeys, type Command } from './index.ts';

let ran: string[];
beforeEach(() => (ran = []));

function Keys({ isPossible = true, singleKeys = true }: { isPossible?: boolean; singleKeys?: boolean }) {
  const command = (id: string, keys: string): Command => ({ id, label: id, keys, isPossible, run: () => ran.push(id) });
  useKeys(
    [
      command('undo', 'mod+Z'),
      command('redo', 'mod+shift+Z'),
      command('fit', 'V'),
      command('type', 'Enter'),
      command('copy', 'mod+C'),
    ],
    singleKeys,
  );
  return (
    <>
      <input aria-label="field" />
      <button type="button">press</button>
    </>
  );
}

test('commands run by their keys', async () => {
  renderInside(<Keys />);
  await userEvent.keyboard('{Control>}z{/Control}{Control>}{Shift>}z{/Shift}{/Control}v{Enter}');
  expect(ran).toEqual(['undo', 'redo', 'fit', 'type']);
});

test('while text is typed only those with Ctrl do; Enter belongs to what has the focus', async () => {
  renderInside(<Keys />);
  await userEvent.type(screen.getByLabelText('field'), 'v{Enter}{Control>}z{/Control}');
  screen.getByRole('button').focus();
  await userEvent.keyboard('{Enter}v');
  expect(ran).toEqual(['undo', 'fit']);
});

test('what is not possible now does not run', async () => {
  renderInside(<Keys isPossible={false} />);
  await userEvent.keyboard('v{Control>}z{/Control}');
  expect(ran).toEqual([]);
});

test('single letters can be switched off, keys that none hits by chance stay', async () => {
  renderInside(<Keys singleKeys={false} />);
  await userEvent.keyboard('v{Enter}{Control>}z{/Control}');
  expect(ran).toEqual(['type', 'undo']);
});

test('copying belongs to text where it is typed', async () => {
  renderInside(<Keys />);
  await userEvent.type(screen.getByLabelText('field'), '{Control>}c{/Control}');
  screen.getByRole('button').focus();
  await userEvent.keyboard('{Control>}c{/Control}');
  expect(ran).toEqual(['copy']);
});

test('keys are written as people say them', () => expect(keysText('mod+shift+Z')).toBe('Ctrl Shift Z'));
