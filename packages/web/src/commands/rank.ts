/** What is looked through: a label, where it is, other words it goes by, and its keys. */
export interface Findable {
  id: string;
  label: string;
  detail?: string;
  /** it leads elsewhere */
  isFar?: boolean;
  also?: readonly string[];
}

/** How well a word that is looked for meets one of those there are; 0: not at all. */
function meets(wanted: string, word: string): number {
  if (word === wanted) return 4;
  if (word.startsWith(wanted)) return 3;
  return wanted.length > 2 && word.includes(wanted) ? 1 : 0;
}

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];

const best = (wanted: string, words: readonly string[]): number =>
  words.reduce((most, word) => Math.max(most, meets(wanted, word)), 0);

/** Of a label's words: its first says what it is. */
const FIRST = 2;
const IN_LABEL = 3;
const IN_OTHERS = 2.5;
const IN_DETAIL = 1;
/** A whole other name: as good as its own. */
const WHOLE = 8;
/** More than anything scores: what leads elsewhere comes after what is here. */
const FAR = 100;
/** Each time it was taken counts less than the one before. */
const OFTEN = 1.5;

/** Undefined where a word of the query is met by nothing. Short labels before long ones. */
function scoreOf(query: string, one: Findable): number | undefined {
  const wanted = wordsIn(query);
  const label = wordsIn(one.label);
  const others = (one.also ?? []).flatMap(wordsIn);
  const detail = wordsIn(one.detail ?? '');
  let sum = 0;
  for (const word of wanted) {
    const found = Math.max(
      IN_LABEL * best(word, label) + FIRST * meets(word, label[0] ?? ''),
      IN_OTHERS * best(word, others),
      IN_DETAIL * best(word, detail),
    );
    if (found === 0) return undefined;
    sum += found;
  }
  const whole = wanted.join(' ');
  const names = [one.label, ...(one.also ?? [])].map((name) => wordsIn(name).join(' '));
  return (
    sum / wanted.length + (names.includes(whole) ? WHOLE : 0) - Math.min(2, label.length / 8) - (one.isFar ? FAR : 0)
  );
}

/** What fits a query, best first; of equals what was taken more often. Without a query all as it comes. */
export function ranked<T extends Findable>(
  query: string,
  all: readonly T[],
  uses: Readonly<Record<string, number>> = {},
): T[] {
  const use = ({ id }: Findable): number => OFTEN * Math.log2(1 + (uses[id] ?? 0));
  if (wordsIn(query).length === 0) return [...all].sort((a, b) => use(b) - use(a));
  return all
    .flatMap((one) => {
      const score = scoreOf(query, one);
      return score === undefined ? [] : [{ one, score: score + use(one) }];
    })
    .sort((a, b) => b.score - a.score)
    .map(({ one }) => one);
}
