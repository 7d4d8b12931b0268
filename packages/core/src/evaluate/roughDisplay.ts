import { adjacency, type PolygonMesh } from '../mesh/index.ts';
import {
  displayPoints,
  edgePoints,
  grouped,
  movedBuffers,
  NOTHING_APART,
  paintedUv,
  type DisplayBuffers,
  type MovedBuffers,
} from './display.ts';

type Topology = Pick<DisplayBuffers, 'index' | 'groups' | 'edges'>;

/** What does not change while points move and faces stay: by the row of vertices that such meshes share. */
const known = new WeakMap<Uint32Array, Topology>();

function topologyOf(mesh: PolygonMesh): Topology {
  let topology = known.get(mesh.faceVertices);
  if (!topology) {
    const neighbours = adjacency(mesh);
    const points = displayPoints(mesh, neighbours);
    topology = { edges: edgePoints(mesh, neighbours, points), ...grouped(mesh, NOTHING_APART, points) };
    known.set(mesh.faceVertices, topology);
  }
  return topology;
}

/**
 * Buffers of a preview, which nobody measures: rounded without looking for what collapses, cut into triangles as the
 * first mesh with these faces was.
 */
export function roughDisplay(mesh: PolygonMesh): DisplayBuffers {
  const { index, groups, edges } = topologyOf(mesh);
  return { ...movedDisplay(mesh), index: index.slice(), groups, edges: edges.slice(), ...paintedUv(mesh) };
}

/** Only what moves, for who has all else of a mesh with these faces. */
export const movedDisplay = (mesh: PolygonMesh): MovedBuffers => movedBuffers(mesh, displayPoints(mesh));
