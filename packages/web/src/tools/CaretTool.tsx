import { isWords } from '@fictile/core';
import { useChoice, useTrials } from '../bench/index.ts';
import { Caret } from '../viewport/index.ts';
import { useShown } from './atWork.ts';

/** The caret, while words are typed on the letters. */
export function CaretTool() {
  const { typing } = useChoice();
  const { project } = useTrials();
  const shown = useShown(typing.now?.pieceId);
  const piece = typing.now && project.pieces[typing.now.pieceId];
  if (!typing.now || !shown || !piece || !isWords(piece)) return null;
  return (
    <Caret
      key={piece.id}
      piece={piece}
      shown={shown}
      place={typing.now.place}
      pressed={typing.now.pressed}
      onPlace={typing.place}
    />
  );
}
