import { findShells } from '../check/index.ts';
import { adjacency, faceAreaVectors, triangulate, type Adjacency, type PolygonMesh } from '../mesh/index.ts';
import { FaceBoxes, UPRIGHT } from './faceBoxes.ts';

/** A body's faces and who is beside whom; only of one closed shell, so that a part of it says what is inside. */
export interface BodySurface {
  mesh: PolygonMesh;
  neighbours: Adjacency;
  /** three numbers a face */
  areas: Float64Array;
  boxes: FaceBoxes;
}

/** Undefined where the mesh is open, of several shells, or inside out. */
export function bodySurface(mesh: PolygonMesh): BodySurface | undefined {
  const neighbours = adjacency(mesh);
  if (neighbours.openEdges + neighbours.badEdges > 0) return undefined;
  const { shells } = findShells(mesh, neighbours, triangulate(mesh));
  if (shells.length !== 1 || !(shells[0].volume > 0)) return undefined;
  return { mesh, neighbours, areas: faceAreaVectors(mesh), boxes: new FaceBoxes(mesh, UPRIGHT) };
}
