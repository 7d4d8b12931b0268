import { weld, type PolygonMesh } from '../mesh/index.ts';

/** Vertices nearer to one met before than `within` move onto it; what collapses by that goes. 0: only equal ones. */
export function joinPoints(mesh: PolygonMesh, within: number): PolygonMesh {
  if (within === 0) return weld(mesh);
  const p = mesh.positions;
  const cells = new Map<string, number[]>();
  const cell = (value: number): number => Math.floor(value / within);
  const positions = p.slice();
  for (let v = 0; v < p.length; v += 3) {
    const [x, y, z] = [p[v], p[v + 1], p[v + 2]];
    const near = nearest(p, cells, { x, y, z, within });
    if (near >= 0) positions.set(p.subarray(near, near + 3), v);
    else {
      const key = `${cell(x)} ${cell(y)} ${cell(z)}`;
      const row = cells.get(key);
      if (row) row.push(v);
      else cells.set(key, [v]);
    }
  }
  return weld({ ...mesh, positions });
}

function nearest(
  p: Float64Array,
  cells: ReadonlyMap<string, readonly number[]>,
  { x, y, z, within }: { x: number; y: number; z: number; within: number },
): number {
  let [found, least] = [-1, within * within];
  const [i, j, k] = [x, y, z].map((value) => Math.floor(value / within));
  for (let a = i - 1; a <= i + 1; a++) {
    for (let b = j - 1; b <= j + 1; b++) {
      for (let c = k - 1; c <= k + 1; c++) {
        for (const v of cells.get(`${a} ${b} ${c}`) ?? []) {
          const square = (p[v] - x) * (p[v] - x) + (p[v + 1] - y) * (p[v + 1] - y) + (p[v + 2] - z) * (p[v + 2] - z);
          if (square < least) [found, least] = [v, square];
        }
      }
    }
  }
  return found;
}
