import { faceCount, triangulate, type PolygonMesh } from '../mesh/index.ts';
import { findCrossings } from './crossings.ts';
import { triangleShape } from './triangleShape.ts';

/** What can be shown on the model. */
export type PlaceKind = 'crossing' | 'slivers' | 'degenerate';

/** The triangles that a check is about: nine numbers each. */
export function faultPlaces(mesh: PolygonMesh, kind: PlaceKind): Float32Array {
  const triangles = triangulate(mesh);
  const shapes = Array.from(triangles.face, (_, t) => triangleShape(mesh, triangles, t));
  const crossing = new Uint8Array(faceCount(mesh));
  if (kind === 'crossing') {
    const hasArea = Uint8Array.from(shapes, ({ area }) => (area > 0 ? 1 : 0));
    for (const f of findCrossings(mesh, triangles, hasArea).faces) crossing[f] = 1;
  }
  const isMeant = (t: number): boolean => {
    if (kind === 'crossing') return crossing[triangles.face[t]] === 1;
    return kind === 'slivers' ? shapes[t].isSliver : !(shapes[t].area > 0);
  };
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
