import type { Box3, ShownPiece, Transform, Vec3 } from '@fictile/core';
import { Box3 as DrawnBox, Matrix4, Raycaster, Vector3, type Intersection, type Object3D, type Ray } from 'three';
import type { GeometryShelf } from './geometries.ts';

/** Marks what is drawn for the hands and never goes into a still picture. */
export const TOOL = { isTool: true };

export function matrixOf({ rows: r, move }: Transform): Matrix4 {
  return new Matrix4().set(r[0], r[1], r[2], move[0], r[3], r[4], r[5], move[1], r[6], r[7], r[8], move[2], 0, 0, 0, 1);
}

/** The box around places on a piece. */
export function boundsOfPlaces(triangles: Float32Array, transform: Transform): DrawnBox {
  return new DrawnBox().setFromArray(Array.from(triangles)).applyMatrix4(matrixOf(transform));
}

/** The box around pieces where they stand; an empty one around none. */
export function boundsOf(pieces: readonly ShownPiece[], shelf: GeometryShelf): Box3 {
  const { min, max } = drawnBounds(pieces, shelf);
  return { low: min.toArray() as Vec3, high: max.toArray() as Vec3 };
}

/** The same box for what draws. */
export const drawnBox = ({ low, high }: Box3): DrawnBox => new DrawnBox(new Vector3(...low), new Vector3(...high));

export function drawnBounds(pieces: readonly ShownPiece[], shelf: GeometryShelf): DrawnBox {
  const all = new DrawnBox();
  for (const piece of pieces) {
    const own = new DrawnBox();
    for (const cluster of piece.clusters) {
      const solid = shelf.get(cluster.key)?.solid;
      if (!solid) continue;
      if (!solid.boundingBox) solid.computeBoundingBox();
      own.union((solid.boundingBox as DrawnBox).clone().translate(new Vector3(cluster.x, cluster.y, cluster.z)));
    }
    if (!own.isEmpty()) all.union(own.applyMatrix4(matrixOf(piece.transform)));
  }
  return all;
}

/** What the group of a piece is called in the scene. */
export const solidName = (pieceId: string): string => `solid ${pieceId}`;

/** Where rays first meet a piece of the scene; undefined where it is not in it. */
export function meetOf(scene: Object3D, pieceId: string): ((ray: Ray) => Intersection | undefined) | undefined {
  const solid = scene.getObjectByName(solidName(pieceId));
  return solid && (({ origin, direction }) => new Raycaster(origin, direction).intersectObject(solid, true).at(0));
}
