import { HELD_BEFORE_MM, laidMap, ontoStepOf, type OntoStep, type Piece, type ShownPiece } from '@fictile/core';
import { Vector3 } from 'three';
import type { Pose } from './cameraMoves.ts';
import { rounded } from './heldAt.ts';
import { matrixOf } from './scene.ts';

/** Of a way: so nearly upright there is no up to it. */
const STEEP = 0.999;

/**
 * Letters laid from one direction, from where the camera stands: held at the same place of the model, along the
 * camera's line to it. Undefined for others.
 */
export function fromView(
  { steps }: Pick<Piece, 'steps'>,
  { onto, transform }: Pick<ShownPiece, 'onto' | 'transform'>,
  { from }: Pose,
): OntoStep | undefined {
  const step = ontoStepOf({ steps });
  if (!step || step.method !== 'direction' || onto?.stepId !== step.id) return undefined;
  const toOwn = matrixOf(transform).clone().invert();
  const place = new Vector3(...laidMap(onto).surface.rough(0, 0, 0).at);
  const toward = place
    .clone()
    .sub(new Vector3(...from).applyMatrix4(toOwn))
    .normalize();
  const upright = new Vector3(0, 1, 0).transformDirection(toOwn);
  const up = Math.abs(upright.dot(toward)) > STEEP ? new Vector3(0, 0, -1).transformDirection(toOwn) : upright;
  const far = Math.max(HELD_BEFORE_MM, place.distanceTo(new Vector3(...step.fromMm)));
  return {
    ...step,
    place: { kind: 'pressed' },
    fromMm: rounded(place.addScaledVector(toward, -far), 100),
    toward: rounded(toward, 1e6),
    up: rounded(up, 1e6),
  };
}
