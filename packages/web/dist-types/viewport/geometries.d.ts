import type { Part, ShownPiece } from '@fictile/core';
import { BufferGeometry } from 'three';
/** A cluster's buffers as the renderer holds them; equal clusters share one. */
export interface ClusterGeometry {
  solid: BufferGeometry;
  edges: BufferGeometry;
  parts: Part[];
}
/** Geometries by cluster key: made when buffers come, freed when no piece shows them any more. */
export declare class GeometryShelf {
  #private;
  keys(): string[];
  get(key: string): ClusterGeometry | undefined;
  /** Takes the buffers of newly shown pieces and forgets what is shown no longer. */
  update(pieces: readonly ShownPiece[]): void;
  clear(): void;
}
//# sourceMappingURL=geometries.d.ts.map
