import {
  adjacency,
  cosineBetween,
  CRISP_COSINE,
  faceAreaVectors,
  MeshSink,
  type Origin as CornerOrigin,
  type PolygonMesh,
  type Region,
} from '../mesh/index.ts';
import type { Vec3 } from '../math/index.ts';
import type { CutTriangles } from './readOut.ts';
import type { Sorted } from './sortOut.ts';
import { faceOfGroup, type CutSource } from './source.ts';
import { cornersWithin } from './cornersWithin.ts';

/** What a face of a source is in the result. */
export type RegionOf = (source: CutSource, region: Region) => Region;

/** Of an edge that is still to be judged. */
const UNKNOWN = 2;

/**
 * One mesh: whole faces as they were, corner for corner, and triangles where the cut went. Vertices of sources keep
 * their places bit for bit.
 */
export function rebuild(
  { cut, sorted, places }: Settled,
  sources: ReadonlyMap<number, CutSource>,
  regionOf: RegionOf,
): { mesh: PolygonMesh; isClosed: boolean } {
  const builder = new Builder(places, sources, regionOf);
  for (const { source, face, isTurned, vertices } of sorted.whole) {
    const { faceStart, sharp, region } = source.mesh;
    const marks = Array.from(sharp.subarray(faceStart[face], faceStart[face + 1]));
    // an edge is named by where it starts: walked the other way it starts at what was its end
    const corners = vertices.map((_, k) => faceStart[face] + k);
    if (isTurned)
      builder.face([...vertices].reverse(), [...marks.slice(0, -1).reverse(), marks[marks.length - 1]], {
        source,
        region: region[face],
        corners: corners.reverse(),
      });
    else builder.face(vertices, marks, { source, region: region[face], corners });
  }
  for (const t of sorted.touched) {
    const source = sources.get(cut.source[t]) as CutSource;
    const face = faceOfGroup(source, cut.group[t]);
    builder.face(cut.vertices.subarray(3 * t, 3 * t + 3), [UNKNOWN, UNKNOWN, UNKNOWN], {
      source,
      region: source.mesh.region[face],
      face,
    });
  }
  for (const { source, face, vertices } of sorted.made ?? [])
    builder.face(
      vertices,
      vertices.map(() => UNKNOWN),
      { source, region: source.mesh.region[face], face },
    );
  return builder.finish();
}

/** What was cut once its faces are settled. */
export interface Settled {
  cut: CutTriangles;
  sorted: Sorted;
  /** of its vertices, in the sources' own space (ownPlaces) */
  places: Float64Array;
}

interface CutOrigin {
  source: CutSource;
  /** of a whole face, in the order of its vertices */
  corners?: readonly number[];
  /** that a triangle is a part of */
  face?: number;
}

class Builder {
  readonly #regionOf: RegionOf;
  readonly #sink: MeshSink;
  readonly #vertex: Int32Array;
  readonly #places: Float64Array;
  readonly #regions: Region[] = [];
  readonly #rows = new Map<CutSource, Map<number, number>>();
  /** number of a source's first corner */
  readonly #first = new Map<CutSource, number>();

  constructor(places: Float64Array, sources: ReadonlyMap<number, CutSource>, regionOf: RegionOf) {
    this.#regionOf = regionOf;
    const all = [...new Set(sources.values())];
    // what is cut has no flat layout any more
    this.#sink = new MeshSink(
      all.map(({ mesh }) => mesh),
      { without: ['rest'] },
    );
    let corners = 0;
    for (const source of all) {
      this.#first.set(source, corners);
      corners += source.mesh.faceVertices.length;
    }
    this.#vertex = new Int32Array(places.length / 3).fill(-1);
    this.#places = places;
  }

  face(vertices: ArrayLike<number>, marks: readonly number[], of: CutOrigin & { region: number }): void {
    const isCarried = this.#sink.carries('corner');
    for (let i = 0; i < vertices.length; i++)
      this.#sink.corner(
        this.#vertexOf(vertices[i]),
        isCarried ? this.#originOf(of, i, vertices[i]) : undefined,
        marks[i],
      );
    this.#sink.endFace(this.#rowOf(of.source, of.region));
  }

  /** Corners that a corner is made of. */
  #originOf({ source, corners, face }: CutOrigin, i: number, vertex: number): CornerOrigin {
    const first = this.#first.get(source) as number;
    if (corners) return first + corners[i];
    const within = cornersWithin(source, face ?? 0, this.#placeOf(vertex));
    return within && { ...within, rows: within.rows.map((c) => first + c) };
  }

  #placeOf(v: number): Vec3 {
    return [this.#places[3 * v], this.#places[3 * v + 1], this.#places[3 * v + 2]];
  }

  #vertexOf(v: number): number {
    if (this.#vertex[v] < 0) this.#vertex[v] = this.#sink.vertexAt(this.#placeOf(v), undefined);
    return this.#vertex[v];
  }

  #rowOf(source: CutSource, region: number): number {
    let rows = this.#rows.get(source);
    if (!rows) this.#rows.set(source, (rows = new Map<number, number>()));
    let row = rows.get(region);
    if (row === undefined) {
      const wanted = this.#regionOf(source, source.mesh.regions[region]);
      row = this.#regions.findIndex((one) => isSame(one, wanted));
      if (row < 0) row = this.#regions.push(wanted) - 1;
      rows.set(region, row);
    }
    return row;
  }

  finish(): { mesh: PolygonMesh; isClosed: boolean } {
    const mesh = this.#sink.finish(this.#regions);
    return { mesh, isClosed: markCut(mesh) };
  }
}

const isSame = (a: Region, b: Region): boolean =>
  a.part === b.part &&
  a.letter === b.letter &&
  a.contour === b.contour &&
  a.of === b.of &&
  a.ofLetter === b.ofLetter &&
  a.paint === b.paint;

/**
 * Edges of what was cut: as their other side has it where that came back whole, else by their angle. Tells whether
 * every edge has another side.
 */
function markCut(mesh: PolygonMesh): boolean {
  const { twin, face, openEdges, badEdges } = adjacency(mesh);
  const areas = faceAreaVectors(mesh);
  for (let c = 0; c < twin.length; c++) {
    if (mesh.sharp[c] !== UNKNOWN) continue;
    const other = twin[c];
    if (other >= 0 && mesh.sharp[other] !== UNKNOWN && mesh.region[face[other]] === mesh.region[face[c]]) {
      mesh.sharp[c] = mesh.sharp[other];
      continue;
    }
    const sharp = other < 0 || cosineBetween(areas, face[c], face[other], 1) < CRISP_COSINE ? 1 : 0;
    mesh.sharp[c] = sharp;
    if (other >= 0) mesh.sharp[other] = sharp;
  }
  return openEdges + badEdges === 0;
}
