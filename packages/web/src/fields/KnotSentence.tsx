import {
  isCorner,
  splitAfter,
  turnedKnot,
  withKnot,
  withoutKnot,
  type FreeCurve,
  count,
  KNOT_PLACE,
} from '@fictile/core';
import { UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { choicesOf, ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { PICTURES } from './pictures.tsx';
import classes from '../ui/values.module.css';
import { number } from './number.tsx';

interface KnotSentenceProps {
  curve: FreeCurve;
  onCurve: (curve: FreeCurve, key?: string) => void;
}

/** A curve knot by knot, for the keyboard; in the view the knots are dragged. */
export function KnotSentence({ curve, onCurve }: KnotSentenceProps) {
  const [wanted, setWanted] = useState(0);
  const at = Math.min(wanted, curve.knots.length - 1);
  const knot = curve.knots[at];
  const t = texts.recipe;
  const [x, y] = knot.atMm;
  const move = (atMm: [number, number], key?: string): void => onCurve(withKnot(curve, at, { atMm }), key);
  const values = {
    knot: number(
      'knot',
      count(1, curve.knots.length),
      { label: t.knot, value: at + 1, unit: t.ofKnots(curve.knots.length) },
      { take: (next) => setWanted(next - 1) },
    ),
    x: number('knot x', KNOT_PLACE, { label: t.knotAcross, value: x }, { take: (next, key) => move([next, y], key) }),
    y: number('knot y', KNOT_PLACE, { label: t.knotUp, value: y }, { take: (next, key) => move([x, next], key) }),
    kind: (
      <ChoiceValue
        label={t.knotKind}
        value={isCorner(knot) ? 'corner' : 'smooth'}
        choices={choicesOf(texts.knotKinds, PICTURES.knotKinds)}
        onChange={(next) => (next === 'corner') !== isCorner(knot) && onCurve(turnedKnot(curve, at))}
      />
    ),
    closed: (
      <ChoiceValue
        label={t.curveIs}
        value={curve.closed ? 'closed' : 'open'}
        choices={choicesOf(texts.curveEnds, PICTURES.curveEnds)}
        onChange={(next) => onCurve({ ...curve, closed: next === 'closed' })}
      />
    ),
  };
  return (
    <>
      <Sentence template={t.knots} values={values} />{' '}
      <UnstyledButton
        className={classes.press}
        onClick={() => {
          onCurve(splitAfter(curve, at));
          setWanted(at + 1);
        }}
      >
        {t.addKnot}
      </UnstyledButton>
      {curve.knots.length > 2 && (
        <>
          {', '}
          <UnstyledButton className={classes.press} onClick={() => onCurve(withoutKnot(curve, at))}>
            {t.dropKnot}
          </UnstyledButton>
        </>
      )}
    </>
  );
}
