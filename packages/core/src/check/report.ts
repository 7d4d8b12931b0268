import {
  adjacency,
  faceCount,
  nextCorner,
  triangulate,
  vertexCount,
  type Adjacency,
  type PolygonMesh,
  type Triangles,
} from '../mesh/index.ts';
import { findCrossings } from './crossings.ts';
import { meshFigures, type MeshFigures } from './figures.ts';
import { findShells, wronglyTurned } from './shells.ts';
import { NARROW, narrowFaces } from './narrowFaces.ts';
import { triangleShape, trianglesWithArea } from './triangleShape.ts';

/** What the checks panel, the command line and the tests read. Lengths in mm. */
export interface MeshReport {
  vertices: number;
  faces: number;
  triangles: number;
  quads: number;
  ngons: number;
  /** share of the faces' area that quads cover, 0 to 1 */
  quadAreaShare: number;
  shells: number;
  openEdges: number;
  closed: boolean;
  manifold: boolean;
  outward: boolean;
  crossingFaces: number;
  /** the search for crossing faces stopped early: the number is a lower bound */
  crossingCapped: boolean;
  /** faces with a corner under one degree */
  slivers: number;
  /**
   * other faces whose triangles have an angle under one degree, once they are cut: more than 57 times as long as wide
   */
  longFaces: number;
  /** triangles of the cut faces without any area, and faces that come through a vertex twice or fold */
  degenerate: number;
  sizeMm: [number, number, number];
  edgeMm: { shortest: number; median: number; longest: number };
  volumeMm3: number;
  figures: MeshFigures;
}

/** All checks on one mesh. A mesh without faces counts as closed, manifold and outward. */
export const checkMesh = (mesh: PolygonMesh): MeshReport => checkUnless(mesh, () => false) as MeshReport;

/**
 * The same, given up (undefined) as soon as `cancelled` says so: it is asked while the search for crossing faces goes
 * on.
 */
export function checkUnless(mesh: PolygonMesh, cancelled: () => boolean): MeshReport | undefined {
  const neighbours = adjacency(mesh);
  const triangles = triangulate(mesh);
  const hasArea = trianglesWithArea(mesh, triangles);
  const shells = findShells(mesh, neighbours, triangles);
  if (cancelled()) return undefined;
  const crossings = findCrossings(mesh, triangles, hasArea, { cancelled });
  if (cancelled()) return undefined;
  const sizes = countSizes(mesh);
  const lengths = edgeLengths(mesh, neighbours);
  const narrow = narrowFaces(mesh, triangles);
  const closed = neighbours.openEdges === 0 && neighbours.badEdges === 0;
  return {
    vertices: vertexCount(mesh),
    faces: faceCount(mesh),
    ...sizes,
    quadAreaShare: quadAreaShare(mesh, triangles),
    shells: shells.shells.length,
    openEdges: neighbours.openEdges,
    closed,
    manifold: neighbours.badEdges === 0 && splitVertices(mesh, neighbours) === 0,
    outward: closed && wronglyTurned(mesh, shells, triangles) === 0,
    crossingFaces: crossings.faces.length,
    crossingCapped: crossings.capped,
    slivers: narrow.filter((kind) => kind === NARROW.sliver).length,
    longFaces: narrow.filter((kind) => kind === NARROW.long).length,
    degenerate: hasArea.filter((has) => has === 0).length + triangles.folded + repeatedVertices(mesh),
    sizeMm: boundingSize(mesh),
    edgeMm: extremes(lengths),
    volumeMm3: closed ? shells.shells.reduce((sum, s) => sum + s.volume, 0) : 0,
    figures: meshFigures(mesh, neighbours, lengths),
  };
}

function countSizes(mesh: PolygonMesh): { triangles: number; quads: number; ngons: number } {
  const counts = { triangles: 0, quads: 0, ngons: 0 };
  for (let f = 0; f < faceCount(mesh); f++) {
    const size = mesh.faceStart[f + 1] - mesh.faceStart[f];
    if (size === 3) counts.triangles++;
    else if (size === 4) counts.quads++;
    else counts.ngons++;
  }
  return counts;
}

function quadAreaShare(mesh: PolygonMesh, triangles: Triangles): number {
  let quads = 0;
  let all = 0;
  for (let t = 0; t < triangles.face.length; t++) {
    const f = triangles.face[t];
    const { area } = triangleShape(mesh, triangles, t);
    all += area;
    if (mesh.faceStart[f + 1] - mesh.faceStart[f] === 4) quads += area;
  }
  return all > 0 ? quads / all : 0;
}

function repeatedVertices(mesh: PolygonMesh): number {
  let count = 0;
  for (let f = 0; f < faceCount(mesh); f++) {
    const loop = mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]);
    if (new Set(loop).size < loop.length) count++;
  }
  return count;
}

/** Vertices at which more than one fan of faces meets. */
function splitVertices(mesh: PolygonMesh, { twin, face }: Adjacency): number {
  const fans = new Uint32Array(vertexCount(mesh));
  const done = new Uint8Array(mesh.faceVertices.length);
  for (let c = 0; c < done.length; c++) {
    if (done[c]) continue;
    fans[mesh.faceVertices[c]]++;
    // forward through the fan, then, where it is open, from its other end
    for (let d = c; d >= 0 && !done[d]; d = twin[d] < 0 ? -1 : nextCorner(mesh, face[twin[d]], twin[d])) done[d] = 1;
    for (
      let d = backward(mesh, twin, { face, corner: c });
      d >= 0 && !done[d];
      d = backward(mesh, twin, { face, corner: d })
    )
      done[d] = 1;
  }
  return fans.reduce((sum, n) => sum + (n > 1 ? 1 : 0), 0);
}

function backward(
  mesh: PolygonMesh,
  twin: Int32Array,
  { face, corner }: { face: Uint32Array; corner: number },
): number {
  const f = face[corner];
  const previous = corner > mesh.faceStart[f] ? corner - 1 : mesh.faceStart[f + 1] - 1;
  return twin[previous];
}

function boundingSize(mesh: PolygonMesh): [number, number, number] {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  mesh.positions.forEach((value, i) => {
    low[i % 3] = Math.min(low[i % 3], value);
    high[i % 3] = Math.max(high[i % 3], value);
  });
  return mesh.positions.length === 0 ? [0, 0, 0] : [high[0] - low[0], high[1] - low[1], high[2] - low[2]];
}

/** Of all edges, ascending. */
function edgeLengths(mesh: PolygonMesh, { twin, face }: Adjacency): Float64Array {
  const lengths: number[] = [];
  const p = mesh.positions;
  for (let c = 0; c < twin.length; c++) {
    if (twin[c] >= 0 && twin[c] < c) continue;
    const a = mesh.faceVertices[c] * 3;
    const b = mesh.faceVertices[nextCorner(mesh, face[c], c)] * 3;
    const [x, y, z] = [p[a] - p[b], p[a + 1] - p[b + 1], p[a + 2] - p[b + 2]];
    lengths.push(Math.sqrt(x * x + y * y + z * z));
  }
  return Float64Array.from(lengths).sort();
}

const extremes = (sorted: Float64Array): MeshReport['edgeMm'] =>
  sorted.length === 0
    ? { shortest: 0, median: 0, longest: 0 }
    : { shortest: sorted[0], median: sorted[sorted.length >> 1], longest: sorted[sorted.length - 1] };
