import { cornerFaces, vertexCount, type PolygonMesh } from './polygonMesh.ts';

/** Who lies across each edge. Read only. */
export interface Adjacency {
  /** where the faces begin whose corners these are */
  of: Uint32Array;
  /** per corner: the corner whose edge runs the other way between the same vertices, or -1 */
  twin: Int32Array;
  /** face of every corner */
  face: Uint32Array;
  /** edges that have one face only */
  openEdges: number;
  /** edges with more than two faces, or whose two faces walk it the same way */
  badEdges: number;
}

/** By what meshes are joined together of: those whose points alone differ share it. */
const known = new WeakMap<Uint32Array, Adjacency>();

/** Pairs corners' edges through a table of the corners by the vertex they stand on; kept as long as the faces are. */
export function adjacency(mesh: PolygonMesh): Adjacency {
  const kept = known.get(mesh.faceVertices);
  // rows of corners may be shared by meshes that divide them otherwise
  if (kept?.of === mesh.faceStart) return kept;
  const made = paired(mesh);
  known.set(mesh.faceVertices, made);
  return made;
}

function paired(mesh: PolygonMesh): Adjacency {
  const from = mesh.faceVertices;
  const to = edgeEnds(mesh);
  const { start, rows } = cornersByVertex(from, vertexCount(mesh));
  const twin = new Int32Array(from.length).fill(-1);
  let openEdges = 0;
  let badEdges = 0;
  for (let c = 0; c < from.length; c++) {
    if (twin[c] >= 0) continue;
    const a = from[c];
    const b = to[c];
    let back = -1;
    let backs = 0;
    for (let i = start[b]; i < start[b + 1]; i++) {
      if (to[rows[i]] !== a) continue;
      if (backs++ === 0) back = rows[i];
    }
    let same = 0;
    let isFirst = true;
    for (let i = start[a]; i < start[a + 1]; i++) {
      if (to[rows[i]] !== b) continue;
      same++;
      if (rows[i] < c) isFirst = false;
    }
    if (same === 1 && backs === 1) {
      twin[c] = back;
      twin[back] = c;
    } else if (same + backs === 1) openEdges++;
    else if (isFirst && (backs === 0 || c < back)) badEdges++;
  }
  return { of: mesh.faceStart, twin, face: cornerFaces(mesh), openEdges, badEdges };
}

/** The vertex at which each corner's edge ends. */
function edgeEnds({ faceStart, faceVertices }: PolygonMesh): Uint32Array {
  const to = new Uint32Array(faceVertices.length);
  for (let f = 0; f + 1 < faceStart.length; f++) {
    const first = faceStart[f];
    const last = faceStart[f + 1] - 1;
    for (let c = first; c < last; c++) to[c] = faceVertices[c + 1];
    if (last >= first) to[last] = faceVertices[first];
  }
  return to;
}

/** Counting sort; rows of one vertex are in ascending order. */
function cornersByVertex(from: Uint32Array, vertices: number): { start: Uint32Array; rows: Uint32Array } {
  const start = new Uint32Array(vertices + 1);
  for (let c = 0; c < from.length; c++) start[from[c] + 1]++;
  for (let v = 1; v <= vertices; v++) start[v] += start[v - 1];
  const fill = start.slice();
  const rows = new Uint32Array(from.length);
  for (let c = 0; c < from.length; c++) rows[fill[from[c]]++] = c;
  return { start, rows };
}
