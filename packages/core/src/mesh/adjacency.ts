import { cornerFaces, faceCount, nextCorner, vertexCount, type PolygonMesh } from './polygonMesh.ts';

/** Who lies across each edge. Built when asked for, never stored. */
export interface Adjacency {
  /** per corner: the corner whose edge runs the other way between the same vertices, or -1 */
  twin: Int32Array;
  /** face of every corner */
  face: Uint32Array;
  /** edges that have one face only */
  openEdges: number;
  /** edges with more than two faces, or whose two faces walk it the same way */
  badEdges: number;
}

/** Pairs the corners' edges through a table of rows by their lower vertex. */
export function adjacency(mesh: PolygonMesh): Adjacency {
  const corners = mesh.faceVertices.length;
  const face = cornerFaces(mesh);
  const start = new Uint32Array(vertexCount(mesh) + 1);
  const other = new Uint32Array(corners);
  for (let f = 0; f < faceCount(mesh); f++) {
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      other[c] = mesh.faceVertices[nextCorner(mesh, f, c)];
      start[Math.min(mesh.faceVertices[c], other[c]) + 1]++;
    }
  }
  for (let v = 1; v < start.length; v++) start[v] += start[v - 1];
  const fill = start.slice();
  const rows = new Uint32Array(corners);
  for (let c = 0; c < corners; c++) rows[fill[Math.min(mesh.faceVertices[c], other[c])]++] = c;
  const twin = new Int32Array(corners).fill(-1);
  const result: Adjacency = { twin, face, openEdges: 0, badEdges: 0 };
  for (let v = 0; v + 1 < start.length; v++) pairRow(mesh, rows, start[v], start[v + 1], other, result);
  return result;
}

function pairRow(
  mesh: PolygonMesh,
  rows: Uint32Array,
  from: number,
  to: number,
  other: Uint32Array,
  result: Adjacency,
): void {
  for (let i = from; i < to; i++) {
    const a = rows[i];
    if (result.twin[a] !== -1) continue;
    const low = Math.min(mesh.faceVertices[a], other[a]);
    const high = Math.max(mesh.faceVertices[a], other[a]);
    let users = 1;
    let opposite = -1;
    for (let j = i + 1; j < to; j++) {
      const b = rows[j];
      if (Math.max(mesh.faceVertices[b], other[b]) !== high || Math.min(mesh.faceVertices[b], other[b]) !== low)
        continue;
      users++;
      if (mesh.faceVertices[b] === other[a]) opposite = b;
      else if (opposite < 0) opposite = -2;
    }
    if (users === 1) result.openEdges++;
    else if (users === 2 && opposite >= 0) {
      result.twin[a] = opposite;
      result.twin[opposite] = a;
    } else if (isFirstOfEdge(mesh, rows, from, i, other, low, high)) result.badEdges++;
  }
}

function isFirstOfEdge(
  mesh: PolygonMesh,
  rows: Uint32Array,
  from: number,
  i: number,
  other: Uint32Array,
  low: number,
  high: number,
): boolean {
  for (let j = from; j < i; j++) {
    const v = mesh.faceVertices[rows[j]];
    const w = other[rows[j]];
    if (Math.min(v, w) === low && Math.max(v, w) === high) return false;
  }
  return true;
}
