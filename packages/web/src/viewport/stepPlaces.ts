import { bendRuns, middleOfBox, spanOf, type ShapeStep, type ShownPiece, type Span } from '@fictile/core';

/** Across, up, towards the viewer; mm, in the flat layout. */
export type Place = [number, number, number];
type Flat = NonNullable<ShownPiece['flat']>;

/** The axis that a step runs along, and from where to where; those without limits run over all of the line. */
export function limitsOf(step: ShapeStep, flat: Flat): Span {
  if (!('whole' in step)) return spanOf({ axis: 'x', whole: true, fromMm: 0, toMm: 0 }, flat);
  return spanOf({ ...step, axis: step.kind === 'bend' ? bendRuns(step) : step.axis }, flat);
}

/** Where a bend is held: its end, and the place that stays. */
export function bendAt(step: Extract<ShapeStep, { kind: 'bend' }>, flat: Flat): { end: Place; pivot: Place; run: 0 | 1 | 2 } {
  const { axis: run, from, to } = limitsOf(step, flat);
  const [end, pivot] = [middleOfBox(flat), middleOfBox(flat)];
  end[run] = to;
  pivot[run] = step.middle ? pivot[run] : Math.min(to, Math.max(from, step.centreMm[run]));
  // what stays at the end itself is held by the other end
  if (pivot[run] > from + 0.9 * (to - from)) end[run] = from;
  return { end, pivot, run };
} // prettier-ignore

const AXES = ['x', 'y', 'z'];

export interface Strength {
  place: Place;
  /** axis of the piece that the knob slides along */
  axis: 0 | 1 | 2;
  value: number;
  /** how much the value grows by a mm of the way */
  share: number;
  isLength: boolean;
  take: (value: number) => ShapeStep;
}

/** Where a step's strength is pulled; undefined for those that have none. */
export function strengthOf(step: ShapeStep, flat: Flat): Strength | undefined {
  const { axis, to } = limitsOf(step, flat);
  const middle = middleOfBox(flat);
  const half = (k: number): number => Math.max((flat.high[k] - flat.low[k]) / 2, 1e-6);
  const atEnd: Place = [...middle];
  atEnd[axis] = to;
  const beside = axis === 1 ? 0 : 1;
  switch (step.kind) {
    case 'twist':
      atEnd[beside] = flat.high[beside];
      return { place: atEnd, axis: 2, value: step.angleDegrees, share: turned(beside, axis) * (60 / half(beside)), isLength: false, take: (angleDegrees) => ({ ...step, angleDegrees }) };
    case 'taper':
      atEnd[beside] = flat.high[beside];
      return { place: atEnd, axis: beside, value: step.percent, share: -100 / half(beside), isLength: false, take: (value) => ({ ...step, percent: Math.max(-1000, Math.min(99, value)) }) };
    case 'pinch': {
      const place: Place = [...middle];
      place[beside] = flat.high[beside];
      return { place, axis: beside, value: step.percent, share: -100 / half(beside), isLength: false, take: (value) => ({ ...step, percent: Math.max(-1000, Math.min(99, value)) }) };
    }
    case 'stretch':
      return { place: atEnd, axis, value: step.percent, share: 50 / half(axis), isLength: false, take: (value) => ({ ...step, percent: Math.max(-95, Math.min(1000, value)) }) };
    case 'shear': {
      const along = ((axis + 1) % 3) as 0 | 1 | 2;
      return { place: atEnd, axis: along, value: step.byMm[0], share: 1, isLength: true, take: (value) => ({ ...step, byMm: [value, step.byMm[1]] }) };
    }
    case 'bulge':
    case 'wave':
    case 'noise':
    case 'relief': {
      const way = 'moves' in step && step.moves !== 'outward' ? AXES.indexOf(step.moves) as 0 | 1 | 2 : 2;
      const place: Place = [...middle];
      place[way] = flat.high[way];
      return { place, axis: way, value: step.heightMm, share: 1, isLength: true, take: (heightMm) => ({ ...step, heightMm }) };
    }
    case 'run':
      return { place: [flat.low[0], middle[1], middle[2]], axis: 0, value: step.shiftMm, share: 1, isLength: true, take: (shiftMm) => ({ ...step, shiftMm }) };
    default:
      return undefined;
  }
} // prettier-ignore

/** Which way a turn about an axis moves what lies beside it, towards the viewer. */
const turned = (beside: number, axis: number): number => ((axis + 1) % 3 === beside ? 1 : -1);
