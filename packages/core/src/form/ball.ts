import { measure, type ValuesOf } from '../fields/index.ts';
import { cos, PI, sin, unit, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { cubeLike } from './cubeLike.ts';
import { defineForm } from './definition.ts';
import { piecesOf } from './rings.ts';

const BALL = { radiusMm: measure(80) };

/** A ball of quads: a cube, blown up. */
function ballMesh({ radiusMm: radius }: ValuesOf<typeof BALL>, tolerance: number): PolygonMesh {
  const count = Math.max(4, Math.ceil(piecesOf(radius, tolerance) / 4));
  // even angles instead of even lengths: faces are then about equally large
  const at = Array.from({ length: count + 1 }, (_, i) => {
    const angle = (PI / 4) * ((2 * i) / count - 1);
    return 2 * i === count ? 0 : sin(angle) / cos(angle);
  });
  at[0] = -1;
  at[count] = 1;
  const mesh = cubeLike([at, at, at], (p) => unit(p).map((v) => v * radius) as Vec3);
  return { ...mesh, positions: mesh.positions.map((v, i) => (i % 3 === 1 ? v + radius : v)) };
}

export const ball = defineForm({ kind: 'ball', fields: BALL, mesh: ballMesh });
