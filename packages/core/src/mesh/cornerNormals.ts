import { adjacency, type Adjacency } from './adjacency.ts';
import { faceAreaVectors } from './faceNormals.ts';
import { Scratch } from './scratch.ts';
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
 * Which faces make the normals of which corners: all that stays while points move and faces do not. A fan is what
 * shares one normal: corners of one vertex, across edges that are not sharp.
 */
export interface NormalFans {
  /** of each corner */
  fan: Uint32Array;
  /** of each fan: the vertex that it is about */
  vertex: Uint32Array;
  /** of each fan: where its faces begin, and the number of them all at the end */
  start: Uint32Array;
  /** those of highest rank, in the order in which they are added up */
  faces: Uint32Array;
}

/**
 * Unit normals, three numbers a corner: crisp at sharp edges, smooth across the others, weighted by area among the
 * parts of highest rank.
 */
export function cornerNormals(mesh: PolygonMesh, known?: Adjacency): Float64Array {
  const fans = normalFans(mesh, known ?? adjacency(mesh));
  const normals = fanNormals(mesh, fans);
  const { fan } = fans;
  const byCorner = new Float64Array(3 * fan.length);
  for (let c = 0; c < fan.length; c++) {
    byCorner[3 * c] = normals[3 * fan[c]];
    byCorner[3 * c + 1] = normals[3 * fan[c] + 1];
    byCorner[3 * c + 2] = normals[3 * fan[c] + 2];
  }
  return byCorner;
}

/** Filled anew each time: a hand that pulls asks for a hundred thousand of them, sixty times a second. */
const scratch = { areas: new Scratch(), normals: new Scratch() };

/** Three numbers a fan; good until the next call. */
export function fanNormals(
  mesh: Pick<PolygonMesh, 'positions' | 'faceStart' | 'faceVertices'>,
  { start, faces }: Pick<NormalFans, 'start' | 'faces'>,
): Float64Array {
  const areas = faceAreaVectors(mesh, scratch.areas.of(3 * faceCount(mesh)));
  const fans = start.length - 1;
  const normals = scratch.normals.of(3 * fans);
  for (let n = 0; n < fans; n++) {
    let x = 0;
    let y = 0;
    let z = 0;
    const end = start[n + 1];
    for (let i = start[n]; i < end; i++) {
      const f = 3 * faces[i];
      x += areas[f];
      y += areas[f + 1];
      z += areas[f + 2];
    }
    const length = Math.sqrt(x * x + y * y + z * z);
    const at = 3 * n;
    if (length > 0) {
      normals[at] = x / length;
      normals[at + 1] = y / length;
      normals[at + 2] = z / length;
    } else {
      normals[at] = 0;
      normals[at + 1] = 0;
      normals[at + 2] = 1;
    }
  }
  return normals;
}

export function normalFans(mesh: PolygonMesh, neighbours: Adjacency): NormalFans {
  const corners = mesh.faceVertices.length;
  const previous = previousCorners(mesh);
  const rank = mesh.regions.map(({ part }) => RANK[part]);
  const fan = new Uint32Array(corners);
  const done = new Uint8Array(corners);
  const start = new Uint32Array(corners + 1);
  const faces = new Uint32Array(corners);
  const vertex = new Uint32Array(corners);
  const members: number[] = [];
  let fans = 0;
  let filled = 0;
  for (let corner = 0; corner < corners; corner++) {
    if (done[corner]) continue;
    collectFan(mesh, neighbours, { previous, corner, fan: members });
    let top = -1;
    for (const c of members) top = Math.max(top, rank[mesh.region[neighbours.face[c]]]);
    for (const c of members) {
      done[c] = 1;
      fan[c] = fans;
      if (rank[mesh.region[neighbours.face[c]]] === top) faces[filled++] = neighbours.face[c];
    }
    vertex[fans] = mesh.faceVertices[corner];
    start[++fans] = filled;
  }
  return { fan, vertex: vertex.slice(0, fans), start: start.slice(0, fans + 1), faces: faces.slice(0, filled) };
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
