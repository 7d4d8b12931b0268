import type { DisplayBuffers, ShownCluster, ShownPiece } from '@fictile/core';
import { paintedMaterials, type PaintedMaterials } from './paintedMaterials.ts';
import { BufferAttribute, BufferGeometry } from 'three';

/** A cluster's buffers as the renderer holds them; equal clusters share one. */
export interface ClusterGeometry {
  solid: BufferGeometry;
  edges: BufferGeometry;
  groups: DisplayBuffers['groups'];
}

/** Geometries by cluster key: made when buffers come, freed when no piece shows them any more. */
export class GeometryShelf {
  readonly #shelf = new Map<string, ClusterGeometry>();
  readonly #paints = new Map<string, PaintedMaterials>();

  keys(): string[] {
    return [...this.#shelf.keys(), ...this.#paints.keys()];
  }

  get(key: string): ClusterGeometry | undefined {
    return this.#shelf.get(key);
  }

  /** A model's own materials. */
  painted({ paints }: Pick<ShownPiece, 'paints'>): PaintedMaterials | undefined {
    return paints && this.#paints.get(paints.key);
  }

  /** A cluster's triangles, to be measured. */
  triangles(key: string): { positions: ArrayLike<number>; index: ArrayLike<number> } | undefined {
    const solid = this.#shelf.get(key)?.solid;
    const index = solid?.getIndex();
    return solid && index ? { positions: solid.getAttribute('position').array, index: index.array } : undefined;
  }

  /** Takes the buffers of newly shown pieces and forgets what is shown no longer. */
  update(pieces: readonly ShownPiece[]): void {
    const clusters = pieces.flatMap((piece) => piece.clusters);
    for (const cluster of clusters) this.#take(cluster);
    const shown = new Set(clusters.map((cluster) => cluster.key));
    for (const [key, geometry] of this.#shelf) {
      if (shown.has(key)) continue;
      free(geometry);
      this.#shelf.delete(key);
    }
    this.#updatePaints(pieces);
  }

  #updatePaints(pieces: readonly ShownPiece[]): void {
    const seen = new Set<string>();
    for (const { paints } of pieces) {
      if (!paints) continue;
      seen.add(paints.key);
      if (paints.paints && !this.#paints.has(paints.key)) this.#paints.set(paints.key, paintedMaterials(paints.paints));
    }
    for (const [key, painted] of this.#paints) {
      if (seen.has(key)) continue;
      painted.dispose();
      this.#paints.delete(key);
    }
  }

  clear(): void {
    this.#shelf.forEach(free);
    this.#shelf.clear();
    this.#updatePaints([]);
  }

  #take({ key, buffers }: ShownCluster): void {
    if (buffers && !this.#shelf.has(key)) this.#shelf.set(key, toGeometry(buffers));
  }
}

function free({ solid, edges }: ClusterGeometry): void {
  solid.dispose();
  edges.dispose();
}

function toGeometry(buffers: DisplayBuffers): ClusterGeometry {
  const solid = new BufferGeometry();
  solid.setAttribute('position', new BufferAttribute(buffers.positions, 3));
  solid.setAttribute('normal', new BufferAttribute(buffers.normals, 3));
  if (buffers.uv) solid.setAttribute('uv', new BufferAttribute(buffers.uv, 2));
  solid.setIndex(new BufferAttribute(buffers.index, 1));
  buffers.groups.forEach(({ start, count }, i) => solid.addGroup(start, count, i));
  const edges = new BufferGeometry();
  edges.setAttribute('position', new BufferAttribute(buffers.edges, 3));
  return { solid, edges, groups: buffers.groups };
}
