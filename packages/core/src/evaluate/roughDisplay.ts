import { adjacency, type PolygonMesh } from '../mesh/index.ts';
import {
  displayPoints,
  edgePoints,
  grouped,
  movedBuffers,
  NOTHING_APART,
  paintedUv,
  type DisplayBuffers,
  type DisplayPoints,
} from './display.ts';

type Topology = Pick<DisplayBuffers, 'index' | 'groups' | 'edges'>;

/** What does not change while points move and faces stay: by the points of those faces. */
const known = new WeakMap<DisplayPoints, Topology>();

function topologyOf(mesh: PolygonMesh, points: DisplayPoints): Topology {
  let topology = known.get(points);
  if (!topology) {
    topology = { edges: edgePoints(mesh, adjacency(mesh), points), ...grouped(mesh, NOTHING_APART, points) };
    known.set(points, topology);
  }
  return topology;
}

/**
 * Buffers of a preview, which nobody measures: rounded without looking for what collapses, cut into triangles as the
 * first mesh with these faces was.
 */
export function roughDisplay(mesh: PolygonMesh): DisplayBuffers {
  const points = displayPoints(mesh);
  const { index, groups, edges } = topologyOf(mesh, points);
  return { ...movedBuffers(mesh, points), index: index.slice(), groups, edges: edges.slice(), ...paintedUv(mesh) };
}
