import type { Simplifier } from '../base/index.ts';
import { findCrossings, trianglesWithArea } from '../check/index.ts';
import { lengthOf } from '../math/index.ts';
import { asTriangles, faceCount, MeshSink, triangulate, weld, type PolygonMesh } from '../mesh/index.ts';

/** How often it is tried with more triangles, and how many more each time. */
const TRIES = 8;
const MORE_EACH = 1.25;

/** No bound on the error: the count decides. */
const ANY_ERROR = 1e10;

/** How far to go: a share of the triangles (0 to 1), or as far as the surface moves by no more than an error, mm. */
export type ReduceGoal = { share: number } | { errorMm: number };

/**
 * Fewer triangles. Each part's vertices are its own while it is reduced, so that the borders of parts are seams that
 * stay borders; vertices that are left stay exactly where they were. Edges keep their mark where both ends are left.
 * Where so few faces would cross each other, it keeps more, or all of them.
 */
export function reduce(mesh: PolygonMesh, goal: ReduceGoal, simplifier: Simplifier): PolygonMesh {
  const triangles = asTriangles(mesh);
  const split = splitByPart(triangles);
  for (let i = 0, more = 1; i < TRIES; i++, more *= MORE_EACH) {
    const eased = 'share' in goal ? { share: goal.share * more } : { errorMm: goal.errorMm / (more * more) };
    const reduced = reducedTo(triangles, eased, { split, simplifier });
    if (isSimple(reduced)) return reduced;
  }
  return triangles;
}

/** No triangle without an area, none that crosses another; the first one that does is enough. */
function isSimple(mesh: PolygonMesh): boolean {
  const triangles = triangulate(mesh);
  const hasArea = trianglesWithArea(mesh, triangles);
  return hasArea.every((has) => has === 1) && findCrossings(mesh, triangles, hasArea, { limit: 1 }).pairs === 0;
}

function reducedTo(
  triangles: PolygonMesh,
  goal: ReduceGoal,
  { split, simplifier }: { split: Split; simplifier: Simplifier },
): PolygonMesh {
  const share = 'share' in goal ? goal.share : 0;
  const target = Math.max(4, Math.round(faceCount(triangles) * share)) * 3;
  if (target >= triangles.faceVertices.length) return triangles;
  const [index] =
    'share' in goal
      ? simplifier.simplify(split.index, split.positions, 3, target, ANY_ERROR, ['Regularize'])
      : simplifier.simplify(split.index, split.positions, 3, target, goal.errorMm, ['Regularize', 'ErrorAbsolute']);
  return weld(withRegions(triangles, split, index));
}

interface Split {
  index: Uint32Array;
  positions: Float32Array;
  /** vertex and part that each split vertex comes from */
  vertex: number[];
  part: number[];
}

function splitByPart({ positions, faceVertices, region }: PolygonMesh): Split {
  const number = new Map<number, number>();
  const [vertex, part]: number[][] = [[], []];
  const parts = region.reduce((a, b) => Math.max(a, b), 0) + 1;
  const index = faceVertices.map((v, c) => {
    const key = v * parts + region[Math.floor(c / 3)];
    let found = number.get(key);
    if (found === undefined) {
      found = vertex.push(v) - 1;
      part.push(region[Math.floor(c / 3)]);
      number.set(key, found);
    }
    return found;
  });
  const places = new Float32Array(3 * vertex.length);
  vertex.forEach((v, i) => places.set(positions.subarray(3 * v, 3 * v + 3), 3 * i));
  return { index, positions: places, vertex, part };
}

function withRegions(mesh: PolygonMesh, { vertex, part }: Split, index: Uint32Array): PolygonMesh {
  const faceVertices = index.map((i) => vertex[i]);
  const size = mesh.positions.length / 3;
  const sharp = new Set<number>();
  mesh.faceVertices.forEach((v, c) => {
    if (mesh.sharp[c]) sharp.add(v * size + mesh.faceVertices[c % 3 === 2 ? c - 2 : c + 1]);
  });
  const region = Uint32Array.from({ length: index.length / 3 }, (_, t) => part[index[3 * t]]);
  const borders = borderEdges(faceVertices, region, size);
  const sink = new MeshSink(mesh);
  const corners = sink.carries('corner') ? cornersAround(mesh, { faceVertices, region }) : undefined;
  for (let t = 0; t < region.length; t++) {
    for (let c = 3 * t; c < 3 * t + 3; c++) {
      const key = faceVertices[c] * size + faceVertices[c % 3 === 2 ? c - 2 : c + 1];
      sink.corner(faceVertices[c], corners?.[c], sharp.has(key) || borders.has(key) ? 1 : 0);
    }
    sink.endFace(region[t]);
  }
  return sink.finish();
}

/**
 * The old corner of every new one. A seam gives a vertex several texture coordinates: each triangle takes those that
 * lie nearest together.
 */
function cornersAround(
  mesh: PolygonMesh,
  { faceVertices, region }: { faceVertices: Uint32Array; region: Uint32Array },
): Uint32Array {
  const size = mesh.positions.length / 3;
  const taken = new Uint32Array(faceVertices.length);
  const gap = (c: number, d: number): number =>
    mesh.uv ? lengthOf(mesh.uv[2 * c] - mesh.uv[2 * d], mesh.uv[2 * c + 1] - mesh.uv[2 * d + 1]) : 0;
  const known = new Map<number, number[]>();
  mesh.faceVertices.forEach((v, c) => {
    const key = mesh.region[Math.floor(c / 3)] * size + v;
    const row = known.get(key) ?? [];
    if (!row.some((d) => gap(c, d) === 0)) row.push(c);
    known.set(key, row);
  });
  for (let t = 0; t < region.length; t++) {
    const [as, bs, cs] = [0, 1, 2].map((k) => known.get(region[t] * size + faceVertices[3 * t + k]) as number[]);
    let least = Infinity;
    for (const a of as)
      for (const b of bs)
        for (const c of cs) {
          const around = gap(a, b) + gap(b, c) + gap(c, a);
          if (around < least) {
            least = around;
            taken.set([a, b, c], 3 * t);
          }
        }
  }
  return taken;
}

/** Edges, in both directions, between faces of different parts. */
function borderEdges(faceVertices: Uint32Array, region: Uint32Array, size: number): Set<number> {
  const owner = new Map<number, number>();
  const found = new Set<number>();
  faceVertices.forEach((a, c) => {
    const b = faceVertices[c % 3 === 2 ? c - 2 : c + 1];
    const own = region[Math.floor(c / 3)];
    const other = owner.get(b * size + a);
    if (other === undefined) owner.set(a * size + b, own);
    else if (other !== own) found.add(a * size + b).add(b * size + a);
  });
  return found;
}
