/**
 * The outline's inside cut into bands by its inward offsets: band k lies between layer k and layer k + 1 (layer 0 is the outline), cut
 * along the straight skeleton into the faces of the outline's edges, and those into triangles and convex quads. Whole grid steps.
 * Proved for every instance that leaves this folder: all triangles of all bands and the innermost ring's area are positive and their
 * sum is exactly the outline's area, so the plan is a valid triangulation.
 */
export interface Partition {
  x: Float64Array;
  y: Float64Array;
  /** inset of each node, in grid steps; between layers not whole */
  inset: Float64Array;
  /** layer of each node, -1 between layers */
  layer: Int32Array;
  /** insets of the layers, the outline's 0 first */
  layers: Float64Array;
  bands: Band[];
  /** rings[k]: directed segments of layer k, the inside to their left */
  rings: Ring[];
}

/** Pieces of one band: triangles and quads, counter-clockwise. */
export interface Band {
  /** first corner of each piece, and the number of corners at the end */
  start: Uint32Array;
  nodes: Uint32Array;
  /** outline edge that each piece belongs to */
  edge: Uint32Array;
}

export interface Ring {
  from: Uint32Array;
  to: Uint32Array;
  edge: Uint32Array;
}

/** Why a plan could not be proved. */
export type PartitionFault = 'events' | 'open-loop' | 'folded' | 'area';

export type PartitionResult = { ok: true; partition: Partition } | { ok: false; fault: PartitionFault };
