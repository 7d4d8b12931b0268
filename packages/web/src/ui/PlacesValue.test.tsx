/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { renderInside } from '../testing/render.tsx';
import { PlacesValue } from './index.ts';
import type { PlaceOf3 } from './PlacesValue.tsx';

let changes: PlaceOf3[][];
beforeEach(() => {
  changes = [];
  renderInside(
    <PlacesValue
      label="Places of it"
      shown="1 place"
      help="one a line"
      faultAt={(line) => `line ${line} is none`}
      places={[[1, 2, 3]]}
      most={3}
      onChange={(places) => changes.push(places)}
    />,
  );
});

test('places are changed as text, one a line; what is none is told and not taken', async () => {
  await userEvent.click(screen.getByRole('button', { name: 'Places of it' }));
  const field = await screen.findByRole<HTMLTextAreaElement>('textbox', { name: 'Places of it' });
  expect(field.value).toBe('1, 2, 3');
  await userEvent.type(field, '\n-4.5 0,,6', { initialSelectionStart: 7 });
  expect(screen.queryByText('line 2 is none')).toBeNull();
  await userEvent.type(field, '\n7, 8');
  expect(screen.getByText('line 3 is none')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Places of it' }));
  expect(changes).toEqual([]);

  await userEvent.click(screen.getByRole('button', { name: 'Places of it' }));
  const again = await screen.findByRole('textbox', { name: 'Places of it' });
  await userEvent.type(again, '\n7, 8, 9', { initialSelectionStart: 7 });
  await userEvent.click(screen.getByRole('button', { name: 'Places of it' }));
  expect(changes).toEqual([
    [
      [1, 2, 3],
      [7, 8, 9],
    ],
  ]);
});
