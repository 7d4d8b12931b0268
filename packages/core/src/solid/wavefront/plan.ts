/**
 * The plane about an outline cut into bands by its offsets, outward ones (insets below zero) and inward ones: band k
 * lies between layer k and layer k + 1, cut along the straight skeleton into the faces of the outline's edges, and
 * those into triangles and convex quads. The outline itself is the layer of inset 0. Whole grid steps. Proved for every
 * instance that leaves this folder: all triangles of all bands are positive, and their sum with the innermost ring's
 * area is exactly the outermost ring's, so the plan is a valid triangulation.
 */
export interface Partition {
  x: Float64Array;
  y: Float64Array;
  /** inset of each node, in grid steps; between layers not whole */
  inset: Float64Array;
  /** place of each node's layer in `layers`, -1 between layers */
  layer: Int32Array;
  /** insets of the layers, ascending; the outline's 0 is always among them */
  layers: Float64Array;
  bands: Band[];
  /** rings[k]: directed segments of layer k, the inside to their left */
  rings: Ring[];
  /** layers at whose very inset a front closed up: ridges lie on them */
  closedUp: number[];
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
