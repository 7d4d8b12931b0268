import { keyOf } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';

/** A cluster's solid about its own origin, and where that stands. Equal clusters share one mesh object. */
export interface BuiltCluster {
  key: string;
  mesh: PolygonMesh;
  /** mm */
  x: number;
  y: number;
  z: number;
  /** layout letters by the mesh's own letter index */
  letters: number[];
  /**
   * how far it was moved as a copy since it was shaped: the mesh, which copies share, knows the flat layout of the
   * first
   */
  restBy?: [number, number, number];
  /**
   * It has the faces of a cluster with another key, whose points were moved; `by` names how. `moved`: what a renderer
   * takes of it, written again by the pull after the next.
   */
  pulled?: { like: string; by: string; moved: { positions: Float32Array; normals: Float32Array } };
}

/** Three numbers a vertex, piece space: where shape steps took it from the flat layout; undefined where none did. */
export function restOf({ mesh: { rest }, restBy }: BuiltCluster): Float64Array | undefined {
  return rest && restBy ? rest.map((v, i) => v + restBy[i % 3]) : rest;
}

/**
 * Names clusters in their places. As short for what stands on what stands on others: keys in keys would double from
 * piece to piece.
 */
export const clustersKey = (clusters: readonly BuiltCluster[]): string =>
  keyOf(
    'clusters',
    clusters.map(({ key, x, y, z }) => [key, x, y, z]),
  );
