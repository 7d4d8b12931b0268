import type { FormShape } from '../document/index.ts';
import { cos, PI, sin, unit, type Vec3 } from '../math/index.ts';
import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { piecesOf } from './rings.ts';

type Block = Extract<FormShape, { kind: 'block' }>;

/** A box whose edges may be rounded or cut, on its foot; narrower or wider towards the top. */
export function block({ widthMm, heightMm, depthMm, edge, edgeMm, taperPercent }: Block, tolerance: number): PolygonMesh {
  const half: Vec3 = [widthMm / 2, heightMm / 2, depthMm / 2];
  const radius = edge === 'plain' ? 0 : Math.min(edgeMm, ...half);
  const steps = edge === 'chamfer' ? 1 : Math.max(2, Math.ceil(piecesOf(radius, tolerance) / 8) * 2);
  const mesh = cubeLike(half.map((h) => ticks(h, radius, radius > 0 ? steps : 0)), (p) => {
    const inner = p.map((v, k) => Math.max(radius - half[k], Math.min(half[k] - radius, v))) as Vec3;
    const way = unit(p.map((v, k) => v - inner[k]) as Vec3);
    return radius > 0 ? (inner.map((v, k) => v + radius * way[k]) as Vec3) : p;
  });
  return { ...mesh, positions: tapered(mesh.positions, half[1], taperPercent) };
} // prettier-ignore

/** A ball of quads: a cube, blown up. */
export function ball(radius: number, tolerance: number): PolygonMesh {
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

/** The six sides of a cube, cut at places along each axis, every point moved. */
function cubeLike(axes: readonly (readonly number[])[], move: (p: Vec3) => Vec3): PolygonMesh {
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  const known = new Map<string, number>();
  const vertex = (p: Vec3): number => {
    const name = p.join(' ');
    const found = known.get(name);
    if (found !== undefined) return found;
    const [x, y, z] = move(p);
    const made = builder.vertex(x, y, z);
    known.set(name, made);
    return made;
  };
  for (let k = 0; k < 3; k++) {
    const [u, v] = [axes[(k + 1) % 3], axes[(k + 2) % 3]];
    for (const end of [axes[k][0], axes[k][axes[k].length - 1]]) {
      const at = (a: number, b: number): number => {
        const p: Vec3 = [0, 0, 0];
        [p[k], p[(k + 1) % 3], p[(k + 2) % 3]] = [end, u[a], v[b]];
        return vertex(p);
      };
      for (let a = 0; a + 1 < u.length; a++) {
        for (let b = 0; b + 1 < v.length; b++) {
          const quad = [at(a, b), at(a + 1, b), at(a + 1, b + 1), at(a, b + 1)];
          builder.face(end > 0 ? quad : quad.reverse(), region);
        }
      }
    }
  }
  return builder.finish();
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
