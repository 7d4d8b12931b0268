import { UnstyledButton } from '@mantine/core';
import type { Box3, OntoStep, ShownPiece } from '@fictile/core';
import { texts } from '../../words/index.ts';
import classes from '../Recipe.module.css';

const T = texts.put;

type Advice = NonNullable<NonNullable<ShownPiece['onto']>['advice']>;

interface AdvisedProps {
  onto: OntoStep;
  advice: Advice;
  /** around the piece as it lies flat */
  box: Box3;
  onLay: (method: OntoStep['method']) => void;
}

/** Why something is laid as it is, and how much room there is; or how it would lie better, with one press. */
export function Advised({ onto, advice, box, onLay }: AdvisedProps) {
  const { method, why, wideMm } = advice;
  if (method === onto.method) {
    const fits = T.fits[method](Math.round(box.high[0] - box.low[0]), Math.round(wideMm));
    return (
      <div className={classes.need} data-testid="advice">
        {T.because(T.advised[method], T.whys[why])} {fits}
      </div>
    );
  }
  // what lies to the closest places does so on purpose
  if (onto.method === 'closest') return null;
  return (
    <div className={classes.hint} data-testid="advice">
      {T.better(T.whys[why])}{' '}
      <UnstyledButton className={classes.unlock} onClick={() => onLay(method)}>
        {T.advise[method]}
      </UnstyledButton>
    </div>
  );
}
