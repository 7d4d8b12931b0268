import {
  fieldAt,
  GROUP_PLACEMENT,
  isGroup,
  isWords,
  PIVOTS,
  PLACEMENT,
  type Item,
  type Placement,
} from '@fictile/core';
import type { ReactNode } from 'react';
import { choiceSlots, number, PICTURES } from '../fields/index.ts';
import { PivotValue } from '../pivots/index.ts';
import { ChoiceValue, choicesOf, Sentence } from '../ui/index.ts';
import valueClasses from '../ui/values.module.css';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { useRecipe, type PlaceBench } from './recipeContext.ts';
import { Told } from './Told.tsx';

const T = texts.recipe;

/** Where the piece or the group at work stands, about what it is turned, and what it goes along with. */
export function PlaceChapter() {
  const { place, others } = useRecipe();
  const { item } = place;
  const ground = others.find(({ id }) => id === place.ground);
  if (ground) return <Chapter name="place">{T.placeOn(ground.name || texts.pieces.newWords)}</Chapter>;
  const values = placeValues(place);
  return (
    <Chapter
      name="place"
      remarks={!isGroup(item) && <Told chapter="place" />}
      more={<Sentence template={T.morePlace} values={values.more} />}
    >
      <Sentence template={isGroup(item) ? T.placeGroup : T.place} values={values.plain} />
    </Chapter>
  );
}

/** Values of the sentences by their slots. */
function placeValues(bench: PlaceBench): Record<'plain' | 'more', Record<string, ReactNode>> {
  const { item, put, hooks } = bench;
  const { placement } = item;
  const fields = isGroup(item) ? GROUP_PLACEMENT : PLACEMENT;
  const part = (name: 'atMm' | 'turnDegrees', k: number, label: string): ReactNode => {
    const take = (value: number, key: string | undefined): void =>
      put({ [name]: placement[name].map((v, i) => (i === k ? value : v)) }, key);
    return number(`${name}${k}`, fieldAt(fields, [name, k]), { label, value: placement[name][k] }, { take });
  };
  const size = number(
    'size',
    fields.sizePercent,
    { label: T.sizeLabel, value: placement.sizePercent },
    {
      take: (sizePercent, key) => put({ sizePercent }, key),
    },
  );
  const hung = hangs(bench);
  return {
    plain: {
      ...(!isGroup(item) && standSlot(item.placement, put)),
      pivot: <PivotWord {...bench} />,
      ...{ x: part('atMm', 0, T.at[0]), y: part('atMm', 1, T.at[1]), z: part('atMm', 2, T.at[2]) },
      turn: part('turnDegrees', 1, T.turn[1]),
      along: item.hung && <Sentence template={T.alongClause} values={hung} />,
    },
    more: {
      ...{ tilt: part('turnDegrees', 0, T.turn[0]), lean: part('turnDegrees', 2, T.turn[2]), size },
      about: about(bench),
      hung: !item.hung && hooks.length > 0 && <Sentence template={T.hung} values={hung} />,
    },
  };
}

const standSlot = (placement: Placement, put: PlaceBench['put']): Record<'stand', ReactNode> =>
  choiceSlots(
    { record: placement, put },
    { stand: { label: T.stands, choices: choicesOf(texts.stands, PICTURES.stands), usual: 'free' } },
  );

function PivotWord({ item, pivoting }: PlaceBench) {
  return (
    <PivotValue
      item={item}
      pivoting={pivoting}
      letterText={(id) => letterText(item, id)}
      className={valueClasses.value}
    />
  );
}

const letterText = (item: Item, id: number): string =>
  !isGroup(item) && isWords(item) ? (item.source.graphemes.find((one) => one.id === id)?.text ?? '') : '';

/** A pivot that is a place of its own, as numbers. */
function about({ item, pivoting }: PlaceBench): ReactNode {
  const at = pivoting.at;
  const isPlace = isGroup(item) || item.placement.pivot.kind === 'point';
  if (!at || !isPlace) return null;
  const part = (k: number): ReactNode => {
    const take = (value: number): void => {
      const pointMm = at.map((v, i) => (i === k ? value : v)) as [number, number, number];
      pivoting.put({ kind: 'point', pointMm }, pointMm);
    };
    return number(`pivot${k}`, fieldAt(PIVOTS.point, ['pointMm', k]), { label: T.aboutAt[k], value: at[k] }, { take });
  };
  return <Sentence template={T.aboutPlace} values={{ px: part(0), py: part(1), pz: part(2) }} />;
}

/** What it goes along with, and of words which letter. */
function hangs({ item, hooks, hang }: PlaceBench): Record<'hook' | 'letter', ReactNode> {
  const on = item.hung?.on ?? '';
  const none = item.within === '' ? T.noHook : T.noHookInGroup;
  const names = Object.fromEntries(hooks.map((other) => [other.id, other.name || texts.pieces.newWords]));
  const target = hooks.find(({ id }) => id === on);
  return {
    hook: (
      <ChoiceValue
        label={T.hook}
        value={on}
        choices={choicesOf<string>({ '': none, ...names })}
        usual=""
        onChange={(id) => hang(id === '' ? null : { on: id, letter: 0 })}
      />
    ),
    letter: target && item.hung && !isGroup(target) && isWords(target) && (
      <Sentence
        template={T.letterClause}
        values={{
          letter: (
            <ChoiceValue
              label={T.hookLetter}
              value={String(item.hung.letter)}
              choices={choicesOf<string>({ 0: T.wholeHook, ...letterNames(target.source.graphemes) })}
              usual="0"
              onChange={(id) => hang({ on, letter: Number(id) })}
            />
          ),
        }}
      />
    ),
  };
}

const letterNames = (graphemes: readonly { id: number; text: string }[]): Record<string, string> =>
  Object.fromEntries(
    graphemes.filter(({ text }) => text.trim() !== '').map(({ id, text }) => [id, T.hookLetterName(text)]),
  );
