import type { ReactNode } from 'react';
import { countsSteps, DRAWN, type Edge, EDGE, isPlain } from '@fictile/core';
import { choicesOf, ChoiceValue, Sentence, type TrialKey, useTrial } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import type { EditKey } from '../../ui/index.ts';
import type { PieceEdits } from '../pieceEdits.ts';
import { PICTURES, number } from '../../fields/index.ts';
import { edgeAsKind, type KindChange } from './kindChange.ts';

export type PutEdge = (values: Partial<Edge>, key?: EditKey) => void;

const KINDS = choicesOf<Edge['kind']>(texts.kinds, PICTURES.edges);
const SAME = { value: 'same', label: texts.recipe.asFront, picture: PICTURES.edges.same } as const;

interface EdgeKindProps {
  label: string;
  edge: Edge;
  usual: Edge['kind'];
  put: (change: KindChange<Edge['kind']>, key: TrialKey) => void;
  takeBack: PieceEdits['takeBack'];
  /** for an edge that can follow the front's */
  same?: { isOn: boolean; follow: (key: TrialKey) => void };
  /** a drawn edge was chosen */
  onDraw?: () => void;
}

/** Kinds of edges, each tried on the solid as it is reached. What one draws begins with what was there. */
export function EdgeKind({ label, edge, usual, put, takeBack, same, onDraw }: EdgeKindProps) {
  const trial = useTrial<Edge['kind'] | 'same'>(
    (kind, key) => (kind === 'same' ? same?.follow(key) : put(edgeAsKind(edge, kind), key)),
    takeBack,
  );
  return (
    <ChoiceValue<Edge['kind'] | 'same'>
      label={label}
      value={same?.isOn ? 'same' : edge.kind}
      choices={same ? [...KINDS, SAME] : KINDS}
      usual={usual}
      onTry={trial.onTry}
      onChange={(kind) => {
        trial.onChange(kind);
        if (kind === DRAWN) onDraw?.();
      }}
    />
  );
}

interface EdgeSizes {
  /** curves are cut by their steps */
  hasSteps: boolean;
  put: PutEdge;
}

/** How large an edge is, as the end of a sentence. */
export function edgeSizes(side: 'front' | 'back', edge: Edge, { hasSteps, put }: EdgeSizes): ReactNode {
  if (isPlain(edge)) return null;
  const t = texts.recipe;
  const name = (part: string): string => `${side === 'front' ? t.frontEdge : t.backEdge}, ${part}`;
  const values = {
    in: number(
      'in',
      EDGE.inMm,
      { label: name(t.edgeIn), value: edge.inMm },
      { take: (inMm, key) => put({ inMm }, key) },
    ),
    deep: number(
      'deep',
      EDGE.deepMm,
      { label: name(t.edgeDeep), value: edge.deepMm },
      { take: (deepMm, key) => put({ deepMm }, key) },
    ),
    steps: number(
      'steps',
      EDGE.steps,
      { label: name(t.edgeSteps), value: edge.steps, unit: t.stepsUnit(edge.steps) },
      { take: (steps, key) => put({ steps }, key) },
    ),
  };
  return <Sentence template={countsSteps(edge, hasSteps) ? t.roundSizes : t.edgeSizes} values={values} />;
}
