import { adjacency, faceCorners, faceCount, FaceRows, nextCorner, triangulate, type PolygonMesh } from '../mesh/index.ts'; // prettier-ignore

/** Whether the middle between two vertices strays from the line between their images. */
export type IsFar = (a: number, b: number) => boolean;

const ROUNDS = 8;

/**
 * Cuts edges in half until none is far, faces with them: quads with two opposite halves into two quads, with four about their middle, all others into triangles.
 * New points lie on the faces that they cut. `far` tells of a mesh which of its edges are; `most` faces are made. Gives the mesh and whether edges are left that are far.
 */
export function splitFar(
  mesh: PolygonMesh,
  far: (mesh: PolygonMesh) => IsFar,
  most: number,
): { mesh: PolygonMesh; isLeft: boolean } {
  let cut = triangulateFar(mesh, far(mesh));
  for (let round = 0; round < ROUNDS; round++) {
    const marked = markFar(cut, far(cut));
    const count = marked.reduce((sum, one) => sum + one, 0);
    if (count === 0) return { mesh: cut, isLeft: false };
    if (faceCount(cut) + 2 * count > most) break;
    cut = new Halving(cut, marked).run();
  }
  return { mesh: cut, isLeft: true };
}

/** Faces with more than four corners, as triangles where a diagonal is far. */
function triangulateFar(mesh: PolygonMesh, isFar: IsFar): PolygonMesh {
  return triangulateWhere(mesh, (_, triangles) =>
    triangles.some((row) => row.some((c, k) => isFar(mesh.faceVertices[c], mesh.faceVertices[row[(k + 1) % 3]]))),
  );
}

/**
 * Faces with more than four corners, as their triangles where `isCut` says so. `mesh`: the same faces elsewhere; it is cut as the flat ones are.
 */
export function triangulateWhere(
  flat: PolygonMesh,
  isCut: (face: number, triangles: readonly (readonly number[])[]) => boolean,
  mesh = flat,
): PolygonMesh {
  const large = Array.from({ length: faceCount(flat) }, (_, f) => flat.faceStart[f + 1] - flat.faceStart[f] > 4);
  if (!large.includes(true)) return mesh;
  const rows = new Map<number, number[][]>();
  const { corners, face } = triangulate(flat);
  for (let t = 0; t < face.length; t++) {
    if (!large[face[t]]) continue;
    const list = rows.get(face[t]) ?? [];
    list.push([0, 1, 2].map((k) => corners[3 * t + k]));
    rows.set(face[t], list);
  }
  const made = new FaceRows(mesh);
  for (let f = 0; f < large.length; f++) {
    const triangles = rows.get(f);
    if (!triangles || !isCut(f, triangles)) made.push(faceCorners(mesh, f), mesh.region[f]);
    else
      for (const row of triangles)
        made.push(row, mesh.region[f], row.map((c, k) => (row[(k + 1) % 3] === nextCorner(mesh, f, c) ? mesh.sharp[c] : 0))); // prettier-ignore
  }
  return made.finish();
}

/** Per corner: 1 where the edge that begins there is to be cut. */
function markFar(mesh: PolygonMesh, isFar: IsFar): Uint8Array {
  const { twin, face } = adjacency(mesh);
  const marked = new Uint8Array(twin.length);
  const mark = (c: number): void => {
    marked[c] = 1;
    if (twin[c] >= 0) marked[twin[c]] = 1;
  };
  const end = (c: number): number => mesh.faceVertices[nextCorner(mesh, face[c], c)];
  for (let c = 0; c < twin.length; c++) if (twin[c] < c && isFar(mesh.faceVertices[c], end(c))) mark(c);
  for (let f = 0; f < faceCount(mesh); f++) {
    const start = mesh.faceStart[f];
    if (mesh.faceStart[f + 1] - start !== 4 || [0, 1, 2, 3].some((k) => marked[start + k])) continue;
    const [a, b, c, d] = [0, 1, 2, 3].map((k) => mesh.faceVertices[start + k]);
    if (!isFar(a, c) && !isFar(b, d)) continue;
    // across its longer sides
    const from = lengthBetween(mesh, a, b) + lengthBetween(mesh, c, d) >= lengthBetween(mesh, b, c) + lengthBetween(mesh, d, a) ? 0 : 1; // prettier-ignore
    mark(start + from);
    mark(start + from + 2);
  }
  return marked;
}

function lengthBetween({ positions: p }: PolygonMesh, a: number, b: number): number {
  const [x, y, z] = [0, 1, 2].map((k) => p[3 * a + k] - p[3 * b + k]);
  return Math.sqrt(x * x + y * y + z * z);
}

/** A corner of a new face: an old one, the middle of the edge that begins at it, or the middle of its face. */
interface Place {
  vertex: number;
  /** corners whose texture coordinates it has the middle of */
  from: readonly number[];
  /** of the edge that begins here, while it runs along the old face's border */
  sharp: number;
}

class Halving {
  readonly #mesh: PolygonMesh;
  readonly #marked: Uint8Array;
  readonly #twin: Int32Array;
  readonly #positions: number[];
  readonly #middle: Int32Array;
  readonly #faceStart: number[] = [0];
  readonly #vertices: number[] = [];
  readonly #sharp: number[] = [];
  readonly #uv: number[] = [];
  readonly #region: number[] = [];

  constructor(mesh: PolygonMesh, marked: Uint8Array) {
    this.#mesh = mesh;
    this.#marked = marked;
    this.#twin = adjacency(mesh).twin;
    this.#positions = Array.from(mesh.positions);
    this.#middle = new Int32Array(marked.length).fill(-1);
  }

  run(): PolygonMesh {
    const { faceStart } = this.#mesh;
    for (let f = 0; f < faceCount(this.#mesh); f++) {
      const ring: Place[] = [];
      const middles: number[] = [];
      for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
        const next = nextCorner(this.#mesh, f, c);
        const sharp = this.#mesh.sharp[c];
        ring.push({ vertex: this.#mesh.faceVertices[c], from: [c], sharp });
        if (!this.#marked[c]) continue;
        middles.push(ring.length);
        ring.push({ vertex: this.#middleOf(c, next), from: [c, next], sharp });
      }
      this.#cut(ring, middles, f);
    }
    return {
      positions: Float64Array.from(this.#positions),
      faceStart: Uint32Array.from(this.#faceStart),
      faceVertices: Uint32Array.from(this.#vertices),
      sharp: Uint8Array.from(this.#sharp),
      ...(this.#mesh.uv && { uv: Float32Array.from(this.#uv) }),
      region: Uint32Array.from(this.#region),
      regions: this.#mesh.regions,
    };
  }

  #cut(ring: readonly Place[], middles: readonly number[], f: number): void {
    if (middles.length === 0) return this.#push(ring, f);
    const isQuad = ring.length - middles.length === 4;
    const turned = (from: number): Place[] => [...ring.slice(from), ...ring.slice(0, from)];
    if (isQuad && middles.length === 2 && middles[1] - middles[0] === 3) {
      const row = turned(middles[0]);
      this.#push([row[0], row[1], row[2], inner(row[3])], f);
      return this.#push([inner(row[0]), row[3], row[4], row[5]], f);
    }
    if (isQuad && middles.length === 4) return this.#quarter(ring, f);
    const row = turned(middles[0]);
    for (let i = 1; i + 1 < row.length; i++) {
      const first = i === 1 ? row[0] : inner(row[0]);
      const last = i + 2 === row.length ? row[i + 1] : inner(row[i + 1]);
      this.#push([first, row[i], last], f);
    }
  }

  #quarter(ring: readonly Place[], f: number): void {
    const corners = [0, 2, 4, 6].map((i) => ring[i]);
    const p = this.#positions;
    const vertex = p.length / 3;
    for (let k = 0; k < 3; k++) p.push(corners.reduce((sum, { vertex: v }) => sum + p[3 * v + k], 0) / 4);
    const centre: Place = { vertex, from: corners.flatMap(({ from }) => from), sharp: 0 };
    for (let i = 0; i < 8; i += 2) this.#push([ring[i], inner(ring[i + 1]), centre, ring[(i + 7) % 8]], f);
  }

  #middleOf(c: number, next: number): number {
    const twin = this.#twin[c];
    if (twin >= 0 && this.#middle[twin] >= 0) return this.#middle[twin];
    const p = this.#positions;
    const [a, b] = [this.#mesh.faceVertices[c], this.#mesh.faceVertices[next]];
    const vertex = p.length / 3;
    for (let k = 0; k < 3; k++) p.push((p[3 * a + k] + p[3 * b + k]) / 2);
    this.#middle[c] = vertex;
    return vertex;
  }

  #push(row: readonly Place[], f: number): void {
    const { uv, region } = this.#mesh;
    for (const { vertex, from, sharp } of row) {
      this.#vertices.push(vertex);
      this.#sharp.push(sharp);
      if (uv) for (let k = 0; k < 2; k++) this.#uv.push(from.reduce((sum, c) => sum + uv[2 * c + k], 0) / from.length);
    }
    this.#faceStart.push(this.#vertices.length);
    this.#region.push(region[f]);
  }
}

/** Where the edge that begins at a place runs through the old face. */
const inner = (place: Place): Place => ({ ...place, sharp: 0 });
