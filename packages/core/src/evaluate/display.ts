import { spelled } from '../base/index.ts';
import {
  adjacency,
  fanNormals,
  nextCorner,
  normalFans,
  toFloat32,
  triangulate,
  type Adjacency,
  type NormalFans,
  type Part,
  type PolygonMesh,
} from '../mesh/index.ts';

/** What a renderer takes of a cluster: fresh 32-bit buffers about the cluster's own origin, to be handed over. */
export interface DisplayBuffers {
  /** three numbers a point: corners of one vertex with one normal are one, where no picture lies on them */
  positions: Float32Array;
  normals: Float32Array;
  /** three points a triangle, grouped by part, and by letter where that has a look of its own */
  index: Uint32Array;
  groups: DisplayGroup[];
  /** two points an edge of the polygons, each edge once */
  edges: Uint32Array;
  /** two numbers a point, where a model keeps its own materials */
  uv?: Float32Array;
}

/** All rows of a cluster's buffers. */
export const bufferRows = ({ positions, normals, index, edges, uv }: DisplayBuffers): DisplayRow[] => [
  ...[positions, normals, index, edges],
  ...(uv ? [uv] : []),
];
type DisplayRow = Float32Array | Uint32Array;

export interface DisplayGroup {
  part: Part;
  /** the letter's number in the mesh; -1: all that have no look of their own */
  letter: number;
  /** id of the piece as which it looks, where that is another one */
  of?: string;
  /** id of that piece's letter, where that has a look of its own */
  ofLetter?: number;
  /** number of the model's own material */
  paint?: number;
  start: number;
  count: number;
}

/** What is to be a group of its own. */
export interface Apart {
  /** letters, by their number in the mesh */
  letters: ReadonlySet<number>;
  /** letters that have cut it: ids of their pieces and their own, with a blank between */
  cutters: ReadonlySet<string>;
}

export const NOTHING_APART: Apart = { letters: new Set(), cutters: new Set() };

export function display(source: PolygonMesh, apart = NOTHING_APART): DisplayBuffers {
  const { mesh } = toFloat32(source);
  const neighbours = adjacency(mesh);
  const points = displayPoints(mesh, neighbours);
  return {
    ...movedBuffers(mesh, points),
    ...grouped(mesh, apart, points),
    edges: edgePoints(mesh, neighbours, points),
    ...paintedUv(mesh),
  };
}

/** What the renderer's points are: a fan of corners each, or where pictures lie on them a corner each. */
export interface DisplayPoints {
  fans: NormalFans;
  /** point of each corner; undefined: itself */
  ofCorner: Uint32Array | undefined;
}

type ShadedFaces = Pick<PolygonMesh, 'faceVertices' | 'faceStart' | 'sharp' | 'region' | 'regions' | 'uv'>;

/**
 * Made once for all places that the same faces are moved to: by their row of vertices, as long as all else of them is
 * the same too. Other crisp edges or parts are shaded otherwise.
 */
const pointsOfFaces = new WeakMap<Uint32Array, { of: ShadedFaces; points: DisplayPoints }>();

const isSame = (a: ShadedFaces, b: ShadedFaces): boolean =>
  a.faceStart === b.faceStart &&
  a.sharp === b.sharp &&
  a.region === b.region &&
  a.regions === b.regions &&
  a.uv === b.uv;

export function displayPoints(mesh: PolygonMesh, neighbours?: Adjacency): DisplayPoints {
  const known = pointsKnown(mesh);
  if (known) return known;
  const fans = normalFans(mesh, neighbours ?? adjacency(mesh));
  const points = { fans, ofCorner: isPainted(mesh) ? undefined : fans.fan };
  takePoints(mesh, points);
  return points;
}

export function pointsKnown(mesh: PolygonMesh): DisplayPoints | undefined {
  const known = pointsOfFaces.get(mesh.faceVertices);
  return known && isSame(known.of, mesh) ? known.points : undefined;
}

export function takePoints(mesh: PolygonMesh, points: DisplayPoints): void {
  const { faceVertices, faceStart, sharp, region, regions, uv } = mesh;
  pointsOfFaces.set(faceVertices, { of: { faceVertices, faceStart, sharp, region, regions, uv }, points });
}

/** All that changes while points move and faces do not. */
export type MovedBuffers = Pick<DisplayBuffers, 'positions' | 'normals'>;

export function movedBuffers(mesh: PolygonMesh, points: DisplayPoints): MovedBuffers {
  const rows = pointRows(mesh, points);
  const count = 3 * rows.vertex.length;
  const into = { positions: new Float32Array(count), normals: new Float32Array(count) };
  writeMoved(mesh, rows, into);
  return into;
}

/** The renderer's points in rows: the vertex of each, its fan where that is not itself, and what fans are made of. */
export interface DisplayRows {
  vertex: Uint32Array;
  fan: Uint32Array | undefined;
  fans: Pick<NormalFans, 'start' | 'faces'>;
}

export const pointRows = ({ faceVertices }: PolygonMesh, { ofCorner, fans }: DisplayPoints): DisplayRows => ({
  vertex: ofCorner ? fans.vertex : faceVertices,
  fan: ofCorner ? undefined : fans.fan,
  fans,
});

/** Places and normals of all points, by where the vertices of these faces lie. */
export function writeMoved(
  mesh: Pick<PolygonMesh, 'positions' | 'faceStart' | 'faceVertices'>,
  { vertex, fan, fans }: DisplayRows,
  { positions, normals }: MovedBuffers,
): void {
  const { positions: p } = mesh;
  const ofFans = fanNormals(mesh, fans);
  for (let i = 0; i < vertex.length; i++) {
    const v = 3 * vertex[i];
    const n = 3 * (fan ? fan[i] : i);
    const at = 3 * i;
    positions[at] = p[v];
    positions[at + 1] = p[v + 1];
    positions[at + 2] = p[v + 2];
    normals[at] = ofFans[n];
    normals[at + 1] = ofFans[n + 1];
    normals[at + 2] = ofFans[n + 2];
  }
}

/** Only where pictures lie on it. */
export const paintedUv = ({ uv, regions }: PolygonMesh): Pick<DisplayBuffers, 'uv'> =>
  uv && isPainted({ uv, regions }) ? { uv: uv.slice() } : {};

const isPainted = ({ uv, regions }: Pick<PolygonMesh, 'uv' | 'regions'>): boolean =>
  uv !== undefined && regions.some(({ paint }) => paint !== undefined);

/** Triangles by part, and by letter where that has a look of its own. */
export function grouped(
  mesh: PolygonMesh,
  apart: Apart,
  { ofCorner }: DisplayPoints,
): Pick<DisplayBuffers, 'index' | 'groups'> {
  const { corners, face } = triangulate(mesh);
  const byKey = new Map<string, DisplayGroup>();
  const groupOf = mesh.regions.map(({ part, letter, of, ofLetter, paint }) => {
    const own = apart.letters.has(letter) ? letter : -1;
    const cutter = apart.cutters.has(`${of} ${ofLetter}`) ? ofLetter : undefined;
    const key = spelled([part, own, of, cutter, paint]);
    const known = byKey.get(key);
    const group = known ?? {
      part,
      letter: own,
      ...(of !== undefined && { of }),
      ...(cutter !== undefined && { ofLetter: cutter }),
      ...(paint !== undefined && { paint }),
      start: 0,
      count: 0,
    };
    if (!known) byKey.set(key, group);
    return group;
  });
  for (const f of face) groupOf[mesh.region[f]].count += 3;
  const groups = [...byKey.values()].filter((group) => group.count > 0);
  const fill = new Map<DisplayGroup, number>();
  let start = 0;
  for (const group of groups) {
    group.start = start;
    fill.set(group, start);
    start += group.count;
  }
  const index = new Uint32Array(corners.length);
  for (let t = 0; t < face.length; t++) {
    const group = groupOf[mesh.region[face[t]]];
    const at = fill.get(group) as number;
    for (let k = 0; k < 3; k++) index[at + k] = ofCorner ? ofCorner[corners[3 * t + k]] : corners[3 * t + k];
    fill.set(group, at + 3);
  }
  return { index, groups };
}

/** Each edge once, by the two points that it runs between. */
export function edgePoints(
  mesh: PolygonMesh,
  { twin, face }: Pick<Adjacency, 'twin' | 'face'>,
  { ofCorner }: DisplayPoints,
): Uint32Array {
  let count = 0;
  for (let c = 0; c < twin.length; c++) if (twin[c] < 0 || twin[c] > c) count++;
  const edges = new Uint32Array(2 * count);
  let at = 0;
  for (let c = 0; c < twin.length; c++) {
    if (twin[c] >= 0 && twin[c] < c) continue;
    const end = nextCorner(mesh, face[c], c);
    edges[at++] = ofCorner ? ofCorner[c] : c;
    edges[at++] = ofCorner ? ofCorner[end] : end;
  }
  return edges;
}
