import { keptBy } from '../base/index.ts';
import {
  adjacency,
  areaVector,
  distanceSquared,
  faceCorners,
  faceCount,
  MeshSink,
  nextCorner,
  vertexCount,
  type PolygonMesh,
} from '../mesh/index.ts';
import { dot, sizeOf, type Vec3 } from '../math/index.ts';

/** Of its longest edge: a triangle that is lower is a cap. */
const LOW = 0.01;
/** Of the tolerance: lower than this its apex lies on the edge, as far as anybody sees. */
const NEAR = 0.1;
const ROUNDS = 6;

/**
 * Without triangles that are next to nothing but long: what lies beyond their longest edge takes their apex in. Shaped,
 * such a triangle would turn over, since the chord of its longest edge strays by more than it is high.
 */
export function withoutCaps(mesh: PolygonMesh, toleranceMm: number): PolygonMesh {
  const last = clearedLast(mesh);
  if (last.toleranceMm === toleranceMm) return last.cleared;
  last.cleared = clearedOf(mesh, toleranceMm);
  last.toleranceMm = toleranceMm;
  return last.cleared;
}

/** Other values of the steps that shape it leave this as it is. */
const clearedLast = keptBy((mesh: PolygonMesh) => ({ toleranceMm: NaN, cleared: mesh }));

function clearedOf(mesh: PolygonMesh, toleranceMm: number): PolygonMesh {
  let cleared = mesh;
  for (let round = 0; round < ROUNDS; round++) {
    const next = clearOnce(cleared, NEAR * toleranceMm);
    if (!next) break;
    cleared = next;
  }
  return cleared;
}

interface EndCap {
  face: number;
  /** corner at which the longest edge begins */
  long: number;
}

function clearOnce(mesh: PolygonMesh, near: number): PolygonMesh | undefined {
  const caps = capsOf(mesh, near);
  if (caps.length === 0) return undefined;
  const beside = adjacency(mesh);
  const edges = edgesOf(mesh);
  const made = new Map<number, NewFace[]>();
  for (const cap of caps) {
    const over = beside.twin[cap.long];
    if (over < 0) continue;
    const other = beside.face[over];
    if (made.has(cap.face) || made.has(other)) continue;
    const faces = takenIn(mesh, cap, { over, other });
    const inner = faces && innerEdges(mesh, faces);
    // two vertices with an edge already would be joined by a second one
    if (!faces || !inner || inner.some((edge) => edges.has(edge))) continue;
    for (const edge of inner) edges.add(edge);
    made.set(cap.face, []);
    made.set(other, faces);
  }
  return made.size > 0 ? withFaces(mesh, made) : undefined;
}

/** Names an edge whichever way it is walked. */
export const edgeOf = (mesh: PolygonMesh, a: number, b: number): number =>
  Math.min(a, b) * vertexCount(mesh) + Math.max(a, b);

function edgesOf(mesh: PolygonMesh): Set<number> {
  const edges = new Set<number>();
  for (let f = 0; f < faceCount(mesh); f++)
    for (const c of faceCorners(mesh, f))
      edges.add(edgeOf(mesh, mesh.faceVertices[c], mesh.faceVertices[nextCorner(mesh, f, c)]));
  return edges;
}

/** Between triangles about one apex, which is their last corner. */
const innerEdges = (mesh: PolygonMesh, faces: readonly NewFace[]): number[] =>
  faces.slice(1).map(({ corners }) => edgeOf(mesh, mesh.faceVertices[corners[0]], mesh.faceVertices[corners[2]]));

function capsOf({ positions: p, faceStart, faceVertices }: PolygonMesh, near: number): EndCap[] {
  const caps: EndCap[] = [];
  for (let f = 0; f + 1 < faceStart.length; f++) {
    if (faceStart[f + 1] - faceStart[f] !== 3) continue;
    const at = [0, 1, 2].map((k) => 3 * faceVertices[faceStart[f] + k]);
    const lengths = [0, 1, 2].map((k) => distanceSquared(p, at[k], at[(k + 1) % 3]));
    const k = lengths.indexOf(Math.max(...lengths));
    const long = Math.sqrt(lengths[k]);
    const high = sizeOf(areaVector(p, at[0], at[1], at[2])) / long;
    if (high < LOW * long && high < near) caps.push({ face: f, long: faceStart[f] + k });
  }
  return caps;
}

/** A face by corners of the mesh. */
interface NewFace {
  corners: number[];
  sharp: number[];
  region: number;
}

/**
 * What the face beyond becomes: triangles about the apex, or, where it has more corners than a quad, one with one more.
 * Undefined where it would fold.
 */
function takenIn(
  mesh: PolygonMesh,
  { face, long }: EndCap,
  { over, other }: { over: number; other: number },
): NewFace[] | undefined {
  const toApex = nextCorner(mesh, face, long);
  const apex = nextCorner(mesh, face, toApex);
  const ring = faceCorners(mesh, other);
  const from = ring.indexOf(over);
  // from the end of the shared edge round to its start
  const row = [...ring.slice(from + 1), ...ring.slice(0, from + 1)];
  const region = mesh.region[other];
  // seen from the face beyond, the shared edge runs the other way: its start is where the cap's edge to the apex begins
  const [start, end] = [mesh.sharp[toApex], mesh.sharp[apex]];
  if (row.length > 4) {
    const sharp = [...row.slice(0, -1).map((c) => mesh.sharp[c]), start, end];
    return [{ corners: [...row, apex], sharp, region }];
  }
  const normal = areaOf(mesh, row);
  const faces = row.slice(0, -1).map((c, i): NewFace => ({
    corners: [c, row[i + 1], apex],
    sharp: [mesh.sharp[c], i === row.length - 2 ? start : 0, i === 0 ? end : 0],
    region,
  }));
  return faces.every(({ corners }) => dot(areaOf(mesh, corners), normal) > 0) ? faces : undefined;
}

function areaOf({ positions, faceVertices }: PolygonMesh, corners: readonly number[]): Vec3 {
  const at = corners.map((c) => 3 * faceVertices[c]);
  const sum: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < at.length; i++)
    areaVector(positions, at[0], at[i], at[i + 1]).forEach((v, k) => (sum[k] += v));
  return sum;
}

function withFaces(mesh: PolygonMesh, made: ReadonlyMap<number, readonly NewFace[]>): PolygonMesh {
  const rows = new MeshSink(mesh);
  for (let f = 0; f < faceCount(mesh); f++) {
    const faces = made.get(f);
    if (!faces) rows.keep(f);
    else for (const { corners, region, sharp } of faces) rows.face(corners, region, sharp);
  }
  return rows.finish();
}
