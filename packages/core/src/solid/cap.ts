import { orient2d } from '../math/index.ts';
import { triangulateInside } from '../mesh/index.ts';
import type { Partition } from './wavefront/index.ts';

/** A flat front or back: convex polygons over the partition's nodes, counter-clockwise seen from the front. */
export interface Cap {
  start: Uint32Array;
  nodes: Uint32Array;
  /** letter of each face */
  letter: Int32Array;
}

/**
 * Fills a layer's rings with the fewest convex faces that merging Delaunay triangles gives (Hertel and Mehlhorn 1983,
 * longest diagonals first). Faces don't reach over the border of two letters. Undefined when the rings can't be filled
 * exactly: then the partition was wrong. `across`: nodes of the rings between which edges have to run.
 */
export function buildCap(
  p: Partition,
  layer: number,
  letterOfEdge: Int32Array,
  { across = [] }: { across?: readonly (readonly [number, number])[] } = {},
): Cap | undefined {
  const ring = p.rings[layer];
  if (ring.from.length === 0)
    return { start: new Uint32Array(1), nodes: new Uint32Array(0), letter: new Int32Array(0) };
  const local = localPoints(p, ring.from, ring.to);
  const number = new Map(local.nodes.map((node, i) => [node, i]));
  const kept = across.map(([a, b]): [number, number] => [number.get(a) ?? -1, number.get(b) ?? -1]);
  const triangles = triangulateInside(local.x, local.y, local.from, local.to, kept);
  if (!triangles || !areasMatch(local, triangles)) return undefined;
  const letterOfPoint = new Int32Array(local.nodes.length);
  ring.edge.forEach((edge, i) => (letterOfPoint[local.from[i]] = letterOfEdge[edge]));
  const faces = mergeConvex(local, triangles, { letters: triangleLetters(triangles, letterOfPoint), kept });
  const start = new Uint32Array(faces.length + 1);
  faces.forEach((face, i) => (start[i + 1] = start[i] + face.loop.length));
  return {
    start,
    nodes: Uint32Array.from(faces.flatMap((face) => face.loop.map((i) => local.nodes[i]))),
    letter: Int32Array.from(faces, (face) => face.letter),
  };
}

interface LocalPoints {
  x: Float64Array;
  y: Float64Array;
  nodes: number[];
  from: Uint32Array;
  to: Uint32Array;
}

function localPoints(p: Partition, from: Uint32Array, to: Uint32Array): LocalPoints {
  const number = new Map<number, number>();
  const nodes: number[] = [];
  const numberOf = (node: number): number => {
    let found = number.get(node);
    if (found === undefined) {
      found = nodes.length;
      nodes.push(node);
      number.set(node, found);
    }
    return found;
  };
  const localFrom = from.map(numberOf);
  const localTo = to.map(numberOf);
  return {
    x: Float64Array.from(nodes, (n) => p.x[n]),
    y: Float64Array.from(nodes, (n) => p.y[n]),
    nodes,
    from: localFrom,
    to: localTo,
  };
}

/** The triangles' doubled areas must sum to the rings' exactly. */
function areasMatch({ x, y, from, to }: LocalPoints, triangles: Uint32Array): boolean {
  let rings = 0;
  for (let i = 0; i < from.length; i++) {
    const a = from[i];
    const b = to[i];
    rings += (x[a] - x[0]) * (y[b] - y[0]) - (x[b] - x[0]) * (y[a] - y[0]);
  }
  let filled = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t], triangles[t + 1], triangles[t + 2]];
    filled += (x[b] - x[a]) * (y[c] - y[a]) - (y[b] - y[a]) * (x[c] - x[a]);
  }
  return rings === filled;
}

/** The letter that two of a triangle's corners agree on, else that of the first. */
function triangleLetters(triangles: Uint32Array, letterOfPoint: Int32Array): Int32Array {
  const letters = new Int32Array(triangles.length / 3);
  for (let t = 0; t < letters.length; t++) {
    const [a, b, c] = [0, 1, 2].map((k) => letterOfPoint[triangles[3 * t + k]]);
    letters[t] = b === c ? b : a;
  }
  return letters;
}

interface Face {
  loop: number[];
  letter: number;
}

interface Diagonal {
  a: number;
  b: number;
  left: number;
  right: number;
  length: number;
}

function mergeConvex(
  { x, y }: LocalPoints,
  triangles: Uint32Array,
  { letters, kept }: { letters: Int32Array; kept: readonly (readonly [number, number])[] },
): Face[] {
  const stays = new Set(kept.flatMap(([a, b]) => [a * x.length + b, b * x.length + a]));
  const faces: (Face | undefined)[] = [];
  for (let t = 0; t < letters.length; t++) {
    faces.push({ loop: [triangles[3 * t], triangles[3 * t + 1], triangles[3 * t + 2]], letter: letters[t] });
  }
  const owner = Array.from({ length: faces.length }, (_, i) => i);
  const find = (i: number): number => {
    while (owner[i] !== i) i = owner[i] = owner[owner[i]];
    return i;
  };
  for (const d of diagonals(x, y, triangles)) {
    const left = find(d.left);
    const right = find(d.right);
    const a = faces[left] as Face;
    const b = faces[right] as Face;
    if (left === right || a.letter !== b.letter || stays.has(d.a * x.length + d.b)) continue;
    const merged = mergedLoop(a.loop, b.loop, d.a, d.b);
    if (!isConvexAt(x, y, merged, d.a) || !isConvexAt(x, y, merged, d.b)) continue;
    faces[left] = { loop: merged, letter: a.letter };
    faces[right] = undefined;
    owner[right] = left;
  }
  return faces.filter((face) => face !== undefined);
}

/** Inner edges, longest first; a -> b as `left` walks it. */
function diagonals(x: Float64Array, y: Float64Array, triangles: Uint32Array): Diagonal[] {
  const size = x.length;
  const owner = new Map<number, number>();
  const found: Diagonal[] = [];
  for (let c = 0; c < triangles.length; c++) {
    const t = Math.floor(c / 3);
    const a = triangles[c];
    const b = triangles[c % 3 === 2 ? c - 2 : c + 1];
    const other = owner.get(b * size + a);
    if (other === undefined) owner.set(a * size + b, t);
    else {
      const dx = x[a] - x[b];
      const dy = y[a] - y[b];
      found.push({ a, b, left: t, right: other, length: dx * dx + dy * dy });
    }
  }
  return found.sort((p, q) => q.length - p.length || p.left - q.left || p.a - q.a);
}

/** The loop around both faces, which share the edge a -> b (as the first walks it). */
function mergedLoop(first: readonly number[], second: readonly number[], a: number, b: number): number[] {
  const from = first.indexOf(b);
  const one = [...first.slice(from), ...first.slice(0, from)];
  const at = second.indexOf(a);
  const two = [...second.slice(at), ...second.slice(0, at)];
  return [...one, ...two.slice(1, -1)];
}

/** Strictly convex at a point, so that the face can be cut from any of its corners. */
function isConvexAt(x: Float64Array, y: Float64Array, loop: readonly number[], point: number): boolean {
  const i = loop.indexOf(point);
  const a = loop[(i + loop.length - 1) % loop.length];
  const c = loop[(i + 1) % loop.length];
  return orient2d(x[a], y[a], x[point], y[point], x[c], y[c]) > 0;
}
