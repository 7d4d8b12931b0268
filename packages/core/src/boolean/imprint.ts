import type { CutTriangles } from './readOut.ts';
import type { Source } from './source.ts';

/** The skin of a body from both halves of a split: one surface again, on which what lay inside the cutter is known by a source of its own. */
export function joinedSkin(
  { inside, outside }: { inside: CutTriangles; outside: CutTriangles },
  body: Source,
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
        // both halves come from one reckoning: but for short edges that each has collapsed its own way, points of the cut line are the same to the last bit
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
  return {
    places: Float64Array.from(places),
    vertices: Uint32Array.from(out.vertices, (v) => same.get(v) ?? v),
    numbers: Int32Array.from(out.numbers),
    source: Uint32Array.from(out.source),
    group: Uint32Array.from(out.group),
    isTurned: new Uint8Array(out.source.length),
  };
}

/** Of the vertices at open edges: which other one each of them is. */
function openVerticesJoined(vertices: readonly number[], places: readonly number[], near: number): Map<number, number> {
  const count = places.length / 3;
  const edges = new Set<number>();
  for (let c = 0; c < vertices.length; c++) edges.add(vertices[c] * count + vertices[c % 3 === 2 ? c - 2 : c + 1]);
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
