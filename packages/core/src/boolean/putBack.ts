import { adjacency, faceCount, vertexCount, type PolygonMesh } from '../mesh/index.ts';
import type { BodySurface } from './bodySurface.ts';
import { BELOW, type UnderPatch } from './patchUnder.ts';

/**
 * A body with a patch that was cut in its place: the faces beside it as they were, and those of the cut but for walls and bottom. Undefined where
 * those were met, or the seam does not close.
 */
export function putBack(body: BodySurface, { isIn, border, below }: UnderPatch, cut: PolygonMesh): PolygonMesh | undefined {
  const isBelow = cut.regions.map(({ of }) => of === BELOW);
  const kept = cut.region.length - cut.region.reduce((sum, region) => sum + (isBelow[region] ? 1 : 0), 0);
  if (cut.region.length - kept !== below) return undefined;
  const far = isIn.length - isIn.reduce((sum, one) => sum + one, 0);
  const rows = new Rows(body.mesh, cut, far + kept);
  for (let f = 0; f < isIn.length; f++) if (!isIn[f]) rows.pushFar(f);
  const onSeam = new Map([...border.keys()].map((v) => [placeOf(body.mesh, v), v]));
  if (onSeam.size !== border.size || !rows.join(onSeam)) return undefined;
  for (let f = 0; f < cut.region.length; f++) if (!isBelow[cut.region[f]]) rows.pushCut(f);
  const mesh = rows.finish();
  return closes(mesh, { from: far, border, numberOf: rows.numberOf, body, isIn }) ? mesh : undefined;
} // prettier-ignore

const placeOf = ({ positions: p }: PolygonMesh, v: number): string => `${p[3 * v]} ${p[3 * v + 1]} ${p[3 * v + 2]}`;

interface Seam {
  /** faces from here on come from the cut */
  from: number;
  /** where each edge of the border goes on, by the vertex at which it starts; the body's numbers, as the patch walks it */
  border: ReadonlyMap<number, number>;
  numberOf(v: number): number;
  body: BodySurface;
  isIn: Uint8Array;
}

/** Whether what was cut has the patch's border for its own, and no edge that the faces beside it have as well. The body itself is closed. */
function closes(mesh: PolygonMesh, { from, border, numberOf, body, isIn }: Seam): boolean {
  const first = mesh.faceStart[from];
  const faceVertices = mesh.faceVertices.subarray(first);
  const own = { ...mesh, faceVertices, faceStart: mesh.faceStart.subarray(from).map((c) => c - first) };
  const { twin, openEdges, badEdges } = adjacency(own);
  if (badEdges > 0 || openEdges !== border.size) return false;
  const goesOn = new Map([...border].map(([a, b]) => [numberOf(a), numberOf(b)]));
  const besideSeam = edgesBetween(body, { isIn, border, numberOf }, vertexCount(mesh));
  for (let f = 0; f < faceCount(own); f++)
    for (let c = own.faceStart[f]; c < own.faceStart[f + 1]; c++) {
      const [a, b] = [faceVertices[c], faceVertices[c + 1 < own.faceStart[f + 1] ? c + 1 : own.faceStart[f]]];
      if (twin[c] < 0 ? goesOn.get(a) !== b : besideSeam.has(a * vertexCount(mesh) + b)) return false;
    }
  return true;
} // prettier-ignore

/** Edges of the faces beside a patch that run from one vertex of its border to another one without being part of it. */
function edgesBetween({ mesh, neighbours: { twin, face } }: BodySurface, { isIn, border, numberOf }: Pick<Seam, 'isIn' | 'border' | 'numberOf'>, vertices: number): Set<number> {
  const found = new Set<number>();
  const isOnBorder = new Uint8Array(vertexCount(mesh));
  for (const v of border.keys()) isOnBorder[v] = 1;
  for (let c = 0; c < twin.length; c++) {
    const [a, b] = [mesh.faceVertices[twin[c]], mesh.faceVertices[c]];
    if (isOnBorder[a] && isOnBorder[b] && !isIn[face[c]] && !isIn[face[twin[c]]]) found.add(numberOf(a) * vertices + numberOf(b));
  }
  return found;
} // prettier-ignore

const NONE = -1;

/** Faces of two meshes, one after the other, without the vertices that none of them has. */
class Rows {
  readonly #body: PolygonMesh;
  readonly #cut: PolygonMesh;
  /** of a vertex of either mesh, in the result */
  readonly #ofBody: Int32Array;
  readonly #ofCut: Int32Array;
  readonly #positions: Float64Array;
  readonly #faceStart: Uint32Array;
  readonly #faceVertices: Uint32Array;
  readonly #sharp: Uint8Array;
  readonly #region: Uint32Array;
  readonly #uv: Float32Array | undefined;
  #vertices = 0;
  #corners = 0;
  #faces = 0;

  constructor(body: PolygonMesh, cut: PolygonMesh, faces: number) {
    const corners = body.faceVertices.length + cut.faceVertices.length;
    this.#body = body;
    this.#cut = cut;
    this.#ofBody = new Int32Array(vertexCount(body)).fill(NONE);
    this.#ofCut = new Int32Array(vertexCount(cut)).fill(NONE);
    this.#positions = new Float64Array(body.positions.length + cut.positions.length);
    this.#faceStart = new Uint32Array(faces + 1);
    this.#faceVertices = new Uint32Array(corners);
    this.#sharp = new Uint8Array(corners);
    this.#region = new Uint32Array(faces);
    this.#uv = body.uv && cut.uv && new Float32Array(2 * corners);
  }

  numberOf = (v: number): number => this.#ofBody[v];

  /** Vertices of the cut that stand where some of the body do are these; whether all are found. */
  join(onSeam: ReadonlyMap<string, number>): boolean {
    let found = 0;
    for (let v = 0; v < this.#ofCut.length; v++) {
      const same = onSeam.get(placeOf(this.#cut, v));
      if (same === undefined) continue;
      found++;
      this.#ofCut[v] = this.#ofBody[same];
    }
    return found === onSeam.size;
  }

  pushFar(f: number): void {
    this.#push(this.#body, f, { numbers: this.#ofBody, regions: 0 });
  }

  pushCut(f: number): void {
    this.#push(this.#cut, f, { numbers: this.#ofCut, regions: this.#body.regions.length });
  }

  #push({ positions: p, faceStart, faceVertices, sharp, uv, region }: PolygonMesh, f: number, { numbers, regions }: { numbers: Int32Array; regions: number }): void {
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
      const v = faceVertices[c];
      if (numbers[v] === NONE) {
        for (let k = 0; k < 3; k++) this.#positions[3 * this.#vertices + k] = p[3 * v + k];
        numbers[v] = this.#vertices++;
      }
      this.#faceVertices[this.#corners] = numbers[v];
      this.#sharp[this.#corners] = sharp[c];
      if (this.#uv && uv) for (let k = 0; k < 2; k++) this.#uv[2 * this.#corners + k] = uv[2 * c + k];
      this.#corners++;
    }
    this.#region[this.#faces++] = region[f] + regions;
    this.#faceStart[this.#faces] = this.#corners;
  } // prettier-ignore

  finish(): PolygonMesh {
    return {
      positions: this.#positions.slice(0, 3 * this.#vertices),
      faceStart: this.#faceStart,
      faceVertices: this.#faceVertices.slice(0, this.#corners),
      sharp: this.#sharp.slice(0, this.#corners),
      region: this.#region,
      regions: [...this.#body.regions, ...this.#cut.regions],
      ...(this.#uv && { uv: this.#uv.slice(0, 2 * this.#corners) }),
    };
  }
}
