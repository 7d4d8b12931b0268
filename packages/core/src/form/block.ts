import { choice, measure, extent, share, type ValuesOf } from '../fields/index.ts';
import { PI, sin, cos, unit, type Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { cubeLike } from './cubeLike.ts';
import { defineForm } from './definition.ts';
import { piecesOf } from './rings.ts';

const BLOCK = {
  widthMm: measure(240),
  heightMm: measure(120),
  depthMm: measure(24),
  edge: choice(['plain', 'chamfer', 'round'], { usual: 'round' }),
  edgeMm: extent(3, { when: { edge: ['chamfer', 'round'] } }),
  /** of the top against the foot, across and deep: a bar that tapers */
  taperPercent: share(-300, 95, { usual: 0, step: 5 }),
};

/** A box whose edges may be rounded or cut, on its foot; narrower or wider towards the top. */
function blockMesh(
  { widthMm, heightMm, depthMm, edge, edgeMm, taperPercent }: ValuesOf<typeof BLOCK>,
  tolerance: number,
): PolygonMesh {
  const half: Vec3 = [widthMm / 2, heightMm / 2, depthMm / 2];
  const radius = edge === 'plain' ? 0 : Math.min(edgeMm, ...half);
  const steps = edge === 'chamfer' ? 1 : Math.max(2, Math.ceil(piecesOf(radius, tolerance) / 8) * 2);
  const mesh = cubeLike(
    half.map((h) => ticks(h, radius, radius > 0 ? steps : 0)),
    (p) => {
      const inner = p.map((v, k) => Math.max(radius - half[k], Math.min(half[k] - radius, v))) as Vec3;
      const way = unit(p.map((v, k) => v - inner[k]) as Vec3);
      return radius > 0 ? (inner.map((v, k) => v + radius * way[k]) as Vec3) : p;
    },
  );
  return { ...mesh, positions: tapered(mesh.positions, half[1], taperPercent) };
}

/** Places along an axis: those of a rounded edge at either end, nothing between. */
function ticks(half: number, radius: number, steps: number): number[] {
  const edge = Array.from({ length: steps }, (_, i) => {
    const angle = (PI / 4) * (1 - i / steps);
    // seen from the middle of the edge's circle, even angles
    return half - radius + (radius * sin(angle)) / cos(angle);
  });
  edge[0] = half;
  const upper = radius < half ? [half - radius] : [0];
  const positive = [...edge.slice(0, Math.max(steps, 1)), ...(steps > 0 ? upper : [])];
  const negative = positive.map((v) => 0 - v);
  return [...new Set([...negative, ...positive.reverse()])];
}

/** On its foot, across and deep drawn in towards the top. */
function tapered(positions: Float64Array, half: number, percent: number): Float64Array {
  const out = positions.slice();
  for (let i = 0; i < out.length; i += 3) {
    const share = 1 - (percent / 100) * ((out[i + 1] + half) / (2 * half));
    out[i] *= share;
    out[i + 2] *= share;
    out[i + 1] += half;
  }
  return out;
}

export const block = defineForm({ kind: 'block', fields: BLOCK, mesh: blockMesh });
