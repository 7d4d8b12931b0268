import { choicesOf, ChoiceValue } from '../ui/index.ts';
import { texts } from '../words/index.ts';

const T = texts.shape;

interface LettersChoiceProps {
  label: string;
  letters: readonly number[];
  picked: readonly number[];
  onChange: (letters: number[]) => void;
}

/** All letters, or those that were picked when it was chosen. Where nothing is picked the choice would mean nobody. */
export function LettersChoice({ label, letters, picked, onChange }: LettersChoiceProps) {
  const names = letters.length > 0 || picked.length > 0 ? T.letters : { all: T.letters.all };
  return (
    <ChoiceValue
      label={label}
      value={letters.length > 0 ? 'picked' : 'all'}
      choices={choicesOf<'all' | 'picked'>(T.letters).filter(({ value }) => value in names)}
      usual="all"
      onChange={(next) => onChange(next === 'all' ? [] : picked.length > 0 ? [...picked] : [...letters])}
    />
  );
}
