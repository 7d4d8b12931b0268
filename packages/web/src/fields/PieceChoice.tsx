import type { Piece, ShownPiece, Step } from '@fictile/core';
import { choicesOf, ChoiceValue } from '../ui/index.ts';
import { texts } from '../words/index.ts';

/** Another piece, as others see it. */
export interface OtherPiece {
  id: string;
  name: string;
  /** a form or a model */
  isBody: boolean;
  kind: Piece['source']['kind'];
  /** around it before its steps, in its own space; undefined while it is not built */
  flat: ShownPiece['flat'];
  steps: readonly Step[];
  /** how it lies on another piece, as it was built last */
  onto?: ShownPiece['onto'];
}

/** One of the other pieces of the project. */
export function PieceChoice({
  label,
  value,
  others,
  onChange,
}: {
  label: string;
  value: string;
  others: readonly OtherPiece[];
  onChange: (id: string) => void;
}) {
  const names = Object.fromEntries(others.map(({ id, name }) => [id, name || texts.pieces.newWords]));
  return (
    <ChoiceValue
      label={label}
      value={value}
      choices={choicesOf<string>(value in names ? names : { [value]: texts.form.nobody, ...names })}
      onChange={onChange}
    />
  );
}
