import type { FormShape } from '../document/index.ts';
import { cos, cross, PI, plus, sin, unit, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { joinRings, piecesOf, type FormRing } from './rings.ts';

/** A ring that lies on its side, like a torus. */
export function ring({ radiusMm, thickMm }: Extract<FormShape, { kind: 'ring' }>, tolerance: number): PolygonMesh {
  const half = Math.min(thickMm / 2, radiusMm * 0.99);
  const count = piecesOf(radiusMm + half, tolerance);
  const rings = Array.from({ length: count }, (_, i) => {
    const angle = (2 * PI * i) / count;
    const out: Vec3 = [sin(angle), 0, cos(angle)];
    return section([out[0] * radiusMm, half, out[2] * radiusMm], { out, up: [0, 1, 0], half, pieces: piecesOf(half, tolerance) });
  });
  return joinRings(rings, { closed: true });
} // prettier-ignore

/** A roll that climbs round the upright axis, its ends round. */
export function coil({ radiusMm, thickMm, riseMm, turns }: Extract<FormShape, { kind: 'coil' }>, tolerance: number): PolygonMesh {
  const half = Math.min(thickMm / 2, radiusMm * 0.99);
  const count = Math.max(8, Math.ceil(piecesOf(radiusMm + half, tolerance) * turns));
  const pieces = piecesOf(half, tolerance);
  const at = (share: number): { middle: Vec3; out: Vec3; along: Vec3 } => {
    const angle = 2 * PI * turns * (share - 0.5);
    const out: Vec3 = [sin(angle), 0, cos(angle)];
    const along = unit([cos(angle) * 2 * PI * turns * radiusMm, riseMm, -sin(angle) * 2 * PI * turns * radiusMm]);
    return { middle: [out[0] * radiusMm, half + (riseMm < 0 ? -riseMm : 0) + riseMm * share, out[2] * radiusMm], out, along };
  };
  const ringOf = (share: number, shift: number, size: number): FormRing => {
    const { middle, out, along } = at(share);
    const up = cross(along, out).map((v) => 0 - v) as Vec3;
    const place = plus(middle, along, shift);
    return size === 0 ? [place] : section(place, { out, up, half: size, pieces });
  };
  const end = Array.from({ length: CAP }, (_, k) => (PI / 2) * (1 - k / CAP));
  return joinRings(
    [
      ...end.map((angle, k) => ringOf(0, -half * sin(angle), k === 0 ? 0 : half * cos(angle))),
      ...Array.from({ length: count + 1 }, (_, i) => ringOf(i / count, 0, half)),
      ...end.map((angle, k) => ringOf(1, half * sin(angle), k === 0 ? 0 : half * cos(angle))).reverse(),
    ],
    { closed: false },
  );
} // prettier-ignore

/** Steps of a round end. */
const CAP = 8;

/** A circle about a place, from outside round below; the rings that follow lie to the left of out and up. */
function section(
  middle: Vec3,
  { out, up, half, pieces }: { out: Vec3; up: Vec3; half: number; pieces: number },
): FormRing {
  return Array.from({ length: pieces }, (_, i) => {
    const angle = (-2 * PI * i) / pieces;
    return plus(plus(middle, out, half * cos(angle)), up, half * sin(angle));
  });
}
