import { amount, measure, place, type ValuesOf } from '../fields/index.ts';
import { cos, cross, PI, plus, sin, unit, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { joinRings, piecesOf, type FormRing } from './rings.ts';
import { rollSection } from './rollSection.ts';
import { defineForm } from './definition.ts';

const COIL = {
  radiusMm: measure(80),
  thickMm: measure(26),
  riseMm: place({ usual: 90 }),
  turns: amount(0.05, 100, { usual: 1.5, step: 0.25 }),
};

/** A roll that climbs round the upright axis, its ends round. */
function coilMesh({ radiusMm, thickMm, riseMm, turns }: ValuesOf<typeof COIL>, tolerance: number): PolygonMesh {
  const half = Math.min(thickMm / 2, radiusMm * 0.99);
  const count = Math.max(8, Math.ceil(piecesOf(radiusMm + half, tolerance) * turns));
  const pieces = piecesOf(half, tolerance);
  const at = (share: number): { middle: Vec3; out: Vec3; along: Vec3 } => {
    const angle = 2 * PI * turns * (share - 0.5);
    const out: Vec3 = [sin(angle), 0, cos(angle)];
    const along = unit([cos(angle) * 2 * PI * turns * radiusMm, riseMm, -sin(angle) * 2 * PI * turns * radiusMm]);
    return {
      middle: [out[0] * radiusMm, half + (riseMm < 0 ? -riseMm : 0) + riseMm * share, out[2] * radiusMm],
      out,
      along,
    };
  };
  const ringOf = (share: number, shift: number, size: number): FormRing => {
    const { middle, out, along } = at(share);
    const up = cross(along, out).map((v) => 0 - v) as Vec3;
    const place = plus(middle, along, shift);
    return size === 0 ? [place] : rollSection(place, { out, up, half: size, pieces });
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
}

/** Steps of a round end. */
const CAP = 8;

export const coil = defineForm({ kind: 'coil', fields: COIL, mesh: coilMesh });
