import type { Part, PolygonMesh, Region } from './polygonMesh.ts';

/** Of the largest part of a quad's area vector: an axis with this share sees the quad squarely. */
const SQUARELY = 0.5;

/** Collects vertices and faces; regions are kept once each. */
export class MeshBuilder {
  readonly #positions: number[] = [];
  readonly #faceStart: number[] = [0];
  readonly #faceVertices: number[] = [];
  readonly #region: number[] = [];
  readonly #regions: Region[] = [];
  /** room for the turns at a quad's four corners */
  readonly #turns = new Float64Array(12);

  get vertexCount(): number {
    return this.#positions.length / 3;
  }

  vertex(x: number, y: number, z: number): number {
    this.#positions.push(x, y, z);
    return this.#positions.length / 3 - 1;
  }

  /** Row of the region table, made when it is new. The table is short; who asks often keeps the row. */
  region(part: Part, letter: number, contour: number): number {
    const found = this.#regions.findIndex((r) => r.contour === contour && r.letter === letter && r.part === part);
    return found >= 0 ? found : this.#regions.push({ part, letter, contour }) - 1;
  }

  /** The next corner of the face being made; `endFace` ends it. */
  corner(vertex: number): void {
    this.#faceVertices.push(vertex);
  }

  endFace(region: number): void {
    this.#faceStart.push(this.#faceVertices.length);
    this.#region.push(region);
  }

  face(vertices: ArrayLike<number>, region: number): void {
    for (let i = 0; i < vertices.length; i++) this.#faceVertices.push(vertices[i]);
    this.endFace(region);
  }

  /**
   * Where to cut a quad that is folded: the corner, first or second, from which both triangles face the same way. Undefined for a quad
   * whose four corners all turn the same way, seen along its area.
   */
  foldedFrom(quad: readonly number[]): 0 | 1 | undefined {
    const t = this.#turns;
    for (let k = 0; k < 4; k++) this.#turn(quad[k], quad[(k + 1) & 3], quad[(k + 2) & 3], 3 * k);
    // twice the quad's area is the sum of the triangles at two opposite corners
    const x = t[0] + t[6];
    const y = t[1] + t[7];
    const z = t[2] + t[8];
    let isFolded = false;
    for (let k = 0; k < 12; k += 3) if (t[k] * x + t[k + 1] * y + t[k + 2] * z <= 0) isFolded = true;
    if (!isFolded && !this.#foldsSeenAlong(x, y, z)) return undefined;
    const first = t[0] * t[6] + t[1] * t[7] + t[2] * t[8];
    const second = t[3] * t[9] + t[4] * t[10] + t[5] * t[11];
    return first >= second ? 0 : 1;
  }

  /** Whether the quad whose turns are at hand folds when seen along an axis that it faces squarely: those who project it so can't fill it. */
  #foldsSeenAlong(x: number, y: number, z: number): boolean {
    const area = [x, y, z];
    const most = Math.max(Math.abs(x), Math.abs(y), Math.abs(z));
    for (let axis = 0; axis < 3; axis++) {
      if (Math.abs(area[axis]) < SQUARELY * most) continue;
      for (let k = axis; k < 12; k += 3) if (this.#turns[k] * area[axis] <= 0) return true;
    }
    return false;
  }

  /** The turn at b from a to c, as a vector, into the row at `at`. */
  #turn(a: number, b: number, c: number, at: number): void {
    const p = this.#positions;
    const ux = p[3 * b] - p[3 * a];
    const uy = p[3 * b + 1] - p[3 * a + 1];
    const uz = p[3 * b + 2] - p[3 * a + 2];
    const vx = p[3 * c] - p[3 * b];
    const vy = p[3 * c + 1] - p[3 * b + 1];
    const vz = p[3 * c + 2] - p[3 * b + 2];
    this.#turns[at] = uy * vz - uz * vy;
    this.#turns[at + 1] = uz * vx - ux * vz;
    this.#turns[at + 2] = ux * vy - uy * vx;
  }

  finish(): PolygonMesh {
    return {
      positions: new Float64Array(this.#positions),
      faceStart: new Uint32Array(this.#faceStart),
      faceVertices: new Uint32Array(this.#faceVertices),
      sharp: new Uint8Array(this.#faceVertices.length),
      region: new Uint32Array(this.#region),
      regions: this.#regions,
    };
  }
}
