import { HELD_BEFORE_MM, isOnEdge, isOnto, type EdgeStep, type OntoStep, type ShapeStep } from '@fictile/core';
import { Vector3, type Intersection, type Matrix4 } from 'three';

/** Before the surface that it is laid to the closest places of. */
const CLOSE_MM = 2;

type Triple = [number, number, number];

/** Where a ray has met something, and which way it went. */
export interface Met {
  hit: Intersection;
  sight: Vector3;
}

/** A step that is held at a place of another piece, and which piece that is. */
export function anchorOf(step: ShapeStep | undefined): { step: OntoStep | EdgeStep; targetId: string } | undefined {
  if (step && isOnto(step)) return { step, targetId: step.target };
  return step && isOnEdge(step) ? { step, targetId: step.path.target } : undefined;
}

/** A step held where a ray has met the other piece, and that place; `toWorld`: from that piece's space. */
export function anchored(
  step: OntoStep | EdgeStep,
  hit: Met,
  toWorld: Matrix4,
): { step: ShapeStep; at: Triple } | undefined {
  if (isOnto(step)) {
    const next = stepHeldAt(step, hit, toWorld);
    return next && { step: next, at: next.fromMm };
  }
  const at = rounded(hit.hit.point.clone().applyMatrix4(toWorld.clone().invert()));
  return { step: { ...step, path: { ...step.path, atMm: at } }, at };
}

/** A step held before another place of the model: where a ray has met it. What is laid from a direction keeps that. */
function stepHeldAt(step: OntoStep, hit: Met, toWorld: Matrix4): OntoStep | undefined {
  const far = step.method === 'closest' ? CLOSE_MM : HELD_BEFORE_MM;
  const held = heldAt(hit, toWorld, far);
  if (!held) return undefined;
  const place = { kind: 'pressed' } as const;
  if (step.method !== 'direction') return { ...step, place, fromMm: held.fromMm, toward: held.toward };
  const sight = new Vector3(...step.toward).normalize();
  const at = new Vector3(...held.at);
  const deep = new Vector3(...step.fromMm).dot(sight) - at.dot(sight);
  return { ...step, place, fromMm: rounded(at.addScaledVector(sight, deep)) };
}

/** Where a ray has met a body, and what is held before it there, looking at the face; in the body's own space. */
export function heldAt(
  { hit: { point, face, object }, sight }: Met,
  toWorld: Matrix4,
  far = HELD_BEFORE_MM,
): { at: Triple; fromMm: Triple; toward: Triple } | undefined {
  if (!face) return undefined;
  const toOwn = toWorld.clone().invert();
  const at = point.clone().applyMatrix4(toOwn);
  const outward = face.normal.clone().transformDirection(object.matrixWorld);
  // a sheet is met from behind as well: what is held there lies on the side that one sees
  const out = (outward.dot(sight) > 0 ? outward.negate() : outward).transformDirection(toOwn);
  const fromMm = rounded(at.clone().addScaledVector(out, far));
  return { at: at.toArray(), fromMm, toward: rounded(out.negate(), 1e6) };
}

/** To a tenth of a mm unless said otherwise; `to`: steps a unit. */
export const rounded = (place: Vector3, to = 10): Triple =>
  place.toArray().map((v) => Math.round(v * to) / to + 0) as Triple;
