import { type Words, type WordsPiece, KERN_PAIR } from '@fictile/core';
import { Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { number } from '../fields/index.ts';
import { useRecipe, type Of } from './recipeContext.ts';

type Pair = Words['kernPairs'][number];

/** The room between two letters that are picked side by side, and the pairs that have some already. */
export function PairValues({ piece }: Of<WordsPiece>) {
  const { edits, picked } = useRecipe();
  const { kernPairs, graphemes } = piece.source;
  const t = texts.recipe;
  const known = new Set(kernPairs.map(keyOf));
  const shown = [...kernPairs, ...pickedPairs(graphemes, picked).filter((pair) => !known.has(keyOf(pair)))];
  if (shown.length === 0) return <>{t.pairsNone}</>;
  const put = (pair: Pair, by: number, key?: string): void => {
    const others = kernPairs.filter((other) => keyOf(other) !== keyOf(pair));
    edits.words({ kernPairs: by === 0 ? others : [...others, { ...pair, by }] }, key);
  };
  return shown.map((pair, i) => {
    const name = `${pair.left}${pair.right}`;
    const by = number(
      `pair ${name}`,
      KERN_PAIR.by,
      { label: t.pair(name), value: pair.by },
      { take: (next, key) => put(pair, next, key) },
    );
    return (
      <span key={keyOf(pair)}>
        {i > 0 && ', '}
        <Sentence template={t.pairSentence} values={{ pair: <b>{name}</b>, by }} />
      </span>
    );
  });
}

const keyOf = ({ left, right }: Pick<Pair, 'left' | 'right'>): string => `${left} ${right}`;

const MOST_PICKED = 12;

/** Neighbours among the picked letters. */
function pickedPairs(graphemes: Words['graphemes'], picked: readonly number[]): Pair[] {
  const isPicked = new Set(picked);
  const pairs = graphemes.slice(1).flatMap((g, i): Pair[] => {
    const before = graphemes[i];
    const isPair = isPicked.has(g.id) && isPicked.has(before.id) && before.text.trim() !== '' && g.text.trim() !== '';
    return isPair ? [{ left: before.text, right: g.text, by: 0 }] : [];
  });
  return [...new Map(pairs.map((pair) => [keyOf(pair), pair])).values()].slice(0, MOST_PICKED);
}
