import { spelled } from '../base/index.ts';
import type { StepPlace } from '../fields/index.ts';
import { axisIndex, type Vec3 } from '../math/index.ts';
import type { Moving, ChainStep, Displacing } from './moving.ts';
import { FIELD_SLOPE } from './outwardField.ts';
import type { PointMap } from './pointMap.ts';
import { shareWhere } from './where.ts';

/** What steps share that move points outward or along an axis by a height that the place in the flat layout tells. */
export interface DisplacingStep extends ChainStep {
  where: StepPlace;
  heightMm: number;
  moves: 'outward' | 'x' | 'y' | 'z';
}

/** The pattern of such a step. */
export interface Pattern<S> {
  /** of a place of the flat layout, in shares of the step's height */
  height(step: S): (rest: Vec3) => number;
  /** how steep it is at most with a height of one, a mm */
  slope(step: S): number;
  /** no wave of it is shorter, mm */
  featureMm(step: S): number;
  canFold?(step: S): boolean;
}

export function displacedBy<S extends DisplacingStep>(pattern: Pattern<S>): Moving<S> {
  return {
    map: ([step]) => displaceMap(step, pattern),
    canFold: (step) => pattern.canFold?.(step) ?? true,
    strength: 'heightMm',
    displaces: {
      outwardMm: ({ moves, heightMm }) => (moves === 'outward' ? heightMm : undefined),
      slope: (step) => {
        const { kind, letters, parts, softMm } = step.where;
        if (letters.length > 0 || parts !== 'all') return undefined;
        if (kind !== 'all' && softMm === 0) return undefined;
        return pattern.slope(step) + (kind === 'all' ? 0 : 1.5 / softMm);
      },
    },
  };
}

function displaceMap<S extends DisplacingStep>(step: S, pattern: Pattern<S>): PointMap {
  const share = shareWhere(step.where);
  const height = pattern.height(step);
  const way = step.moves === 'outward' ? undefined : axisIndex[step.moves];
  const own = pattern.featureMm(step);
  return {
    usesNormal: way === undefined,
    pattern: { key: spelled({ ...step, heightMm: 0, moves: '' }), height },
    featureMm: step.where.kind === 'all' ? own : Math.min(own, Math.max(step.where.softMm, 0.1)),
    move: (at, point) => {
      const strength = share(point);
      if (strength === 0) return;
      const by = step.heightMm * strength * (point.height ?? height(point.rest));
      if (way !== undefined) at[way] += by;
      else for (let k = 0; k < 3; k++) at[k] += by * point.normal[k];
    },
  };
}

/**
 * Of the whole that a map may stretch by before anything can fold: one half for the pattern, one for the turning of
 * what is outward.
 */
const HALF = 0.45;

/**
 * The height up to which a step that moves outward can't make anything cross, mm: what it adds to places changes by
 * less than the places do, so no two come to lie on each other (a map whose difference from the identity has a
 * Lipschitz constant below one is one to one). Undefined where it does not act on the whole piece.
 */
export function holdingHeight<S>(step: S, displaces: Displacing<S>): number | undefined {
  const slope = displaces.slope(step);
  return slope === undefined ? undefined : HALF / slope;
}

/**
 * How softly the outward ways turn for a step, mm: so slowly that this alone folds nothing. Higher than what is sure to
 * hold they turn as they do there, since ever softer ones would fade wherever walls face each other.
 */
export function softnessOf<S>(step: S, displaces: Displacing<S>): number {
  const heightMm = Math.abs(displaces.outwardMm(step) ?? 0);
  return (FIELD_SLOPE * Math.min(heightMm, holdingHeight(step, displaces) ?? heightMm)) / HALF;
}
