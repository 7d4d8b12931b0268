import { crossingFaces, meshCrosses } from '../check/index.ts';
import { emptyMesh, type PolygonMesh } from '../mesh/index.ts';
import { collapseSlivers } from './collapse.ts';
import { flipEdges } from './flip.ts';
import type { CutTriangles } from './readOut.ts';
import type { Sorted, WholeFace } from './sortOut.ts';
import type { Source } from './source.ts';
import { TouchedSurface } from './touched.ts';

export interface Tidied {
  /** what is left of the touched triangles */
  triangles: number[];
  /** triangles with an angle under one degree, before and after */
  sliversBefore: number;
  slivers: number;
  /** farthest that a border was moved, mm */
  movedMm: number;
}

/** So often what crosses is held in its place and the rest tried again. */
const ROUNDS = 6;

/**
 * Better triangles where the cut went: edges are flipped inside the face that they were a part of, which moves nothing; then slivers are collapsed where that
 * moves the cut's border by no more than `byMm`, and not where faces would cross. Faces that the cut did not meet keep all their points.
 */
export function tidy(cut: CutTriangles, sorted: Sorted, sources: ReadonlyMap<number, Source>, byMm: number): Tidied & { cut: CutTriangles } {
  const beside = { ...sorted, whole: facesBeside(cut, sorted) };
  const held = new Set<number>();
  for (let round = 0; byMm > 0 && round < ROUNDS; round++) {
    const done = tidyBy(cut, beside, sources, { byMm, held });
    const crossing = done.movedMm === 0 ? [] : crossingVertices(done.cut, done.triangles, beside);
    if (crossing.length === 0) return done;
    for (const v of crossing) held.add(v);
  }
  return tidyBy(cut, beside, sources, { byMm: 0, held });
} // prettier-ignore

/** Whole faces that share a vertex with what was touched. */
function facesBeside({ vertices, places }: CutTriangles, { whole, touched }: Sorted): WholeFace[] {
  const isTouched = new Uint8Array(places.length / 3);
  for (const t of touched) for (let c = 3 * t; c < 3 * t + 3; c++) isTouched[vertices[c]] = 1;
  return whole.filter((face) => face.vertices.some((v) => isTouched[v] === 1));
}

function tidyBy(
  before: CutTriangles,
  sorted: Sorted,
  sources: ReadonlyMap<number, Source>,
  { byMm, held }: { byMm: number; held: ReadonlySet<number> },
): Tidied & { cut: CutTriangles } {
  const cut = { ...before, vertices: before.vertices.slice(), numbers: before.numbers.slice() };
  const surface = new TouchedSurface(cut, sorted, sources);
  const sliversBefore = surface.slivers();
  flipEdges(surface);
  const movedMm = byMm > 0 ? collapseSlivers(surface, { byMm, held }) : 0;
  if (movedMm > 0) flipEdges(surface);
  return { cut, triangles: surface.left(), sliversBefore, slivers: surface.slivers(), movedMm };
}

/** Vertices of triangles that were touched and of whole faces where these cross each other, by exact predicates. */
function crossingVertices(cut: CutTriangles, triangles: readonly number[], { whole }: Pick<Sorted, 'whole'>): number[] {
  const mesh = meshOf(cut, triangles, whole);
  return [...crossingFaces(mesh)].flatMap((f) => [...mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1])]);
} // prettier-ignore

/** Faces that cross as they are, or only once they are rounded to 32 bit. */
export type CutCrossing = 'exactly' | 'rounded';

/** The same with all that comes from what cuts; as it is, and rounded to 32 bit. */
export function cutCrosses(cut: CutTriangles, sorted: Sorted, body: Source): CutCrossing | undefined {
  const beside = new Set(facesBeside(cut, sorted));
  const mesh = meshOf(cut, sorted.touched, sorted.whole.filter((face) => face.source !== body || beside.has(face)));
  const places = cut.places.map((v, i) => v + body.origin[i % 3]);
  if (meshCrosses(mesh)) return 'exactly';
  return meshCrosses({ ...mesh, positions: Float64Array.from(places, Math.fround) }) ? 'rounded' : undefined;
} // prettier-ignore

function meshOf({ places, vertices }: CutTriangles, triangles: readonly number[], whole: readonly WholeFace[]): PolygonMesh {
  const faces = [
    ...triangles.map((t) => vertices.subarray(3 * t, 3 * t + 3)),
    ...whole.map((face) => (face.isTurned ? [...face.vertices].reverse() : face.vertices)),
  ];
  const faceStart = new Uint32Array(faces.length + 1);
  faces.forEach((face, f) => (faceStart[f + 1] = faceStart[f] + face.length));
  const faceVertices = new Uint32Array(faceStart[faces.length]);
  faces.forEach((face, f) => faceVertices.set(face, faceStart[f]));
  return { ...emptyMesh(), positions: places, faceStart, faceVertices };
} // prettier-ignore
