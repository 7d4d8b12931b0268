import { keptBy } from '../base/index.ts';
import {
  distanceSquared,
  faceCorners,
  faceCount,
  MeshSink,
  nextCorner,
  triangulate,
  type PolygonMesh,
} from '../mesh/index.ts';
import { cutMarked } from './cutMarked.ts';
import type { PointRows } from './meshPoints.ts';
import { SplitMesh } from './splitMesh.ts';

/** Of a mesh under a chain of steps. */
export interface Far {
  /** whether the middle between two vertices strays from the line between their images; `mayMm`: by how much it may */
  edge: (a: number, b: number, mayMm?: number) => boolean;
  /** the same of lines through a face, which may stray as long as they do not leave the plane of a flat one */
  within: (face: readonly number[]) => (a: number, b: number) => boolean;
}

/** What tells how far edges stray. */
export interface Straying {
  /** of a mesh as it begins */
  first: Far;
  marks(mesh: PolygonMesh): Pick<PointRows, 'letter' | 'isFront'>;
  /** of the same with more points */
  of(mesh: SplitMesh): Far;
  /** what an edge of a face may stray, where that is narrow; undefined: as all may */
  mayOf?(mesh: SplitMesh, corner: number): number | undefined;
}

const ROUNDS = 30;

/**
 * Cuts edges in half until none is far, faces with them: quads with two opposite halves into two quads, with four about
 * their middle, all others into triangles. New points lie on the faces that they cut. `straying` tells of a mesh which
 * of its edges are; `most` faces are made. Gives the mesh and whether edges are left that are far. A round looks at
 * the faces that the one before has made, and at nothing else.
 */
export function splitFar(
  mesh: PolygonMesh,
  { first, marks, of, mayOf }: Straying,
  most: number,
): { mesh: PolygonMesh; isLeft: boolean } {
  const even = triangulateFar(mesh, first);
  const split = new SplitMesh(even, marks(even));
  let fresh: readonly number[] = Array.from({ length: faceCount(even) }, (_, f) => f);
  for (let round = 0; round < ROUNDS; round++) {
    const marked = markFar(split, of(split), { fresh, mayOf });
    if (marked.size === 0) return { mesh: split.finish(), isLeft: false };
    if (split.faces + 2 * marked.size > most) break;
    fresh = cutMarked(split, marked);
  }
  return { mesh: split.finish(), isLeft: true };
}

/** Faces with more than four corners, as triangles where a diagonal is far. */
function triangulateFar(mesh: PolygonMesh, far: Far): PolygonMesh {
  return triangulateWhere(mesh, (f, triangles) => {
    const isFar = far.within(verticesOf(mesh, f));
    const isBorder = (c: number, to: number): boolean => to === nextCorner(mesh, f, c);
    return triangles.some((row) =>
      row.some((c, k) => {
        const to = row[(k + 1) % 3];
        const is = isBorder(c, to) || isBorder(to, c) ? far.edge : isFar;
        return is(mesh.faceVertices[c], mesh.faceVertices[to]);
      }),
    );
  });
}

const verticesOf = (mesh: PolygonMesh, f: number): number[] => faceCorners(mesh, f).map((c) => mesh.faceVertices[c]);

/**
 * Faces with more than four corners, as their triangles where `isCut` says so. `mesh`: the same faces elsewhere; it is
 * cut as the flat ones are.
 */
export function triangulateWhere(
  flat: PolygonMesh,
  isCut: (face: number, triangles: readonly (readonly number[])[]) => boolean,
  mesh = flat,
): PolygonMesh {
  const rows = new Map([...trianglesOfLarge(flat)].filter(([f, triangles]) => isCut(f, triangles)));
  if (rows.size === 0) return mesh;
  const made = new MeshSink(mesh);
  for (let f = 0; f < faceCount(flat); f++) {
    const triangles = rows.get(f);
    if (!triangles) made.keep(f);
    else
      for (const row of triangles)
        made.face(
          row,
          mesh.region[f],
          row.map((c, k) => (row[(k + 1) % 3] === nextCorner(mesh, f, c) ? mesh.sharp[c] : 0)),
        );
  }
  return made.finish();
}

/** Triangles of the faces with more than four corners, by corners of the mesh. */
const trianglesOfLarge = keptBy((mesh: PolygonMesh): ReadonlyMap<number, number[][]> => {
  const rows = new Map<number, number[][]>();
  const large: number[] = [];
  for (let f = 0; f < faceCount(mesh); f++) if (mesh.faceStart[f + 1] - mesh.faceStart[f] > 4) large.push(f);
  if (large.length === 0) return rows;
  const corners = large.flatMap((f) => faceCorners(mesh, f));
  const starts = [0];
  for (const f of large) starts.push(starts[starts.length - 1] + mesh.faceStart[f + 1] - mesh.faceStart[f]);
  const only = {
    ...mesh,
    faceStart: new Uint32Array(starts),
    faceVertices: new Uint32Array(corners).map((c) => mesh.faceVertices[c]),
  };
  const cut = triangulate(only);
  for (let t = 0; t < cut.face.length; t++) {
    const f = large[cut.face[t]];
    const list = rows.get(f) ?? [];
    list.push([0, 1, 2].map((k) => corners[cut.corners[3 * t + k]]));
    rows.set(f, list);
  }
  return rows;
});

/** Corners at which edges begin that are to be cut. */
function markFar(
  mesh: SplitMesh,
  far: Far,
  { fresh, mayOf }: { fresh: readonly number[]; mayOf: Straying['mayOf'] },
): Set<number> {
  const { vertex, twin, first, size } = mesh;
  const marked = new Set<number>();
  const mark = (c: number): void => {
    marked.add(c);
    if (twin.at(c) >= 0) marked.add(twin.at(c));
  };
  for (const c of edgesOf(mesh, fresh)) if (far.edge(vertex.at(c), vertex.at(mesh.next(c)), mayOf?.(mesh, c))) mark(c);
  const row = [0, 0, 0, 0];
  for (const f of fresh) {
    const start = first.at(f);
    if (size.at(f) !== 4) continue;
    if (marked.has(start) || marked.has(start + 1) || marked.has(start + 2) || marked.has(start + 3)) continue;
    for (let k = 0; k < 4; k++) row[k] = vertex.at(start + k);
    const [a, b, c, d] = row;
    const isFar = far.within(row);
    if (!isFar(a, c) && !isFar(b, d)) continue;
    // across its longer sides
    const from =
      lengthBetween(mesh, a, b) + lengthBetween(mesh, c, d) >= lengthBetween(mesh, b, c) + lengthBetween(mesh, d, a)
        ? 0
        : 1;
    mark(start + from);
    mark(start + from + 2);
  }
  markLongest(mesh, marked, mark);
  return marked;
}

/**
 * Edges of faces, each by the later one of its corners, in the order of the mesh: what looks a place up begins where it
 * found the last one.
 */
function edgesOf(mesh: SplitMesh, faces: readonly number[]): number[] {
  const { twin, face, first, size } = mesh;
  const isOneOf = oneOf(mesh, faces);
  const order = (c: number, other: number): number => mesh.compare(face.at(c), face.at(other)) || c - other;
  const edges: number[] = [];
  let isInOrder = true;
  for (const f of faces)
    for (let c = first.at(f); c < first.at(f) + size.at(f); c++) {
      const other = twin.at(c);
      const isLater = other < 0 || order(c, other) > 0;
      if (!isLater && isOneOf(face.at(other))) continue;
      if (!isLater) isInOrder = false;
      edges.push(isLater ? c : other);
    }
  return isInOrder ? edges : edges.sort(order);
}

/** In the first round it is any of them. */
function oneOf(mesh: SplitMesh, faces: readonly number[]): (face: number) => boolean {
  if (faces.length === mesh.faces) return () => true;
  const known = new Set(faces);
  return (face) => known.has(face);
}

/**
 * Of every triangle that is cut its longest edge is cut too (Rivara 1984): halving others alone would make them ever
 * thinner.
 */
function markLongest(mesh: SplitMesh, marked: ReadonlySet<number>, mark: (corner: number) => void): void {
  const waiting = [...marked];
  while (waiting.length > 0) {
    const f = mesh.face.at(waiting.pop() as number);
    if (mesh.size.at(f) !== 3) continue;
    const longest = mesh.first.at(f) + longestOf(mesh, mesh.first.at(f));
    if (marked.has(longest)) continue;
    mark(longest);
    if (mesh.twin.at(longest) >= 0) waiting.push(mesh.twin.at(longest));
  }
}

/** The first of the longest edges of a triangle whose corners begin here. */
function longestOf(mesh: SplitMesh, start: number): number {
  const { vertex } = mesh;
  const ab = lengthBetween(mesh, vertex.at(start), vertex.at(start + 1));
  const bc = lengthBetween(mesh, vertex.at(start + 1), vertex.at(start + 2));
  const ca = lengthBetween(mesh, vertex.at(start + 2), vertex.at(start));
  if (ab >= bc && ab >= ca) return 0;
  return bc >= ca ? 1 : 2;
}

const lengthBetween = ({ positions }: SplitMesh, a: number, b: number): number =>
  Math.sqrt(distanceSquared(positions.rows(), 3 * a, 3 * b));
