import type { ProfileKnot } from './curves.ts';
import type { UsualKind } from './edgeKinds.ts';
import type { UsualSideKind } from './sideKinds.ts';

/** One edge as asked for, mm. */
export type EdgeShape = UsualEdge | DrawnEdge | RowEdge;

interface SizedShape {
  /** a negative one would be none */
  inMm: number;
  deepMm: number;
  steps: number;
  /** of curves, instead of the steps */
  toleranceMm?: number;
}

export interface UsualEdge extends SizedShape {
  kind: UsualKind;
}

/** `points`: between the rim (1 in, 0 down) and the foot (0 in, 1 down), in shares of width and depth. */
export interface DrawnEdge extends SizedShape {
  kind: 'drawn';
  points: readonly ProfileKnot[];
}

/**
 * Row by row from the rim of the cap to the outline: how far in, and how far from the cap. Ever less in, ever further
 * down.
 */
export interface RowEdge {
  kind: 'rows';
  rows: readonly { inMm: number; downMm: number }[];
}

/** What lies between the edges. */
export type SideShape = UsualSide | DrawnSide;

interface SizedSide {
  /** how far it goes in, mm */
  amountMm: number;
  /** of each half of a curved one, or between two points of a drawn one */
  steps: number;
  toleranceMm?: number;
  /** a straight one is cut into so many along the depth */
  divisions: number;
  /** of its upright walls, so that they can be twisted: one without gets some; 0: they will not be */
  twistPieces?: number;
}

export interface UsualSide extends SizedSide {
  kind: UsualSideKind;
}

/**
 * `points`: between the front edge's foot (0 in, 0 down) and the back edge's (0 in, 1 down), in shares of amount and
 * length.
 */
export interface DrawnSide extends SizedSide {
  kind: 'drawn';
  points: readonly ProfileKnot[];
}

export const DRAWN = 'drawn';
/** Whether an edge or a side is drawn, point by point. */
export const isDrawn = ({ kind }: { kind: string }): boolean => kind === 'drawn';
/** Whether there is no edge. */
export const isPlain = ({ kind }: { kind: string }): boolean => kind === 'plain';
export const isStraight = ({ kind }: { kind: string }): boolean => kind === 'straight';

export const STRAIGHT_SIDE: UsualSide = { kind: 'straight', amountMm: 0, steps: 1, divisions: 1 };

/**
 * How a front or a back rises from its rim to its middle: as a quarter of an ellipse, softly from the edge's own slope,
 * or straight.
 */
export type SwellCurve = 'round' | 'soft' | 'straight';

/** A face that rises towards its middle. */
export interface Swell {
  /** how high its highest point lies above the rim */
  mm: number;
  curve: SwellCurve;
  steps: number;
  /** the greatest distance from the outline inside the lettering, mm */
  reachMm: number;
}

/** From the rim to the outline, mm. */
export interface EdgeRow {
  inMm: number;
  downMm: number;
}
