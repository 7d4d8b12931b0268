import { adjacency, faceCount, triangulate, type PolygonMesh, type Triangles } from '../mesh/index.ts';
import { findCrossings } from './crossings.ts';
import { bentFaces, poleVertices } from './figures.ts';
import { NARROW, narrowFaces } from './narrowFaces.ts';
import { triangleShape } from './triangleShape.ts';

/** What can be shown on the model. */
export type PlaceKind = 'crossing' | 'slivers' | 'long' | 'degenerate' | 'poles' | 'bent' | 'notQuads' | 'open';

/** The triangles that a check is about: nine numbers each. */
export function faultPlaces(mesh: PolygonMesh, kind: PlaceKind): Float32Array {
  const triangles = triangulate(mesh);
  const shapes = Array.from(triangles.face, (_, t) => triangleShape(mesh, triangles, t));
  const crossing = new Uint8Array(faceCount(mesh));
  if (kind === 'crossing') {
    const hasArea = Uint8Array.from(shapes, ({ area }) => (area > 0 ? 1 : 0));
    for (const f of findCrossings(mesh, triangles, hasArea).faces) crossing[f] = 1;
  }
  const marked = markedFaces(mesh, kind, triangles) ?? crossing;
  const isMeant = (t: number): boolean =>
    kind === 'degenerate' ? !(shapes[t].area > 0) : marked[triangles.face[t]] === 1;
  const places: number[] = [];
  for (let t = 0; t < shapes.length; t++) {
    if (!isMeant(t)) continue;
    for (let k = 0; k < 3; k++) {
      const v = mesh.faceVertices[triangles.corners[3 * t + k]] * 3;
      places.push(mesh.positions[v], mesh.positions[v + 1], mesh.positions[v + 2]);
    }
  }
  return Float32Array.from(places);
}

/** Faces that a check is about as wholes; undefined for those that are about triangles, or need a search. */
function markedFaces(mesh: PolygonMesh, kind: PlaceKind, triangles: Triangles): Uint8Array | undefined {
  if (kind === 'bent') return bentFaces(mesh);
  if (kind === 'open') return atOpenEdges(mesh);
  if (kind === 'slivers' || kind === 'long') {
    const narrow = kind === 'slivers' ? NARROW.sliver : NARROW.long;
    return narrowFaces(mesh, triangles).map((is) => (is === narrow ? 1 : 0));
  }
  const size = (f: number): number => mesh.faceStart[f + 1] - mesh.faceStart[f];
  if (kind === 'notQuads') return Uint8Array.from({ length: faceCount(mesh) }, (_, f) => (size(f) === 4 ? 0 : 1));
  if (kind !== 'poles') return undefined;
  const poles = poleVertices(mesh, adjacency(mesh).twin);
  return Uint8Array.from({ length: faceCount(mesh) }, (_, f) =>
    mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]).some((v) => poles[v] === 2) ? 1 : 0,
  );
}

/** Faces with an edge that no other face goes along the other way. */
function atOpenEdges(mesh: PolygonMesh): Uint8Array {
  const { twin, face } = adjacency(mesh);
  const marked = new Uint8Array(faceCount(mesh));
  for (let c = 0; c < twin.length; c++) if (twin[c] < 0) marked[face[c]] = 1;
  return marked;
}
