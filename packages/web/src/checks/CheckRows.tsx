import { UnstyledButton } from '@mantine/core';
import { texts } from '../words/index.ts';
import classes from './Checks.module.css';
import type { CheckCure, Painted } from './definition.ts';
import type { Row } from './judge.ts';

interface CheckRowsProps {
  rows: readonly Row[];
  /** what is painted on the model now */
  shown?: Painted;
  onShow?: (what: Painted) => void;
  onCure?: (cure: CheckCure) => void;
}

const CURES: Readonly<Record<string, string>> = texts.checks.cures;

/** One line a check: dot, name, show, figure; a cure below where there is one. */
export function CheckRows({ rows, shown, onShow, onCure }: CheckRowsProps) {
  const t = texts.checks;
  return rows.map(({ id, label, figure, tone, places, cure }) => (
    <div key={id} className={classes.row} data-tone={tone}>
      <span className={classes.dot} aria-hidden />
      <span className={classes.label}>{label}</span>
      {places && onShow && (
        <UnstyledButton className={classes.show} aria-pressed={shown === places} onClick={() => onShow(places)}>
          {shown === places ? t.hide : t.show}
        </UnstyledButton>
      )}
      <span className={classes.figure}>{figure}</span>
      {cure && onCure && (
        <UnstyledButton className={classes.cure} onClick={() => onCure(cure)}>
          {CURES[cure.id]}
        </UnstyledButton>
      )}
    </div>
  ));
}
