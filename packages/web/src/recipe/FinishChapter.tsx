import { isLettering, ownIds, ownOf, SLOTS, type Piece, type Slot } from '@fictile/core';
import { choicesOf, ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { FinishValue } from './FinishValue.tsx';
import { PICTURES } from '../fields/index.ts';
import { useRecipe, type Of } from './recipeContext.ts';

export function FinishChapter({ piece }: Of<Piece>) {
  const { edits } = useRecipe();
  const { backAsFront } = piece.slots;
  const own = ownOf(piece);
  const t = texts.recipe;
  const isAllOwn = isLettering(piece) && ownIds(piece).every((id) => own[id]?.finish);
  const values = Object.fromEntries(
    SLOTS.map((slot: Slot) => [
      slot,
      <FinishValue key={slot} label={texts.slots[slot]} slot={slot} finish={piece.slots[slot]} edits={edits} />,
    ]),
  );
  const follows = (
    <ChoiceValue
      label={t.backFinish}
      value={backAsFront ? 'same' : 'own'}
      choices={choicesOf(texts.backFinishes, PICTURES.backs)}
      usual="own"
      onChange={(value) => edits.finishBack(value === 'same')}
    />
  );
  if (!isLettering(piece))
    return (
      <Chapter name="finish">
        <Sentence template={t.finishBody} values={values} />
      </Chapter>
    );
  return (
    <Chapter name="finish">
      {isAllOwn ? (
        t.finishOwn[piece.source.kind]
      ) : (
        <Sentence template={backAsFront ? t.finishSame : t.finish} values={{ ...values, follows }} />
      )}
    </Chapter>
  );
}
