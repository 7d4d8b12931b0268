import { usualKnots, type Edge } from '@fictile/core';
import { ChoiceValue, Sentence, useTrial } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { PICTURES } from '../pictures.tsx';
import { choicesOf, number, USUAL } from '../sentenceParts.tsx';

export type PutEdge = (values: Partial<Edge>, key?: string) => void;

const KINDS = choicesOf<Edge['kind']>(texts.kinds, PICTURES.edges);
const SAME = { value: 'same', label: texts.recipe.asFront, picture: PICTURES.edges.same } as const;

/** An edge, or that it is as the front's. */
export type EdgeOrSame = Edge | 'same';

interface EdgeKindProps<T extends EdgeOrSame> {
  label: string;
  /** what stands there */
  value: T;
  /** what a kind that is chosen is the kind of */
  edge: Edge;
  usual: Edge['kind'];
  put: (next: T | Edge) => void;
  /** the choice to follow the front */
  withSame?: boolean;
  /** a drawn edge was chosen */
  onDraw?: () => void;
}

/** Kinds of edges, each tried on the solid as it is reached. What one draws begins with what was there. */
export function EdgeKind<T extends EdgeOrSame>({ label, value, edge, usual, put, withSame, onDraw }: EdgeKindProps<T>) {
  const trial = useTrial<T | Edge>(value, put);
  const taken = (kind: Edge['kind'] | 'same'): T | Edge => (kind === 'same' ? ('same' as T) : asKind(edge, kind));
  return (
    <ChoiceValue<Edge['kind'] | 'same'>
      label={label}
      value={value === 'same' ? 'same' : edge.kind}
      choices={withSame ? [...KINDS, SAME] : KINDS}
      usual={usual}
      onTry={(kind) => trial.onTry(kind && taken(kind))}
      onChange={(kind) => {
        trial.onChange(taken(kind));
        if (kind === 'drawn') onDraw?.();
      }}
    />
  );
}

/** An edge that was never drawn gets the points of its kind. */
export function asKind(edge: Edge, kind: Edge['kind']): Edge {
  if (kind !== 'drawn' || edge.kind === 'drawn' || edge.points.length > 0) return { ...edge, kind };
  return { ...edge, kind, points: [...usualKnots(edge.kind)] };
}

interface EdgeSizesProps {
  side: 'front' | 'back';
  edge: Edge;
  /** curves are cut by their steps */
  hasSteps: boolean;
  put: PutEdge;
}

export function EdgeSizes({ side, edge, hasSteps, put }: EdgeSizesProps) {
  if (edge.kind === 'plain') return null;
  const usual = USUAL.body.solid[side];
  const t = texts.recipe;
  const name = (part: string): string => `${side === 'front' ? t.frontEdge : t.backEdge}, ${part}`;
  const length = { kind: 'length', unit: 'mm', min: 0, max: 1000, step: 0.5 } as const;
  const values = {
    in: number('in', { ...length, label: name(t.edgeIn), value: edge.inMm, usual: usual.inMm }, (inMm, key) => put({ inMm }, key)),
    deep: number('deep', { ...length, label: name(t.edgeDeep), value: edge.deepMm, usual: usual.deepMm }, (deepMm, key) => put({ deepMm }, key)),
    steps: number('steps', { label: name(t.edgeSteps), value: edge.steps, kind: 'plain', unit: '', min: 1, max: 64, step: 1, whole: true, usual: usual.steps }, (steps, key) => put({ steps }, key)),
  }; // prettier-ignore
  const isStraight = edge.kind === 'chamfer' || (edge.kind === 'drawn' && !edge.points.some((knot) => knot.smooth));
  const isCounted = !isStraight && (hasSteps || edge.kind === 'step');
  return <Sentence template={isCounted ? t.roundSizes : t.edgeSizes} values={values} />;
}
