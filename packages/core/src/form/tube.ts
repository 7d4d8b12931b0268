import { measure, type ValuesOf } from '../fields/index.ts';
import { cos, PI, sin, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { joinRings, piecesOf, type FormRing } from './rings.ts';
import { defineForm } from './definition.ts';
import { lengthOrNone } from './lengthOrNone.ts';

const TUBE = {
  widthMm: measure(180),
  depthMm: measure(110),
  heightMm: measure(140),
  /** 0: full, a cylinder */
  wallMm: lengthOrNone(8),
};

type Tube = ValuesOf<typeof TUBE>;

/** Of half the narrower way: a wall leaves at least so much room inside. */
const MOST_WALL = 0.98;

/**
 * An upright tube whose section is an ellipse, or, without a wall, a full cylinder. The wall is measured where the
 * ellipse is widest and narrowest.
 */
function tubeMesh({ widthMm, depthMm, heightMm, wallMm }: Tube, tolerance: number): PolygonMesh {
  const [a, b] = [widthMm / 2, depthMm / 2];
  // sagittas of equal steps of the angle are no larger than those of the circle around
  const pieces = piecesOf(Math.max(a, b), tolerance);
  const outer = [0, heightMm].map((y) => ellipse([a, b], y, pieces));
  if (wallMm === 0) return joinRings(outer, { closed: false, capped: true });
  const wall = Math.min(wallMm, MOST_WALL * Math.min(a, b));
  const inner = [heightMm, 0].map((y) => ellipse([a - wall, b - wall], y, pieces));
  return joinRings([...outer, ...inner], { closed: true });
}

/** Counter-clockwise seen from below, where the rings come from. */
const ellipse = ([a, b]: readonly [number, number], y: number, pieces: number): FormRing =>
  Array.from({ length: pieces }, (_, i): Vec3 => {
    const angle = (2 * PI * i) / pieces;
    return [a * sin(angle), y, b * cos(angle)];
  });

export const tube = defineForm({
  kind: 'tube',
  fields: TUBE,
  mesh: tubeMesh,
  starts: { cylinder: { widthMm: 120, depthMm: 120, heightMm: 160, wallMm: 0 }, tube: {} },
});
