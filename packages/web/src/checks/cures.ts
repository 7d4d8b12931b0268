import { SOLID, usualStep, type Edit, type Piece, type StepKind } from '@fictile/core';
import type { CheckCure } from './definition.ts';

const withStep =
  (kind: StepKind) =>
  ({ id: pieceId, steps }: Piece, freshId: string): Edit => ({
    kind: 'setSteps',
    pieceId,
    steps: [...steps, usualStep(kind, freshId)],
  });

export const FLOW: CheckCure = {
  id: 'flow',
  edit: ({ id: pieceId }) => ({ kind: 'setFaces', pieceId, values: { style: 'flow' } }),
};
export const RAISED: CheckCure = {
  id: 'depth',
  edit: ({ id: pieceId }) => ({ kind: 'setSolid', pieceId, values: { depthMm: SOLID.depthMm.usual } }),
};
export const TRIANGLES: CheckCure = { id: 'triangles', edit: withStep('triangles') };
export const FEWER: CheckCure = { id: 'reduce', edit: withStep('reduce') };
