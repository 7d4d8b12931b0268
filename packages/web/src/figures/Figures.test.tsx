/** @jest-environment jsdom */
import { act, screen } from '@testing-library/react';
import { noteAction, type Action } from '../store/index.ts';
import { renderInside } from '../testing/render.tsx';
import { asText } from './asText.ts';
import { Figures } from './Figures.tsx';
import { workShares } from './workShares.ts';

const cut: Action = {
  kind: 'exact',
  milliseconds: 900,
  faces: 12_345,
  work: {
    milliseconds: 800,
    threads: 2,
    heldBytes: 84e6,
    stages: [
      { name: 'cut', made: 1, found: 0, ms: 500 },
      { name: 'flat', made: 2, found: 9, ms: 200 },
      { name: 'outline', made: 0, found: 11, ms: 0 },
    ],
  },
};

test('the parts of an action are all of its time, the longest first', () => {
  const shares = workShares(cut);
  expect(shares.map(({ name, ms }) => [name, ms])).toEqual([
    ['cut', 500],
    ['flat', 200],
    ['rest', 100],
    ['wait', 100],
  ]);
  expect(workShares({ ...cut, work: undefined })).toEqual([{ name: 'wait', ms: 900 }]);
});

test('says what was done last, stage by stage, what was before, and what machine it is', async () => {
  renderInside(<Figures opened onClose={() => undefined} />);
  expect(await screen.findByText(/Nothing was built/)).toBeTruthy();
  act(() => noteAction({ kind: 'preview', milliseconds: 63, faces: 500, work: cut.work }));
  act(() => noteAction(cut));
  expect(screen.getByText('900 ms to the exact mesh of 12,345 faces')).toBeTruthy();
  expect(screen.getByText('2 made, 9 at hand')).toBeTruthy();
  expect(screen.getByText('63 ms')).toBeTruthy();
  expect(screen.getByText(/^2 of \d+ cores?$/)).toBeTruthy();
  expect(screen.getByText('84 MB')).toBeTruthy();
});

test('all of it as text, for somebody who asks why something is slow', () => {
  const text = asText([cut, { ...cut, kind: 'kept', work: undefined }], [['Threads at work', '2 of 8 cores']]);
  expect(text).toContain('900 ms to the exact mesh of 12,345 faces\n  500 ms  Cuts (1 made)');
  expect(text).toContain('Before that\n  900 ms  Kept, 12,345 faces');
  expect(text).toContain('  Threads at work: 2 of 8 cores');
});
