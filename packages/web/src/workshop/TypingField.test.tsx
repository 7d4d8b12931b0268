/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { applyEdit, newPiece, newProject, spliceBetween, splitGraphemes, unwrap, type Piece } from '@fictile/core';
import { useState } from 'react';
import { wordsOf } from '../testing/words.ts';
import { renderInside } from '../testing/render.tsx';
import type { CaretPlace } from '../viewport/index.ts';
import { TypingField } from './TypingField.tsx';

let piece: Piece;
let place: CaretPlace;
let ended = 0;

function Typed({ words, start }: { words: string; start: CaretPlace }) {
  const [project, setProject] = useState(() => newProject('p', 'p', [newPiece('a', 'a', splitGraphemes(words))]));
  const [at, setAt] = useState(start);
  piece = project.pieces.a;
  place = at;
  const retype = (text: string): void => {
    const before = wordsOf(piece).graphemes.map((g) => g.text);
    setProject(
      unwrap(applyEdit(project, { kind: 'spliceWords', pieceId: 'a', ...spliceBetween(before, splitGraphemes(text)) })),
    );
  };
  return (
    <TypingField
      piece={{ ...piece, source: wordsOf(piece) }}
      place={at}
      onPlace={setAt}
      onText={retype}
      onEnd={() => ended++}
    />
  );
}

const show = (words: string, focus: number, anchor = focus): HTMLTextAreaElement => {
  renderInside(<Typed words={words} start={{ focus, anchor }} />);
  return screen.getByRole<HTMLTextAreaElement>('textbox', { name: 'Words on the letters' });
};
const text = (): string =>
  wordsOf(piece)
    .graphemes.map((g) => g.text)
    .join('');

test('takes the focus, with the caret where it stands on the letters', () => {
  const field = show('Kiln', 2);
  expect(document.activeElement).toBe(field);
  expect([field.selectionStart, field.selectionEnd]).toEqual([2, 2]);
});

test('typing goes in at the caret, which moves on; letters that stay keep their ids', async () => {
  show('Kiln', 2);
  await userEvent.keyboard('xy');
  expect([text(), place]).toEqual(['Kixyln', { focus: 4, anchor: 4 }]);
  expect(wordsOf(piece).graphemes.map((g) => g.id)).toEqual([1, 2, 5, 6, 3, 4]);
});

test('arrows move the caret', async () => {
  show('Kiln', 4);
  await userEvent.keyboard('{ArrowLeft}');
  expect(place).toEqual({ focus: 3, anchor: 3 });
});

test('what is selected is typed over, from either end', async () => {
  const field = show('Kiln', 1, 3);
  expect([field.selectionStart, field.selectionEnd, field.selectionDirection]).toEqual([1, 3, 'backward']);
  await userEvent.keyboard('o');
  expect([text(), place]).toEqual(['Kon', { focus: 2, anchor: 2 }]);
});

test('places count what a person sees, whatever it is made of', async () => {
  const field = show('a👩‍🔧é', 2);
  expect(field.selectionStart).toBe('a👩‍🔧'.length);
  await userEvent.keyboard('!');
  expect([text(), place.focus]).toEqual(['a👩‍🔧!é', 3]);
});

test('Enter breaks the line, Escape ends the typing', async () => {
  show('Kiln', 2);
  await userEvent.keyboard('{Enter}');
  expect(text()).toBe('Ki\nln');
  const before = ended;
  await userEvent.keyboard('{Escape}');
  expect(ended).toBe(before + 1);
});
