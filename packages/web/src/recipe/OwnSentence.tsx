import { usualOwn, type OwnLetter } from '@fictile/core';
import { UnstyledButton } from '@mantine/core';
import { ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { FontChoice } from './FontValue.tsx';
import { PICTURES } from './pictures.tsx';
import classes from './Recipe.module.css';
import { choicesOf, number, type ChapterProps } from './sentenceParts.tsx';

const USUAL = usualOwn();

/** What is said of the letters that are picked; with none picked, how many stand apart. */
export function OwnSentence({ piece, edits, picked }: Pick<ChapterProps, 'piece' | 'edits' | 'picked'>) {
  const { own, graphemes } = piece.source;
  const t = texts.recipe;
  const all = Object.keys(own).map(Number);
  if (picked.length === 0) {
    if (all.length === 0) return null;
    return (
      <div className={classes.own}>
        {t.ownCount(all.length)} <Reset label={t.resetAll} onReset={() => edits.own(all, null)} />
      </div>
    );
  }
  const words = graphemes.filter((g) => picked.includes(g.id)).map((g) => g.text).join(''); // prettier-ignore
  const first = own[picked[0]] ?? USUAL;
  return (
    <div className={classes.own}>
      <Sentence template={t.own} values={{ letters: <b>{words}</b>, ...ownValues(first, picked, edits, piece) }} />{' '}
      <Reset label={t.reset} onReset={() => edits.own(picked, null)} />
    </div>
  );
}

function ownValues(
  first: OwnLetter,
  picked: readonly number[],
  edits: ChapterProps['edits'],
  piece: ChapterProps['piece'],
) {
  const t = texts.recipe;
  const put = (values: Partial<OwnLetter>, key?: string): void =>
    edits.own(picked, values, key && `${key} ${picked.join(' ')}`);
  const length = { kind: 'length', unit: 'mm', min: -10_000, max: 10_000, step: 1, usual: 0 } as const;
  const [x, y] = first.moveMm;
  return {
    x: number('own x', { ...length, label: t.ownAcross, value: x }, (next, key) => put({ moveMm: [next, y] }, key)),
    y: number('own y', { ...length, label: t.ownUp, value: y }, (next, key) => put({ moveMm: [x, next] }, key)),
    turn: number('own turn', { label: t.ownTurn, value: first.turnDegrees, kind: 'angle', unit: '°', min: -3600, max: 3600, step: 1, usual: 0 }, (turnDegrees, key) => put({ turnDegrees }, key)),
    scale: number('own scale', { label: t.ownScale, value: first.scalePercent, kind: 'plain', unit: '%', min: 1, max: 1000, step: 5, usual: 100 }, (scalePercent, key) => put({ scalePercent }, key)),
    font: <FontChoice label={t.ownFont} font={first.font ?? piece.source.font} onFont={(font) => put({ font }, 'own font')} />,
    seen: <ChoiceValue label={t.ownSeen} value={first.leftOut ? 'out' : 'in'} choices={choicesOf(texts.ownSeen, PICTURES.ownSeen)} usual="in" onChange={(next) => put({ leftOut: next === 'out' })} />,
  }; // prettier-ignore
}

const Reset = ({ label, onReset }: { label: string; onReset: () => void }) => (
  <UnstyledButton className={classes.unlock} onClick={onReset}>
    {label}
  </UnstyledButton>
);
