import { measure, type ValuesOf } from '../fields/index.ts';
import { cos, PI, sin, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { joinRings, piecesOf } from './rings.ts';
import { rollSection } from './rollSection.ts';
import { defineForm } from './definition.ts';

const RING = { radiusMm: measure(90), thickMm: measure(50) };

/** A ring that lies on its side, like a torus. */
function ringMesh({ radiusMm, thickMm }: ValuesOf<typeof RING>, tolerance: number): PolygonMesh {
  const half = Math.min(thickMm / 2, radiusMm * 0.99);
  const count = piecesOf(radiusMm + half, tolerance);
  const rings = Array.from({ length: count }, (_, i) => {
    const angle = (2 * PI * i) / count;
    const out: Vec3 = [sin(angle), 0, cos(angle)];
    return rollSection([out[0] * radiusMm, half, out[2] * radiusMm], {
      out,
      up: [0, 1, 0],
      half,
      pieces: piecesOf(half, tolerance),
    });
  });
  return joinRings(rings, { closed: true });
}

export const ring = defineForm({ kind: 'ring', fields: RING, mesh: ringMesh });
