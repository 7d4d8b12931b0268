import { groundOf, fieldAt, PLACEMENT, type Piece } from '@fictile/core';
import { choicesOf, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { PICTURES, choiceSlots, number } from '../fields/index.ts';
import { useRecipe, type Of } from './recipeContext.ts';

export function PlaceChapter({ piece }: Of<Piece>) {
  const { edits, others } = useRecipe();
  const { placement } = piece;
  const t = texts.recipe;
  const under = groundOf(piece);
  const ground = under && others.find(({ id }) => id === under);
  if (ground) return <Chapter name="place">{t.placeOn(ground.name || texts.pieces.newWords)}</Chapter>;
  const put = (field: 'atMm' | 'turnDegrees', k: number) => (value: number, key: string | undefined) => {
    const next: [number, number, number] = [...placement[field]];
    next[k] = value;
    edits.placement({ [field]: next }, key);
  };
  const at = (k: number) =>
    number(
      `at${k}`,
      fieldAt(PLACEMENT, ['atMm', k]),
      { label: t.at[k], value: placement.atMm[k] },
      { take: put('atMm', k) },
    );
  const turn = (k: number) =>
    number(
      `turn${k}`,
      fieldAt(PLACEMENT, ['turnDegrees', k]),
      { label: t.turn[k], value: placement.turnDegrees[k] },
      { take: put('turnDegrees', k) },
    );
  const values = {
    ...choiceSlots(
      { record: placement, put: edits.placement },
      {
        stand: { label: t.stands, choices: choicesOf(texts.stands, PICTURES.stands), usual: 'free' },
        by: { label: t.heldBy, choices: choicesOf(texts.holds, PICTURES.holds), usual: 'zero' },
      },
    ),
    x: at(0),
    y: at(1),
    z: at(2),
    tilt: turn(0),
    turn: turn(1),
    lean: turn(2),
  };
  return (
    <Chapter name="place" more={<Sentence template={t.morePlace} values={values} />}>
      <Sentence template={t.place} values={values} />
    </Chapter>
  );
}
