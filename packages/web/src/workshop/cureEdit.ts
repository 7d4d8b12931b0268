import { usualStep, type Edit, type Piece, type StepKind } from '@fictile/core';
import type { Cure } from '../checks/index.ts';

/** What pressing a cure does to the piece. */
export function cureEdit(piece: Piece, cure: Cure): Edit {
  const pieceId = piece.id;
  const withStep = (kind: StepKind): Edit => ({ kind: 'setSteps', pieceId, steps: [...piece.steps, usualStep(kind, crypto.randomUUID())] });
  switch (cure) {
    case 'flow':
      return { kind: 'setFaces', pieceId, values: { style: 'flow' } };
    case 'depth':
      return { kind: 'setSolid', pieceId, values: { depthMm: 18 } };
    case 'triangles':
      return withStep('triangles');
    case 'reduce':
      return withStep('reduce');
  }
} // prettier-ignore

/** Moves a piece aside and up, so that it has room, mm. */
export function roomEdit({ id, placement }: Piece, [across, up]: readonly [number, number]): Edit {
  const [x, y, z] = placement.atMm;
  return { kind: 'setPlacement', pieceId: id, values: { atMm: [x + across, y + up, z] } };
}
