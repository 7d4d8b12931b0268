import type { DisplayBuffers, MovedBuffers, ShownCluster, ShownPiece } from '@fictile/core';
import { paintedMaterials, type PaintedMaterials } from './paintedMaterials.ts';
import { BufferAttribute, BufferGeometry } from 'three';

/** A cluster's buffers as the renderer holds them; equal clusters share one. */
export interface ClusterGeometry {
  solid: BufferGeometry;
  edges: BufferGeometry;
  groups: DisplayBuffers['groups'];
  /** names the faces */
  faces: string;
}

/** Geometries by cluster key: made when buffers come, freed when no piece shows them any more. */
export class GeometryShelf {
  readonly #shelf = new Map<string, ClusterGeometry>();
  readonly #paints = new Map<string, PaintedMaterials>();

  keys(): string[] {
    return [...this.#shelf.keys(), ...this.#paints.keys()];
  }

  /** Names of the faces it has, wherever their points lie. */
  faces(): string[] {
    return [...new Set([...this.#shelf.values()].map(({ faces }) => faces))];
  }

  get(key: string): ClusterGeometry | undefined {
    return this.#shelf.get(key);
  }

  /** All that a cluster is drawn from. */
  buffers(key: string): DisplayBuffers | undefined {
    const geometry = this.#shelf.get(key);
    if (!geometry) return undefined;
    const { solid, edges, groups } = geometry;
    const rows = (name: string): Float32Array => solid.getAttribute(name).array as Float32Array;
    return {
      positions: rows('position'),
      normals: rows('normal'),
      index: solid.getIndex()?.array as Uint32Array,
      groups,
      edges: edges.getIndex()?.array as Uint32Array,
      ...(solid.hasAttribute('uv') && { uv: rows('uv') }),
    };
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
    const shown = new Set(clusters.map((cluster) => cluster.key));
    for (const cluster of clusters) this.#take(cluster, shown);
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

  #take({ key, faces, buffers, moved }: ShownCluster, shown: ReadonlySet<string>): void {
    if (this.#shelf.has(key)) return;
    if (buffers) this.#shelf.set(key, toGeometry(buffers, faces));
    if (moved) this.#move(key, faces, { moved, shown });
  }

  /** The same faces in other places: in the buffers that they had, unless those are shown as they are, too. */
  #move(key: string, faces: string, { moved, shown }: { moved: MovedBuffers; shown: ReadonlySet<string> }): void {
    const all = [...this.#shelf].filter(([, geometry]) => geometry.faces === faces);
    const free = all.find(([old]) => !shown.has(old));
    if (free) {
      const [old, geometry] = free;
      this.#shelf.delete(old);
      write(geometry.solid, moved);
      measureAnew(geometry);
      this.#shelf.set(key, geometry);
    } else if (all.length > 0) this.#shelf.set(key, beside(all[0][1], moved));
  }
}

function free({ solid, edges }: ClusterGeometry): void {
  solid.dispose();
  edges.dispose();
}

/** Straight into the renderer's buffers. */
function write(solid: BufferGeometry, { positions, normals }: MovedBuffers): void {
  for (const [name, rows] of [
    ['position', positions],
    ['normal', normals],
  ] as const) {
    const attribute = solid.getAttribute(name) as BufferAttribute;
    attribute.array = rows;
    attribute.needsUpdate = true;
  }
}

function measureAnew({ solid, edges }: ClusterGeometry): void {
  for (const geometry of [solid, edges]) {
    geometry.boundingBox = null;
    geometry.boundingSphere = null;
  }
}

/** Faces that are also shown as they were. */
function beside(
  { solid, edges, groups, faces }: ClusterGeometry,
  { positions, normals }: MovedBuffers,
): ClusterGeometry {
  const index = solid.getIndex()?.array as Uint32Array;
  const uv = solid.getAttribute('uv') as BufferAttribute | undefined;
  const pairs = edges.getIndex()?.array as Uint32Array;
  const more = uv && { uv: (uv.array as Float32Array).slice() };
  return toGeometry({ positions, normals, index: index.slice(), groups, edges: pairs.slice(), ...more }, faces);
}

function toGeometry(buffers: DisplayBuffers, faces: string): ClusterGeometry {
  const solid = new BufferGeometry();
  solid.setAttribute('position', new BufferAttribute(buffers.positions, 3));
  solid.setAttribute('normal', new BufferAttribute(buffers.normals, 3));
  if (buffers.uv) solid.setAttribute('uv', new BufferAttribute(buffers.uv, 2));
  solid.setIndex(new BufferAttribute(buffers.index, 1));
  buffers.groups.forEach(({ start, count }, i) => solid.addGroup(start, count, i));
  const edges = new BufferGeometry();
  edges.setAttribute('position', solid.getAttribute('position'));
  edges.setIndex(new BufferAttribute(buffers.edges, 1));
  return { solid, edges, groups: buffers.groups, faces };
}
