import { crossingFaces, meshCrosses } from '../check/index.ts';
import { aroundBoxes, boxesMeet, boxOfPoints, EMPTY_BOX, type Box3 } from '../math/index.ts';
import { emptyMesh, type PolygonMesh } from '../mesh/index.ts';
import { collapseSlivers, type CollapseBounds } from './collapse.ts';
import { easeFans } from './easeFans.ts';
import { flipEdges } from './flip.ts';
import type { CutTriangles } from './readOut.ts';
import type { Settled } from './rebuild.ts';
import type { PlainFace, Sorted, WholeFace } from './sortOut.ts';
import type { CutSource } from './source.ts';
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
 * Better triangles where the cut went: edges are flipped inside the face that they were a part of, which moves nothing;
 * then slivers are collapsed where that moves the cut's border by no more than `byMm`, and not where faces would cross.
 * Faces that the cut did not meet keep all their points.
 */
export function tidyCut(
  cut: CutTriangles,
  sorted: Sorted,
  sources: ReadonlyMap<number, CutSource>,
  { byMm }: { byMm: number },
): Tidied & { cut: CutTriangles } {
  const beside = { ...sorted, whole: facesBeside(cut, sorted) };
  const surface = surfaceOf(cut, beside, sources);
  const sliversBefore = surface.slivers();
  flipEdges(surface, beside.touched);
  const flipped = {
    cut: surface.cut,
    triangles: beside.touched,
    slivers: surface.slivers(),
    sliversBefore,
    movedMm: 0,
  };
  const held = new Set<number>();
  for (let round = 0; byMm > 0 && round < ROUNDS; round++) {
    const done = collapsed(flipped.cut, beside, sources, { bounds: { byMm, held } });
    if (done.movedMm === 0) break;
    const crossing = crossingVertices(done, flipped.cut, beside);
    if (crossing.length === 0) return eased({ ...done, sliversBefore }, beside, sources);
    for (const v of crossing) held.add(v);
  }
  return byMm > 0 ? eased(flipped, beside, sources) : flipped;
}

/** With fewer slivers, by vertices inside of faces. */
const eased = <T extends Done>(done: T, beside: Sorted, sources: ReadonlyMap<number, CutSource>): T =>
  done.slivers === 0 ? done : { ...done, ...easeFans(done, beside, sources) };

/** Whole faces that share a vertex with what was touched. */
function facesBeside({ vertices, places }: CutTriangles, { whole, touched }: Sorted): WholeFace[] {
  const isTouched = new Uint8Array(places.length / 3);
  for (const t of touched) for (let c = 3 * t; c < 3 * t + 3; c++) isTouched[vertices[c]] = 1;
  return whole.filter((face) => face.vertices.some((v) => isTouched[v] === 1));
}

/** On a copy of what was cut. */
const surfaceOf = (cut: CutTriangles, sorted: Sorted, sources: ReadonlyMap<number, CutSource>): TouchedSurface =>
  new TouchedSurface({ ...cut, vertices: cut.vertices.slice(), numbers: cut.numbers.slice() }, sorted, sources);

type Done = Omit<Tidied, 'sliversBefore'> & { cut: CutTriangles };

function collapsed(
  before: CutTriangles,
  sorted: Sorted,
  sources: ReadonlyMap<number, CutSource>,
  { bounds }: { bounds: CollapseBounds },
): Done {
  const surface = surfaceOf(before, sorted, sources);
  const movedMm = collapseSlivers(surface, bounds);
  const { cut } = surface;
  flipEdges(
    surface,
    surface.left().filter((t) => differs(cut, before, t)),
  );
  return { cut, triangles: surface.left(), slivers: surface.slivers(), movedMm };
}

const differs = (a: CutTriangles, b: CutTriangles, t: number): boolean =>
  [3 * t, 3 * t + 1, 3 * t + 2].some((c) => a.vertices[c] !== b.vertices[c]);

/** Vertices of triangles that have changed, and of what they cross, by exact predicates. */
function crossingVertices({ cut, triangles }: Done, before: CutTriangles, { whole }: Sorted): number[] {
  const mesh = meshOf(cut, triangles, whole);
  const concerns = (f: number): boolean => f < triangles.length && differs(cut, before, triangles[f]);
  return [...crossingFaces(mesh, { concerns })].flatMap((f) => [
    ...mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]),
  ]);
}

/** Faces that cross as they are, or only once they are rounded to 32 bit. */
export type CutCrossing = 'exactly' | 'rounded';

/**
 * The same with all that comes from what cuts; as it is, and rounded to 32 bit. `apart`: cutters that left no line on
 * the body, so that they may touch any face of it.
 */
export function cutCrosses(
  { cut, sorted, places }: Settled,
  body: CutSource,
  apart: ReadonlySet<CutSource>,
): CutCrossing | undefined {
  const beside = new Set(facesBeside(cut, sorted));
  const boxOf = ({ vertices }: WholeFace): Box3 =>
    boxOfPoints(vertices.flatMap((v) => [...places.subarray(3 * v, 3 * v + 3)]));
  const loose =
    apart.size === 0
      ? EMPTY_BOX
      : sorted.whole
          .filter(({ source }) => apart.has(source))
          .map(boxOf)
          .reduce(aroundBoxes, EMPTY_BOX);
  const isNear = (face: WholeFace): boolean => apart.size > 0 && boxesMeet(boxOf(face), loose);
  const whole = sorted.whole.filter((face) => face.source !== body || beside.has(face) || isNear(face));
  const mesh = meshOf({ ...cut, places }, sorted.touched, [...whole, ...(sorted.made ?? [])]);
  if (meshCrosses(mesh)) return 'exactly';
  return meshCrosses({ ...mesh, positions: places.map(Math.fround) }) ? 'rounded' : undefined;
}

function meshOf(
  { places, vertices }: CutTriangles,
  triangles: readonly number[],
  whole: readonly (PlainFace & { isTurned?: boolean })[],
): PolygonMesh {
  const faces = [
    ...triangles.map((t) => vertices.subarray(3 * t, 3 * t + 3)),
    ...whole.map((face) => (face.isTurned ? [...face.vertices].reverse() : face.vertices)),
  ];
  const faceStart = new Uint32Array(faces.length + 1);
  faces.forEach((face, f) => (faceStart[f + 1] = faceStart[f] + face.length));
  const faceVertices = new Uint32Array(faceStart[faces.length]);
  faces.forEach((face, f) => faceVertices.set(face, faceStart[f]));
  return { ...emptyMesh(), positions: places, faceStart, faceVertices };
}
