import { atan2, lengthOf } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { nextVertices, type Outline } from '../outline/index.ts';
import type { Section } from './section/index.ts';

/** A lifted solid, and where each of its faces comes from. */
export interface LiftedFaces {
  mesh: PolygonMesh;
  /** per face: section piece (-1 front, one past the last back) and outline edge (-1 on caps) */
  piece: readonly number[];
  edge: readonly number[];
  outline: Outline;
  section: Section;
  /** grid step, mm */
  step: number;
}

/**
 * Texture coordinates, two numbers a corner, mm. Fronts and backs lie flat as they are seen. Walls and edges are
 * unrolled: across, the length along the outline from the start of its ring; up, the length along the section from the
 * back. Each face of an edge is measured along its own outline edge, so that flat slopes keep their proportions; where
 * the outline runs on smoothly neighbours meet, and only its corners and the ridges open.
 */
export function unroll(lifted: LiftedFaces): Float32Array {
  const { mesh, piece, edge, section } = lifted;
  const uv = new Float32Array(2 * mesh.faceVertices.length);
  const rings = new UnrolledRings(lifted);
  const up = lengthsToBack(section);
  for (let f = 0; f < piece.length; f++) {
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const v = mesh.faceVertices[c];
      if (edge[f] < 0) {
        uv[2 * c] = piece[f] < 0 ? mesh.positions[3 * v] : 0 - mesh.positions[3 * v];
        uv[2 * c + 1] = mesh.positions[3 * v + 1];
      } else {
        const p = piece[f];
        const share = rings.share(edge[f], p, v);
        const inset = section.inset[p] + share * (section.inset[p + 1] - section.inset[p]);
        uv[2 * c] = rings.along(edge[f], v, inset) * lifted.step;
        uv[2 * c + 1] = (up[p] + share * (up[p + 1] - up[p])) * lifted.step;
      }
    }
  }
  return uv;
}

/** Length of the section from each of its vertices to the last. */
function lengthsToBack({ inset, z }: Section): number[] {
  const lengths = inset.map(() => 0);
  for (let i = inset.length - 2; i >= 0; i--)
    lengths[i] = lengths[i + 1] + lengthOf(inset[i + 1] - inset[i], z[i + 1] - z[i]);
  return lengths;
}

/** Of the inset: a vertex that is that near to its place in the slope of its edge lies in it. */
const FLAT = 1e-3;

/** Lengths are grid steps. */
class UnrolledRings {
  readonly #lifted: LiftedFaces;
  readonly #next: Uint32Array;
  readonly #before: Uint32Array;
  readonly #length: Float64Array;
  /** from the start of the ring to each edge */
  readonly #start: Float64Array;
  /** outline edges of the faces around each vertex: a row of starts into the list */
  readonly #firstAt: Uint32Array;
  readonly #edgesAt: Int32Array;

  constructor(lifted: LiftedFaces) {
    const { x, y, ringStart } = lifted.outline;
    this.#lifted = lifted;
    this.#next = nextVertices(lifted.outline);
    this.#before = new Uint32Array(x.length);
    this.#next.forEach((to, from) => (this.#before[to] = from));
    this.#length = Float64Array.from(this.#next, (to, from) => lengthOf(x[to] - x[from], y[to] - y[from]));
    this.#start = new Float64Array(x.length);
    for (let r = 0; r + 1 < ringStart.length; r++)
      for (let i = ringStart[r] + 1; i < ringStart[r + 1]; i++)
        this.#start[i] = this.#start[i - 1] + this.#length[i - 1];
    [this.#firstAt, this.#edgesAt] = edgesByVertex(lifted);
  }

  /** How far along its ring a vertex lies in a face of an edge; `inset`: of the section there. */
  along(edge: number, vertex: number, inset: number): number {
    const middle = this.#middleOfRun(edge, vertex);
    if (middle !== undefined) return this.#start[edge] + middle;
    const [along, across] = this.#seenFrom(edge, vertex);
    const length = this.#length[edge];
    const beyond = along < 0 ? along : Math.max(0, along - length);
    if (beyond === 0 || Math.abs(across - inset) <= FLAT * Math.abs(inset)) return this.#start[edge] + along;
    // in a fan around a corner the way there is an arc
    const arc = inset * atan2(beyond, Math.sign(inset) * across) * Math.sign(inset);
    return this.#start[edge] + along - beyond + arc;
  }

  /** How far between the ends of a piece of the section a vertex lies, 0 to 1. */
  share(edge: number, piece: number, vertex: number): number {
    const { section, mesh, step } = this.#lifted;
    const [z, deep] = [section.z[piece], section.z[piece + 1] - section.z[piece]];
    if (deep !== 0) return within(mesh.positions[3 * vertex + 2] / step - z, deep);
    const [, across] = this.#seenFrom(edge, vertex);
    return within(across - section.inset[piece], section.inset[piece + 1] - section.inset[piece]);
  }

  /**
   * Where edges that follow one another smoothly meet in a vertex, the middle between the end of the first and the
   * start of the last: one length for all of them, from the start of `edge`. Undefined where there is none, or all the
   * ring meets in one point.
   */
  #middleOfRun(edge: number, vertex: number): number | undefined {
    const { corner } = this.#lifted.outline;
    let low = this.#length[edge];
    let high = 0;
    let isRun = false;
    for (let e = this.#next[edge]; !corner[e] && this.#meets(vertex, e); e = this.#next[e]) {
      if (e === edge) return undefined;
      high += this.#length[this.#before[e]];
      isRun = true;
    }
    let back = 0;
    for (let e = edge; !corner[e] && this.#meets(vertex, this.#before[e]); e = this.#before[e]) {
      back -= this.#length[this.#before[e]];
      low = back + this.#length[this.#before[e]];
      isRun = true;
    }
    return isRun ? (low + high) / 2 : undefined;
  }

  #meets(vertex: number, edge: number): boolean {
    for (let i = this.#firstAt[vertex]; i < this.#firstAt[vertex + 1]; i++) if (this.#edgesAt[i] === edge) return true;
    return false;
  }

  /** Along an edge from its start, and inward of it. */
  #seenFrom(edge: number, vertex: number): [number, number] {
    const { mesh, step, outline } = this.#lifted;
    const { x, y } = outline;
    const to = this.#next[edge];
    const [dx, dy] = [(x[to] - x[edge]) / this.#length[edge], (y[to] - y[edge]) / this.#length[edge]];
    const px = mesh.positions[3 * vertex] / step - x[edge];
    const py = mesh.positions[3 * vertex + 1] / step - y[edge];
    return [px * dx + py * dy, py * dx - px * dy];
  }
}

const within = (value: number, whole: number): number => (whole === 0 ? 0 : Math.min(1, Math.max(0, value / whole)));

function edgesByVertex({ mesh, edge }: LiftedFaces): [Uint32Array, Int32Array] {
  const first = new Uint32Array(mesh.positions.length / 3 + 1);
  const forEachCorner = (visit: (vertex: number, edge: number) => void): void => {
    for (let f = 0; f < edge.length; f++)
      if (edge[f] >= 0)
        for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) visit(mesh.faceVertices[c], edge[f]);
  };
  forEachCorner((v) => first[v + 1]++);
  for (let v = 1; v < first.length; v++) first[v] += first[v - 1];
  const list = new Int32Array(first[first.length - 1]);
  const filled = first.slice();
  forEachCorner((v, e) => (list[filled[v]++] = e));
  return [first, list];
}
