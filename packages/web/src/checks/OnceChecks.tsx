import type { ShownPiece } from '@fictile/core';
import { texts } from '../words/index.ts';
import { CheckRows } from './CheckRows.tsx';
import classes from './Checks.module.css';
import { MUCH_PERCENT, type Row } from './judge.ts';

const T = texts.put.once;

/** What the checks will say of a piece that is on its way, once it is put where it is now. */
export function OnceChecks({ onto }: { onto: ShownPiece['onto'] }) {
  const rows = onto?.report ? rowsOf(onto.report) : [];
  return (
    <section aria-label={T.heading} data-testid="once put">
      <header className={classes.head}>
        <h2 className={classes.title}>{texts.checks.heading}</h2>
        <span className={classes.verdict}>{rows.length > 0 ? T.heading.toLowerCase() : T.waiting}</span>
      </header>
      <CheckRows rows={rows} />
    </section>
  );
}

function rowsOf({
  beside,
  sunk,
  floating,
  lengthPercent,
}: NonNullable<NonNullable<ShownPiece['onto']>['report']>): Row[] {
  const count = (id: string, label: string, letters: number): Row => ({
    id,
    label,
    figure: letters === 0 ? T.none : T.letters(letters),
    tone: letters === 0 ? 'good' : 'mind',
  });
  return [
    {
      id: 'touches',
      label: T.touches,
      figure: floating === 0 && beside === 0 ? T.yes : texts.checks.no,
      tone: floating === 0 && beside === 0 ? 'good' : 'mind',
    },
    count('border', T.border, beside),
    count('sinks', T.sinks, sunk + floating),
    {
      id: 'lengths',
      label: T.lengths,
      figure: T.within(lengthPercent),
      tone: lengthPercent > MUCH_PERCENT ? 'mind' : 'good',
    },
  ];
}
