import { adjacency, cornerNormals, type Adjacency, type PolygonMesh } from '../mesh/index.ts';
import { cornerPositions, edgeLines, grouped, NOTHING_APART, paintedUv, type DisplayBuffers } from './display.ts';

/** What does not change while points move and faces stay. */
interface Topology {
  neighbours: Adjacency;
  groups: Pick<DisplayBuffers, 'index' | 'groups'>;
}

/** By the row of vertices that meshes of one topology share. */
const known = new WeakMap<Uint32Array, Topology>();

/**
 * Buffers of a preview, which nobody measures: rounded without looking for what collapses, cut into triangles as the
 * first mesh with these faces was.
 */
export function roughDisplay(mesh: PolygonMesh): DisplayBuffers {
  let topology = known.get(mesh.faceVertices);
  if (!topology) {
    topology = { neighbours: adjacency(mesh), groups: grouped(mesh, NOTHING_APART) };
    known.set(mesh.faceVertices, topology);
  }
  const { neighbours, groups } = topology;
  return {
    positions: cornerPositions(mesh),
    normals: new Float32Array(cornerNormals(mesh, neighbours)),
    index: groups.index.slice(),
    groups: groups.groups,
    edges: edgeLines(mesh, neighbours.twin, neighbours.face),
    ...paintedUv(mesh),
  };
}
