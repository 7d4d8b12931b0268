import type { Vec3 } from '../math/index.ts';
import { BLENDING, COLUMNS, type BlendingColumn } from './columns.ts';
import { Grown } from './grown.ts';
import { Origins, type Origin } from './origins.ts';
import type { PolygonMesh, Region } from './polygonMesh.ts';

export interface SinkOptions {
  /**
   * vertices keep their numbers, and those that no face has stay; else only those that are asked for are there, in that
   * order
   */
  keeps?: boolean;
  /** columns that stay behind */
  without?: readonly BlendingColumn[];
}

const UNASKED = -1;
const doubles = (length: number): Float64Array => new Float64Array(length);
const bytes = (length: number): Uint8Array => new Uint8Array(length);
const whole = (length: number): Uint32Array => new Uint32Array(length);

/** Rows of several meshes, numbered one after the other. */
function startsOf(sources: readonly PolygonMesh[], count: (mesh: PolygonMesh) => number): number[] {
  const starts = [0];
  for (const mesh of sources) starts.push(starts[starts.length - 1] + count(mesh));
  return starts.slice(0, -1);
}

/**
 * Collects faces anew out of one mesh, or of several, and carries every column of theirs along: who makes a face says
 * where its corners and new vertices come from, and nothing of what they carry. Vertices, corners and regions of
 * sources are numbered one source after the other.
 */
export class MeshSink {
  readonly #sources: readonly PolygonMesh[];
  readonly #numbers: readonly Int32Array[];
  readonly #regionStarts: readonly number[];
  readonly #vertexStarts: readonly number[];
  readonly #cornerStarts: readonly number[];
  readonly #carried: readonly BlendingColumn[];
  readonly #vertexOrigins: Origins | undefined;
  readonly #cornerOrigins: Origins | undefined;
  readonly #keeps: boolean;
  readonly #positions: Grown<Float64Array>;
  readonly #start = new Grown(whole);
  readonly #vertices = new Grown(whole);
  readonly #sharp = new Grown(bytes);
  readonly #region = new Grown(whole);

  constructor(
    sources: PolygonMesh | readonly PolygonMesh[],
    { keeps = !Array.isArray(sources), without = [] }: SinkOptions = {},
  ) {
    this.#sources = Array.isArray(sources) ? (sources as readonly PolygonMesh[]) : [sources as PolygonMesh];
    this.#keeps = keeps;
    this.#regionStarts = startsOf(this.#sources, ({ regions }) => regions.length);
    this.#vertexStarts = startsOf(this.#sources, ({ positions }) => positions.length / 3);
    this.#cornerStarts = startsOf(this.#sources, ({ faceVertices }) => faceVertices.length);
    this.#carried = BLENDING.filter((name) => !without.includes(name) && this.#sources.some((mesh) => mesh[name]));
    this.#vertexOrigins = this.carries('vertex') ? new Origins() : undefined;
    this.#cornerOrigins = this.carries('corner') ? new Origins() : undefined;
    this.#start.push(0);
    const kept = keeps ? this.#sources[0].positions : undefined;
    this.#positions = new Grown(doubles, kept);
    this.#numbers = keeps
      ? []
      : this.#sources.map(({ positions }) => new Int32Array(positions.length / 3).fill(UNASKED));
    if (kept && this.#vertexOrigins) for (let v = 0; v < kept.length / 3; v++) this.#vertexOrigins.add(v);
  }

  /** Whether anything is carried by vertices, or by corners, so that it matters where they come from. */
  carries(scope: 'vertex' | 'corner'): boolean {
    return this.#carried.some((name) => COLUMNS[name].scope === scope);
  }

  /** Number of a source's vertex; it is there from now on. */
  vertexOf(v: number, source = 0): number {
    if (this.#keeps) return v;
    const numbers = this.#numbers[source];
    if (numbers[v] === UNASKED) {
      const { positions: p } = this.#sources[source];
      for (let k = 3 * v; k < 3 * v + 3; k++) this.#positions.push(p[k]);
      this.#vertexOrigins?.add(this.#vertexStarts[source] + v);
      numbers[v] = this.#positions.size / 3 - 1;
    }
    return numbers[v];
  }

  /** Where a vertex that is there lies. */
  placeOf(vertex: number): Vec3 {
    return [this.#positions.at(3 * vertex), this.#positions.at(3 * vertex + 1), this.#positions.at(3 * vertex + 2)];
  }

  /** From now on a source's vertex is one that is there already. */
  identify(v: number, source: number, number: number): void {
    this.#numbers[source][v] = number;
  }

  /** A new vertex; `origin`: rows of vertices. */
  vertexAt(place: ArrayLike<number>, origin: Origin): number {
    for (let k = 0; k < 3; k++) this.#positions.push(place[k]);
    this.#vertexOrigins?.add(origin);
    return this.#positions.size / 3 - 1;
  }

  /** The next corner of the face being made; `origin`: rows of corners. `sharp`: of the edge that begins there. */
  corner(vertex: number, origin: Origin, sharp: number): void {
    this.#vertices.push(vertex);
    this.#sharp.push(sharp);
    this.#cornerOrigins?.add(origin);
  }

  endFace(region: number): void {
    this.#start.push(this.#vertices.size);
    this.#region.push(region);
  }

  /** A face by corners of the first source; `sharp`: where their edges are no longer what they were. */
  face(corners: ArrayLike<number>, region: number, sharp?: ArrayLike<number>): void {
    const { faceVertices, sharp: marks } = this.#sources[0];
    for (let i = 0; i < corners.length; i++) {
      const c = corners[i];
      this.corner(this.vertexOf(faceVertices[c]), c, sharp ? sharp[i] : marks[c]);
    }
    this.endFace(region);
  }

  /** A face as it is. */
  keep(face: number, source = 0): void {
    const { faceStart, faceVertices, sharp, region } = this.#sources[source];
    const first = this.#cornerStarts[source];
    for (let c = faceStart[face]; c < faceStart[face + 1]; c++)
      this.corner(this.vertexOf(faceVertices[c], source), first + c, sharp[c]);
    this.endFace(this.#regionStarts[source] + region[face]);
  }

  /** `regions`: where they are no longer those of the sources. */
  finish(regions?: Region[]): PolygonMesh {
    return {
      positions: this.#positions.finish(),
      faceStart: this.#start.finish(),
      faceVertices: this.#vertices.finish(),
      sharp: this.#sharp.finish(),
      ...Object.fromEntries(this.#carried.map((name) => [name, this.#gathered(name)])),
      region: this.#region.finish(),
      regions:
        regions ?? (this.#sources.length === 1 ? this.#sources[0].regions : this.#sources.flatMap((m) => m.regions)),
    };
  }

  #gathered(name: BlendingColumn): ReturnType<Origins['gather']> {
    const column = COLUMNS[name];
    const [origins, starts] =
      column.scope === 'vertex' ? [this.#vertexOrigins, this.#vertexStarts] : [this.#cornerOrigins, this.#cornerStarts];
    return (origins as Origins).gather(
      column,
      this.#sources.map((mesh) => mesh[name]),
      starts,
    );
  }
}
