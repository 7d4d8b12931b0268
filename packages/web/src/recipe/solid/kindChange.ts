import { DRAWN, usualKnots, usualSideKnots, type Edge, type Side } from '@fictile/core';

/** Another kind; what is drawn for the first time comes with the points of its kind. */
export interface KindChange<K extends string> {
  kind: K;
  points?: Edge['points'];
}

export const edgeAsKind = (edge: Edge, kind: Edge['kind']): KindChange<Edge['kind']> =>
  isFirstDrawn(edge, kind) && edge.kind !== DRAWN ? { kind, points: [...usualKnots(edge.kind)] } : { kind };

export const sideAsKind = (side: Side, kind: Side['kind']): KindChange<Side['kind']> =>
  isFirstDrawn(side, kind) && side.kind !== DRAWN ? { kind, points: [...usualSideKnots(side.kind)] } : { kind };

const isFirstDrawn = ({ points }: Edge | Side, kind: string): boolean => kind === DRAWN && points.length === 0;
