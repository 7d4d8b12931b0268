import { usualStep, type CutStep } from '@fictile/core';
import type { ReactNode } from 'react';
import { choicesOf, ChoiceValue, Sentence, useTrial } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { PieceChoice, type OtherPiece } from '../BodyChapter.tsx';
import type { EditKey, PieceEdits } from '../pieceEdits.ts';
import { number } from '../sentenceParts.tsx';

const T = texts.cut;
const L = T.labels;
const USUAL = usualStep('cut', 'usual');

export interface CutTools {
  put: (step: CutStep, key?: EditKey) => void;
  takeBack: PieceEdits['takeBack'];
  others: readonly OtherPiece[];
}

/** What another piece does to this one, by the slots of its sentence. */
export function cutValues(step: CutStep, { put, takeBack, others }: CutTools): Record<string, ReactNode> {
  const { operation } = step;
  const mm = (field: 'sinkMm' | 'softMm' | 'raiseMm' | 'ringMm', { zero, most, by = 0.1 }: { zero?: string; most: number; by?: number }): ReactNode =>
    number(field, { label: L[field], value: step[field], kind: 'length', unit: 'mm', min: 0, max: most, step: by, usual: USUAL[field], zero }, (value, key) => put({ ...step, [field]: value }, key));
  const choice = <F extends 'softSide' | 'loose'>(field: F, names: Readonly<Record<CutStep[F], string>>): ReactNode => (
    <ChoiceValue label={L[field]} value={step[field]} choices={choicesOf<CutStep[F]>(names)} usual={USUAL[field]} onChange={(value) => put({ ...step, [field]: value })} />
  );
  const soft = { soft: mm('softMm', { zero: T.sharp, most: 1000 }), rest: step.softMm > 0 ? softRest(step, put, choice('softSide', T.sides)) : null };
  const lean = number('lean', { label: L.lean, value: step.leanPercent, kind: 'plain', unit: '%', min: -100, max: 200, step: 5, usual: 0 }, (leanPercent, key) => put({ ...step, leanPercent }, key));
  const isSunk = SUNK.includes(operation) && !others.some(({ id, isBody }) => id === step.target && isBody);
  const sink = mm('sinkMm', { most: 10_000, by: 0.5 });
  const raise = mm('raiseMm', { zero: T.flush, most: 1000 });
  return {
    target: <PieceChoice label={L.target} value={step.target} others={others} onChange={(target) => put({ ...step, target })} />,
    operation: <OperationValue step={step} put={put} takeBack={takeBack} />,
    how: <Sentence template={isSunk ? T.sunk : T.how[operation]} values={{ sink, lean, raise }} />,
    soft: operation in T.softEnd ? <Sentence template={T.softEnd[operation as keyof typeof T.softEnd]} values={soft} /> : null,
    loose: LOOSE.includes(operation) ? <Sentence template={T.looseEnd} values={{ loose: choice('loose', T.looses) }} /> : null,
    clean: <ChoiceValue label={L.clean} value={step.clean ? 'on' : 'off'} choices={choicesOf(T.cleans)} usual="on" onChange={(clean) => put({ ...step, clean: clean === 'on' })} />,
    ring: <Sentence template={T.ring} values={{ ring: mm('ringMm', { zero: T.noRing, most: 1000 }) }} />,
  };
} // prettier-ignore

/** What lettering does as it lies, so far below where it lies. */
const SUNK: readonly CutStep['operation'][] = ['join', 'subtract', 'intersect'];

/** Operations after which parts may hang on nothing. */
const LOOSE: readonly CutStep['operation'][] = ['engrave', 'through', 'subtract'];

const softRest = (step: CutStep, put: CutTools['put'], side: ReactNode): ReactNode => {
  const steps = number('softSteps', { label: L.softSteps, value: step.softSteps, kind: 'plain', unit: T.stepsUnit(step.softSteps), min: 1, max: 16, step: 1, whole: true, usual: USUAL.softSteps }, (softSteps, key) => put({ ...step, softSteps }, key));
  return <Sentence template={T.softRest} values={{ side, steps }} />;
}; // prettier-ignore

/** Each operation is shown as it is reached. */
function OperationValue({ step, put, takeBack }: Pick<CutTools, 'put' | 'takeBack'> & { step: CutStep }) {
  const trial = useTrial<CutStep['operation']>((operation, key) => put({ ...step, operation }, key), takeBack);
  return <ChoiceValue label={L.operation} value={step.operation} choices={choicesOf(T.operations)} usual="engrave" onTry={trial.onTry} onChange={trial.onChange} />;
} // prettier-ignore
