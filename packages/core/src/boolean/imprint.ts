import { distanceToStretch, type Vec3 } from '../math/index.ts';
import type { CutTriangles } from './readOut.ts';
import type { CutSource } from './source.ts';
import { next } from './touched.ts';

/**
 * The skin of a body from both halves of a split: one surface again, on which what lay inside the cutter is known by a
 * source of its own.
 */
export function joinedSkin(
  { inside, outside }: { inside: CutTriangles; outside: CutTriangles },
  body: CutSource,
  { insideId, near }: { insideId: number; near: number },
): CutTriangles {
  const vertexOf = new Map<string, number>();
  const places: number[] = [];
  const out = { vertices: [] as number[], numbers: [] as number[], source: [] as number[], group: [] as number[] };
  for (const half of [inside, outside]) {
    for (let t = 0; t < half.source.length; t++) {
      if (half.source[t] !== body.id) continue;
      for (let c = 3 * t; c < 3 * t + 3; c++) {
        const at = half.places.subarray(3 * half.vertices[c], 3 * half.vertices[c] + 3);
        // both halves come from one reckoning: but for short edges that each has collapsed its own way, points of the
        // cut line are the same to the last bit
        const key = at.join(' ');
        let vertex = vertexOf.get(key);
        if (vertex === undefined) {
          vertexOf.set(key, (vertex = places.length / 3));
          places.push(...at);
        }
        out.vertices.push(vertex);
        out.numbers.push(half.numbers[c]);
      }
      out.source.push(half === inside ? insideId : body.id);
      out.group.push(half.group[t]);
    }
  }
  const same = openVerticesJoined(out.vertices, places, near);
  out.vertices = out.vertices.map((v) => same.get(v) ?? v);
  splitAlongOpenEdges(out, places, LINE * near);
  return {
    places: Float64Array.from(places),
    vertices: Uint32Array.from(out.vertices),
    numbers: Int32Array.from(out.numbers),
    source: Uint32Array.from(out.source),
    group: Uint32Array.from(out.group),
    isTurned: new Uint8Array(out.source.length),
  };
}

interface ImprintRows {
  vertices: number[];
  numbers: number[];
  source: number[];
  group: number[];
}

/** Of what counts as near: so far from an edge the kernel takes a vertex off it as one that says nothing. */
const LINE = 10;

/**
 * Where one half has an edge and the other one several that run along it, the triangle with the long one gets their
 * vertices as well.
 */
function splitAlongOpenEdges(rows: ImprintRows, places: readonly number[], near: number): void {
  const { vertices, numbers } = rows;
  const count = places.length / 3;
  const corners = new Map<number, number>();
  vertices.forEach((v, c) => corners.set(v * count + vertices[next(c)], c));
  const open = [...corners].filter(([key]) => !corners.has((key % count) * count + Math.floor(key / count)));
  const goesOn = new Map<number, number[]>();
  for (const [key] of open)
    goesOn.set(Math.floor(key / count), [...(goesOn.get(Math.floor(key / count)) ?? []), key % count]);
  const place = (v: number): Vec3 => [places[3 * v], places[3 * v + 1], places[3 * v + 2]];
  for (const [key, corner] of open) {
    const [a, b] = [Math.floor(key / count), key % count];
    // the other half's way back along this edge
    const lies = (w: number): boolean =>
      w === a || (w !== b && distanceToStretch(place(w), place(a), place(b)) <= near);
    const between: number[] = [];
    let v = goesOn.get(b)?.find(lies);
    for (; v !== undefined && v !== a && between.length < open.length; v = goesOn.get(v)?.find(lies)) between.push(v);
    if (v !== a || between.length === 0) continue;
    const far = next(next(corner));
    const [apex, number] = [vertices[far], numbers[far]];
    const t = Math.floor(corner / 3);
    // from the start of the long edge to its end, the vertices between come backwards
    const line = [[a, numbers[corner]], ...between.reverse().map((w) => [w, -1]), [b, numbers[next(corner)]]];
    for (let i = 0; i + 1 < line.length; i++) {
      const [[from, fromNumber], [to, toNumber]] = [line[i], line[i + 1]];
      const at = i === 0 ? 3 * t : vertices.length;
      vertices.splice(at, i === 0 ? 3 : 0, from, to, apex);
      numbers.splice(at, i === 0 ? 3 : 0, fromNumber, toNumber, number);
      if (i === 0) continue;
      rows.source.push(rows.source[t]);
      rows.group.push(rows.group[t]);
    }
  }
}

/** Of the vertices at open edges: which other one each of them is. */
function openVerticesJoined(vertices: readonly number[], places: readonly number[], near: number): Map<number, number> {
  const count = places.length / 3;
  const edges = new Set<number>();
  for (let c = 0; c < vertices.length; c++) edges.add(vertices[c] * count + vertices[next(c)]);
  const open = new Set<number>();
  for (const edge of edges) {
    const [a, b] = [Math.floor(edge / count), edge % count];
    if (!edges.has(b * count + a)) open.add(a).add(b);
  }
  const same = new Map<number, number>();
  const row = [...open].sort((a, b) => places[3 * a] - places[3 * b]);
  row.forEach((v, i) => {
    for (let k = i - 1; k >= 0 && places[3 * v] - places[3 * row[k]] <= near; k--) {
      const w = row[k];
      if ([1, 2].every((axis) => Math.abs(places[3 * v + axis] - places[3 * w + axis]) <= near)) {
        same.set(v, same.get(w) ?? w);
        return;
      }
    }
  });
  return same;
}
