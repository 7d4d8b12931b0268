import { spelled } from '../base/index.ts';
import {
  adjacency,
  cornerNormals,
  nextCorner,
  toFloat32,
  triangulate,
  type Part,
  type PolygonMesh,
} from '../mesh/index.ts';

/** What a renderer takes of a cluster: fresh 32-bit buffers about the cluster's own origin, to be handed over. */
export interface DisplayBuffers {
  /** three numbers a corner */
  positions: Float32Array;
  normals: Float32Array;
  /** three corners a triangle, grouped by part, and by letter where that has a look of its own */
  index: Uint32Array;
  groups: DisplayGroup[];
  /** six numbers an edge of the polygons, each edge once */
  edges: Float32Array;
  /** two numbers a corner, where a model keeps its own materials */
  uv?: Float32Array;
}

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
  return {
    positions: cornerPositions(mesh),
    normals: new Float32Array(cornerNormals(mesh, neighbours)),
    ...grouped(mesh, apart),
    edges: edgeLines(mesh, neighbours.twin, neighbours.face),
    ...paintedUv(mesh),
  };
}

/** Only where pictures lie on it. */
export const paintedUv = ({ uv, regions }: PolygonMesh): Pick<DisplayBuffers, 'uv'> =>
  uv && regions.some(({ paint }) => paint !== undefined) ? { uv: uv.slice() } : {};

/** Three numbers a corner. */
export function cornerPositions({ positions: p, faceVertices }: PolygonMesh): Float32Array {
  const positions = new Float32Array(3 * faceVertices.length);
  for (let c = 0; c < faceVertices.length; c++)
    for (let k = 0; k < 3; k++) positions[3 * c + k] = p[3 * faceVertices[c] + k];
  return positions;
}

/** Triangles by part, and by letter where that has a look of its own. */
export function grouped(mesh: PolygonMesh, apart: Apart): Pick<DisplayBuffers, 'index' | 'groups'> {
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
    index.set(corners.subarray(3 * t, 3 * t + 3), at);
    fill.set(group, at + 3);
  }
  return { index, groups };
}

/** Each edge once, six numbers. */
export function edgeLines(mesh: PolygonMesh, twin: Int32Array, face: Uint32Array): Float32Array {
  let count = 0;
  for (let c = 0; c < twin.length; c++) if (twin[c] < 0 || twin[c] > c) count++;
  const lines = new Float32Array(6 * count);
  let at = 0;
  for (let c = 0; c < twin.length; c++) {
    if (twin[c] >= 0 && twin[c] < c) continue;
    const a = mesh.faceVertices[c] * 3;
    const b = mesh.faceVertices[nextCorner(mesh, face[c], c)] * 3;
    for (let k = 0; k < 3; k++) {
      lines[at + k] = mesh.positions[a + k];
      lines[at + 3 + k] = mesh.positions[b + k];
    }
    at += 6;
  }
  return lines;
}
