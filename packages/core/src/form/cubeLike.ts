import type { Vec3 } from '../math/index.ts';
import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';

/** The six sides of a cube, cut at places along each axis, every point moved. */
export function cubeLike(axes: readonly (readonly number[])[], move: (p: Vec3) => Vec3): PolygonMesh {
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
