import type { CutTriangles } from './readOut.ts';
import { faceOfGroup, type CutSource } from './source.ts';

/** A face of a source that the cut did not meet: its corners in order, as vertices of what was cut. */
export interface WholeFace {
  source: CutSource;
  face: number;
  isTurned: boolean;
  vertices: number[];
}

/** A face that was made anew inside one of a source. */
export interface PlainFace {
  source: CutSource;
  /** of the source, in which it lies */
  face: number;
  vertices: number[];
}

export interface Sorted {
  whole: WholeFace[];
  /** triangles of all other faces */
  touched: number[];
  /** what stands in the place of some of those */
  made?: readonly PlainFace[];
}

/** Tells the faces that are all there, with none but their own corners, from those that the cut has met. */
export function sortOut(
  cut: CutTriangles,
  sources: ReadonlyMap<number, CutSource>,
  triangles: readonly number[],
): Sorted {
  const sorted: Sorted = { whole: [], touched: [] };
  for (const [id, own] of bySource(cut, triangles)) {
    const source = sources.get(id) as CutSource;
    const { start, rows, faces } = byFace(
      own.map((t) => faceOfGroup(source, cut.group[t])),
      own,
      source,
    );
    for (const face of faces) {
      const row = rows.subarray(start[face], start[face + 1]);
      const vertices = wholeFace(cut, row, source, { face });
      if (vertices) sorted.whole.push({ source, face, isTurned: cut.isTurned[row[0]] === 1, vertices });
      else for (const t of row) sorted.touched.push(t);
    }
  }
  return sorted;
}

function bySource({ source }: CutTriangles, triangles: readonly number[]): Map<number, number[]> {
  const rows = new Map<number, number[]>();
  for (const t of triangles) {
    const row = rows.get(source[t]);
    if (row) row.push(t);
    else rows.set(source[t], [t]);
  }
  return rows;
}

/** Counting sort; `faces`: those that have any, in the order in which they come. */
function byFace(
  faceOf: readonly number[],
  triangles: readonly number[],
  { mesh }: CutSource,
): { start: Uint32Array; rows: Uint32Array; faces: number[] } {
  const start = new Uint32Array(mesh.faceStart.length);
  const faces: number[] = [];
  for (const f of faceOf) if (start[f + 1]++ === 0) faces.push(f);
  for (let f = 1; f < start.length; f++) start[f] += start[f - 1];
  const fill = start.slice();
  const rows = new Uint32Array(triangles.length);
  faceOf.forEach((f, i) => (rows[fill[f]++] = triangles[i]));
  return { start, rows, faces };
}

/** Vertices of a face's corners, where its triangles have those corners and are as many as it takes. */
function wholeFace(
  cut: CutTriangles,
  row: Uint32Array,
  source: CutSource,
  { face }: { face: number },
): number[] | undefined {
  const { faceStart, faceVertices } = source.mesh;
  const [from, count] = [faceStart[face], faceStart[face + 1] - faceStart[face]];
  if (row.length !== count - 2) return undefined;
  const found = new Array<number>(count).fill(-1);
  for (const t of row)
    for (let c = 3 * t; c < 3 * t + 3; c++) {
      const number = originalAt(cut, c, source);
      let k = 0;
      while (k < count && faceVertices[from + k] !== number) k++;
      if (number < 0 || k === count || (found[k] >= 0 && found[k] !== cut.vertices[c])) return undefined;
      found[k] = cut.vertices[c];
    }
  return found.includes(-1) ? undefined : found;
}

/**
 * The source's vertex at a corner, -1 where the cut made it: a number worked out between others may be whole by chance,
 * so the place has to agree.
 */
export function originalAt(
  { numbers, vertices, places }: CutTriangles,
  corner: number,
  { mesh: { positions: p }, origin }: CutSource,
): number {
  const number = numbers[corner];
  if (number < 0 || 3 * number >= p.length) return -1;
  const [o, v] = [3 * number, 3 * vertices[corner]];
  const isThere =
    p[o] - origin[0] === places[v] && p[o + 1] - origin[1] === places[v + 1] && p[o + 2] - origin[2] === places[v + 2];
  return isThere ? number : -1;
}
