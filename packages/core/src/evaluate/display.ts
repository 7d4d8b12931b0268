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
  /** three corners a triangle, grouped by part */
  index: Uint32Array;
  groups: { part: Part; start: number; count: number }[];
  /** six numbers an edge of the polygons, each edge once */
  edges: Float32Array;
}

export function display(source: PolygonMesh): DisplayBuffers {
  const { mesh } = toFloat32(source);
  const neighbours = adjacency(mesh);
  const corners = mesh.faceVertices.length;
  const positions = new Float32Array(corners * 3);
  for (let c = 0; c < corners; c++) {
    const v = mesh.faceVertices[c] * 3;
    positions[c * 3] = mesh.positions[v];
    positions[c * 3 + 1] = mesh.positions[v + 1];
    positions[c * 3 + 2] = mesh.positions[v + 2];
  }
  return {
    positions,
    normals: Float32Array.from(cornerNormals(mesh, neighbours)),
    ...groupByPart(mesh),
    edges: edgeLines(mesh, neighbours.twin, neighbours.face),
  };
}

function groupByPart(mesh: PolygonMesh): Pick<DisplayBuffers, 'index' | 'groups'> {
  const { corners, face } = triangulate(mesh);
  const partOf = (t: number): Part => mesh.regions[mesh.region[face[t]]].part;
  const counts = new Map<Part, number>();
  for (let t = 0; t < face.length; t++) counts.set(partOf(t), (counts.get(partOf(t)) ?? 0) + 3);
  const groups: DisplayBuffers['groups'] = [];
  const fill = new Map<Part, number>();
  let start = 0;
  for (const [part, count] of counts) {
    groups.push({ part, start, count });
    fill.set(part, start);
    start += count;
  }
  const index = new Uint32Array(corners.length);
  for (let t = 0; t < face.length; t++) {
    const at = fill.get(partOf(t)) as number;
    index.set(corners.subarray(3 * t, 3 * t + 3), at);
    fill.set(partOf(t), at + 3);
  }
  return { index, groups };
}

function edgeLines(mesh: PolygonMesh, twin: Int32Array, face: Uint32Array): Float32Array {
  const lines: number[] = [];
  for (let c = 0; c < twin.length; c++) {
    if (twin[c] >= 0 && twin[c] < c) continue;
    const a = mesh.faceVertices[c] * 3;
    const b = mesh.faceVertices[nextCorner(mesh, face[c], c)] * 3;
    lines.push(
      mesh.positions[a],
      mesh.positions[a + 1],
      mesh.positions[a + 2],
      mesh.positions[b],
      mesh.positions[b + 1],
      mesh.positions[b + 2],
    );
  }
  return Float32Array.from(lines);
}
