import { adjacency, faceCount, MeshSink, vertexCount, type PolygonMesh } from '../mesh/index.ts';
import type { BodySurface } from './bodySurface.ts';
import { BELOW, type UnderPatch } from './patchUnder.ts';

/**
 * A body with a patch that was cut in its place: the faces beside it as they were, and those of the cut but for walls
 * and bottom. Undefined where those were met, or the seam does not close.
 */
export function putBack(
  body: BodySurface,
  { isIn, border, below }: UnderPatch,
  cut: PolygonMesh,
): PolygonMesh | undefined {
  const isBelow = cut.regions.map(({ of }) => of === BELOW);
  if (cut.region.reduce((sum, region) => sum + (isBelow[region] ? 1 : 0), 0) !== below) return undefined;
  const far = isIn.length - isIn.reduce((sum, one) => sum + one, 0);
  const sink = new MeshSink([body.mesh, cut], { without: ['rest'] });
  for (let f = 0; f < isIn.length; f++) if (!isIn[f]) sink.keep(f, BODY);
  const numberOf = (v: number): number => sink.vertexOf(v, BODY);
  const onSeam = new Map([...border.keys()].map((v) => [placeOf(body.mesh, v), v]));
  if (onSeam.size !== border.size || !isJoined(sink, cut, { onSeam, numberOf })) return undefined;
  for (let f = 0; f < cut.region.length; f++) if (!isBelow[cut.region[f]]) sink.keep(f, CUT);
  const mesh = sink.finish();
  return closes(mesh, { from: far, border, numberOf, body, isIn }) ? mesh : undefined;
}

const [BODY, CUT] = [0, 1];

/** Vertices of the cut that stand where some of the body do are these; whether all are found. */
function isJoined(
  sink: MeshSink,
  cut: PolygonMesh,
  { onSeam, numberOf }: { onSeam: ReadonlyMap<string, number>; numberOf(v: number): number },
): boolean {
  let found = 0;
  for (let v = 0; v < vertexCount(cut); v++) {
    const same = onSeam.get(placeOf(cut, v));
    if (same === undefined) continue;
    found++;
    sink.identify(v, CUT, numberOf(same));
  }
  return found === onSeam.size;
}

const placeOf = ({ positions: p }: PolygonMesh, v: number): string => `${p[3 * v]} ${p[3 * v + 1]} ${p[3 * v + 2]}`;

interface Seam {
  /** faces from here on come from the cut */
  from: number;
  /**
   * where each edge of the border goes on, by the vertex at which it starts; the body's numbers, as the patch walks it
   */
  border: ReadonlyMap<number, number>;
  numberOf(v: number): number;
  body: BodySurface;
  isIn: Uint8Array;
}

/**
 * Whether what was cut has the patch's border for its own, and no edge that the faces beside it have as well. The body
 * itself is closed.
 */
function closes(mesh: PolygonMesh, { from, border, numberOf, body, isIn }: Seam): boolean {
  const first = mesh.faceStart[from];
  const faceVertices = mesh.faceVertices.subarray(first);
  const own = { ...mesh, faceVertices, faceStart: mesh.faceStart.subarray(from).map((c) => c - first) };
  const { twin, openEdges, badEdges } = adjacency(own);
  if (badEdges > 0 || openEdges !== border.size) return false;
  const goesOn = new Map([...border].map(([a, b]) => [numberOf(a), numberOf(b)]));
  const besideSeam = edgesBetween(body, { isIn, border, numberOf }, vertexCount(mesh));
  for (let f = 0; f < faceCount(own); f++)
    for (let c = own.faceStart[f]; c < own.faceStart[f + 1]; c++) {
      const [a, b] = [faceVertices[c], faceVertices[c + 1 < own.faceStart[f + 1] ? c + 1 : own.faceStart[f]]];
      if (twin[c] < 0 ? goesOn.get(a) !== b : besideSeam.has(a * vertexCount(mesh) + b)) return false;
    }
  return true;
}

/** Edges of the faces beside a patch that run from one vertex of its border to another one without being part of it. */
function edgesBetween(
  { mesh, neighbours: { twin, face } }: BodySurface,
  { isIn, border, numberOf }: Pick<Seam, 'isIn' | 'border' | 'numberOf'>,
  vertices: number,
): Set<number> {
  const found = new Set<number>();
  const isOnBorder = new Uint8Array(vertexCount(mesh));
  for (const v of border.keys()) isOnBorder[v] = 1;
  for (let c = 0; c < twin.length; c++) {
    const [a, b] = [mesh.faceVertices[twin[c]], mesh.faceVertices[c]];
    if (isOnBorder[a] && isOnBorder[b] && !isIn[face[c]] && !isIn[face[twin[c]]])
      found.add(numberOf(a) * vertices + numberOf(b));
  }
  return found;
}
