import { adjacency, faceCount, type PolygonMesh } from '../mesh/index.ts';
import { BELOW, type Patch } from './patchUnder.ts';

/**
 * A body with a patch that was cut in its place: the faces beside it as they were, and those of the cut but for walls and bottom. Undefined where
 * those were met, or the seam does not close.
 */
export function putBack(body: PolygonMesh, { isIn, border, below }: Patch, cut: PolygonMesh): PolygonMesh | undefined {
  const isBelow = cut.regions.map(({ of }) => of === BELOW);
  const kept = [...cut.region.keys()].filter((f) => !isBelow[cut.region[f]]);
  if (cut.region.length - kept.length !== below) return undefined;
  const far = [...isIn.keys()].filter((f) => !isIn[f]);
  const rows = new Rows(body, far.length + kept.length);
  for (const f of far) rows.push(body, f, (v) => rows.numberOf(body, v));
  const placed = new Map([...border].map((v) => [placeOf(body, v), rows.numberOf(body, v)]));
  const own = new Map<number, number>();
  const seam = new Set<number>();
  const inCut = (v: number): number => {
    const known = own.get(v);
    if (known !== undefined) return known;
    const onSeam = placed.get(placeOf(cut, v));
    if (onSeam !== undefined) seam.add(onSeam);
    const number = onSeam ?? rows.add(cut, v);
    own.set(v, number);
    return number;
  };
  for (const f of kept) rows.push(cut, f, inCut);
  if (placed.size !== border.size || seam.size !== border.size) return undefined;
  const mesh = rows.finish(body, cut);
  const { openEdges, badEdges } = adjacency(mesh);
  return openEdges + badEdges === 0 && faceCount(mesh) === far.length + kept.length ? mesh : undefined;
}

const placeOf = ({ positions: p }: PolygonMesh, v: number): string => `${p[3 * v]} ${p[3 * v + 1]} ${p[3 * v + 2]}`;

/** Faces of two meshes, one after the other. */
class Rows {
  readonly #number: Int32Array;
  readonly #positions: number[] = [];
  readonly #faceStart: Uint32Array;
  readonly #faceVertices: number[] = [];
  readonly #sharp: number[] = [];
  readonly #region: number[] = [];
  readonly #uv: number[] = [];
  readonly #body: PolygonMesh;

  constructor(body: PolygonMesh, faces: number) {
    this.#body = body;
    this.#number = new Int32Array(body.positions.length / 3).fill(-1);
    this.#faceStart = new Uint32Array(faces + 1);
  }

  /** Of a vertex of the body. */
  numberOf(body: PolygonMesh, v: number): number {
    if (this.#number[v] < 0) this.#number[v] = this.add(body, v);
    return this.#number[v];
  }

  add({ positions: p }: PolygonMesh, v: number): number {
    this.#positions.push(p[3 * v], p[3 * v + 1], p[3 * v + 2]);
    return this.#positions.length / 3 - 1;
  }

  push(mesh: PolygonMesh, f: number, numberOf: (v: number) => number): void {
    const { faceStart, faceVertices, sharp, uv } = mesh;
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
      this.#faceVertices.push(numberOf(faceVertices[c]));
      this.#sharp.push(sharp[c]);
      if (uv) this.#uv.push(uv[2 * c], uv[2 * c + 1]);
    }
    this.#region.push(mesh.region[f] + (mesh === this.#body ? 0 : this.#body.regions.length));
    this.#faceStart[this.#region.length] = this.#faceVertices.length;
  }

  finish(body: PolygonMesh, cut: PolygonMesh): PolygonMesh {
    return {
      positions: Float64Array.from(this.#positions),
      faceStart: this.#faceStart,
      faceVertices: Uint32Array.from(this.#faceVertices),
      sharp: Uint8Array.from(this.#sharp),
      region: Uint32Array.from(this.#region),
      regions: [...body.regions, ...cut.regions],
      ...(body.uv && cut.uv && { uv: Float32Array.from(this.#uv) }),
    };
  }
}
