import { adjacency, type Adjacency } from './adjacency.ts';
import { faceAreaVectors } from './faceNormals.ts';
import { faceCount, nextCorner, type Part, type PolygonMesh } from './polygonMesh.ts';

/**
 * Where several parts meet smoothly the flattest decides: a front stays flat up to its rim and the rounding begins with
 * the front's own normal. (Averaging over all would shade the whole front, whose faces are large.)
 */
const RANK: Readonly<Record<Part, number>> = {
  front: 2,
  back: 2,
  body: 2,
  outerWall: 1,
  innerWall: 1,
  frontEdge: 0,
  backEdge: 0,
  floor: 2,
  recess: 1,
  lip: 0,
  foot: 0,
};

/**
 * Unit normals, three numbers a corner: crisp at sharp edges, smooth across the others, weighted by area among the
 * parts of highest rank.
 */
export function cornerNormals(mesh: PolygonMesh, known?: Adjacency): Float64Array {
  const neighbours = known ?? adjacency(mesh);
  const areas = faceAreaVectors(mesh);
  const previous = previousCorners(mesh);
  const normals = new Float64Array(mesh.faceVertices.length * 3);
  const done = new Uint8Array(mesh.faceVertices.length);
  const fan: number[] = [];
  for (let corner = 0; corner < done.length; corner++) {
    if (done[corner]) continue;
    collectFan(mesh, neighbours, { previous, corner, fan });
    const [x, y, z] = fanNormal(mesh, neighbours, areas, { fan });
    for (const c of fan) {
      done[c] = 1;
      normals[c * 3] = x;
      normals[c * 3 + 1] = y;
      normals[c * 3 + 2] = z;
    }
  }
  return normals;
}

function previousCorners(mesh: PolygonMesh): Uint32Array {
  const previous = new Uint32Array(mesh.faceVertices.length);
  for (let f = 0; f < faceCount(mesh); f++) {
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) previous[nextCorner(mesh, f, c)] = c;
  }
  return previous;
}

/**
 * All corners of one vertex that share its normal with `corner`: turns first one way, then the other, until a sharp or
 * open edge.
 */
function collectFan(
  mesh: PolygonMesh,
  { twin, face }: Adjacency,
  { previous, corner, fan }: { previous: Uint32Array; corner: number; fan: number[] },
): void {
  fan.length = 0;
  fan.push(corner);
  for (let c = corner; ;) {
    const incoming = previous[c];
    if (mesh.sharp[incoming] || twin[incoming] < 0) break;
    c = twin[incoming];
    if (c === corner) return;
    fan.push(c);
  }
  for (let c = corner; ;) {
    if (mesh.sharp[c] || twin[c] < 0) break;
    c = nextCorner(mesh, face[twin[c]], twin[c]);
    if (c === corner) return;
    fan.push(c);
  }
}

function fanNormal(
  mesh: PolygonMesh,
  { face }: Adjacency,
  areas: Float64Array,
  { fan }: { fan: readonly number[] },
): [number, number, number] {
  const rankOf = (c: number): number => RANK[mesh.regions[mesh.region[face[c]]].part];
  let top = -1;
  for (const c of fan) top = Math.max(top, rankOf(c));
  let x = 0;
  let y = 0;
  let z = 0;
  for (const c of fan) {
    if (rankOf(c) !== top) continue;
    x += areas[face[c] * 3];
    y += areas[face[c] * 3 + 1];
    z += areas[face[c] * 3 + 2];
  }
  const length = Math.sqrt(x * x + y * y + z * z);
  return length > 0 ? [x / length, y / length, z / length] : [0, 0, 1];
}
