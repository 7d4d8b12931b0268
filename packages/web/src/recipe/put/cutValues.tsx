import { usualStep, type CutStep } from '@fictile/core';
import type { ReactNode } from 'react';
import { choicesOf, ChoiceValue, Sentence } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import type { EditKey } from '../pieceEdits.ts';
import { number } from '../sentenceParts.tsx';

const T = texts.cut;
const L = T.labels;
const USUAL = usualStep('cut', 'usual');

type Put = (step: CutStep, key?: EditKey) => void;

/** What lets a piece into another, by the slots of the sentence. */
export function cutValues(step: CutStep, put: Put): Record<string, ReactNode> {
  const { operation } = step;
  const mm = (
    field: 'sinkMm' | 'softMm' | 'raiseMm' | 'ringMm',
    { zero, most, by = 0.1 }: { zero?: string; most: number; by?: number },
  ): ReactNode =>
    number(
      field,
      {
        label: L[field],
        value: step[field],
        kind: 'length',
        unit: 'mm',
        min: 0,
        max: most,
        step: by,
        usual: USUAL[field],
        zero,
      },
      (value, key) => put({ ...step, [field]: value }, key),
    );
  const choice = <F extends 'softSide' | 'loose'>(field: F, names: Readonly<Record<CutStep[F], string>>): ReactNode => (
    <ChoiceValue
      label={L[field]}
      value={step[field]}
      choices={choicesOf<CutStep[F]>(names)}
      usual={USUAL[field]}
      onChange={(value) => put({ ...step, [field]: value })}
    />
  );
  const soft = {
    soft: mm('softMm', { zero: T.sharp, most: 1000 }),
    rest: step.softMm > 0 ? softRest(step, put, choice('softSide', T.sides)) : null,
  };
  const lean = number(
    'lean',
    { label: L.lean, value: step.leanPercent, kind: 'plain', unit: '%', min: -100, max: 200, step: 5, usual: 0 },
    (leanPercent, key) => put({ ...step, leanPercent }, key),
  );
  return {
    lean,
    sink: mm('sinkMm', { most: 10_000, by: 0.5 }),
    raise: mm('raiseMm', { zero: T.flush, most: 1000 }),
    soft:
      operation in T.softEnd ? (
        <Sentence template={T.softEnd[operation as keyof typeof T.softEnd]} values={soft} />
      ) : null,
    loose: LOOSE.includes(operation) ? (
      <Sentence template={T.looseEnd} values={{ loose: choice('loose', T.looses) }} />
    ) : null,
    clean: (
      <ChoiceValue
        label={L.clean}
        value={step.clean ? 'on' : 'off'}
        choices={choicesOf(T.cleans)}
        usual="on"
        onChange={(clean) => put({ ...step, clean: clean === 'on' })}
      />
    ),
    ring: mm('ringMm', { zero: T.noRing, most: 1000 }),
  };
}

/** Operations after which parts may hang on nothing. */
const LOOSE: readonly CutStep['operation'][] = ['engrave', 'through', 'subtract'];

const softRest = (step: CutStep, put: Put, side: ReactNode): ReactNode => {
  const steps = number(
    'softSteps',
    {
      label: L.softSteps,
      value: step.softSteps,
      kind: 'plain',
      unit: T.stepsUnit(step.softSteps),
      min: 1,
      max: 16,
      step: 1,
      whole: true,
      usual: USUAL.softSteps,
    },
    (softSteps, key) => put({ ...step, softSteps }, key),
  );
  return <Sentence template={T.softRest} values={{ side, steps }} />;
};
