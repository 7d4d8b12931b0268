import type { CutTriangles } from './readOut.ts';
import { moveRing } from './moveRing.ts';
import { ringBorder, type RingBorder, type Strip } from './ringBorder.ts';
import type { PlainFace, Sorted } from './sortOut.ts';
import { faceOfGroup, type CutSource } from './source.ts';
import { next, TouchedSurface } from './touched.ts';

export interface CutRing {
  cut: CutTriangles;
  /** four corners each, three where one end of an edge had to stay */
  faces: PlainFace[];
  /** edges of the cut line, and those that have four corners beside them */
  edges: number;
  quads: number;
}

interface Job {
  body: CutSource;
  /** how wide the ring is where there is room, mm */
  widthMm: number;
}

/**
 * A ring of quads along the cut line, inside the old faces of the body: every vertex of the line gets a second one
 * beside it, in the plane of its face or on the old edge that meets the line there, so the surface stays what it was.
 */
export function ringAround(
  before: CutTriangles,
  sorted: Sorted,
  sources: ReadonlyMap<number, CutSource>,
  { body, widthMm }: Job,
): CutRing {
  const isBody = (t: number): boolean => before.source[t] === body.id;
  const border = ringBorder(new TouchedSurface(before, sorted, sources), isBody);
  const twins = new Map([...border.fans.keys()].map((v, i) => [v, before.places.length / 3 + i]));
  const cut = {
    ...before,
    vertices: before.vertices.slice(),
    numbers: before.numbers.slice(),
    places: withTwins(before.places, twins),
  };
  const own = sorted.touched.filter(isBody);
  const surface = new TouchedSurface(cut, { ...sorted, touched: own }, sources);
  const strips = stripsOf(before, border, twins);
  for (const [v, twin] of twins) replace(surface, v, twin);
  const stays = moveRing(surface, { border, twins, strips, widthMm });
  for (const v of stays) replace(surface, twins.get(v) as number, v);
  const nameOf = new Map(stays.map((v) => [twins.get(v) as number, v]));
  const faces: PlainFace[] = [];
  let quads = 0;
  for (const { t, corners } of strips) {
    const vertices = corners.map((v) => nameOf.get(v) ?? v).filter((v, i, all) => all.indexOf(v) === i);
    if (vertices.length === 4) quads++;
    if (vertices.length > 2) faces.push({ source: body, face: faceOfGroup(body, cut.group[t]), vertices });
  }
  return { cut, faces, edges: border.edges.length, quads };
}

function stripsOf({ vertices }: CutTriangles, { edges }: RingBorder, twins: ReadonlyMap<number, number>): Strip[] {
  return edges.map((corner) => {
    const [a, b] = [vertices[corner], vertices[next(corner)]];
    return { t: Math.floor(corner / 3), corners: [a, b, twins.get(b) ?? b, twins.get(a) ?? a] };
  });
}

/** Each twin stands where its vertex does at first. */
function withTwins(places: Float64Array, twins: ReadonlyMap<number, number>): Float64Array {
  const all = new Float64Array(places.length + 3 * twins.size);
  all.set(places);
  for (const [v, twin] of twins) all.copyWithin(3 * twin, 3 * v, 3 * v + 3);
  return all;
}

/** Another vertex in all triangles that have one. */
function replace(surface: TouchedSurface, old: number, vertex: number): void {
  const { vertices, numbers } = surface.cut;
  for (const t of [...surface.ringOf(old)]) {
    const corners = [3 * t, 3 * t + 1, 3 * t + 2].map((c) =>
      vertices[c] === old ? ([vertex, -1] as const) : ([vertices[c], numbers[c]] as const),
    );
    surface.set(t, corners);
  }
}
