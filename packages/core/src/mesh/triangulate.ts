import { orient2d } from '../math/index.ts';
import { areaVector } from './areaVector.ts';
import { triangulateRing } from './constrained.ts';
import { keptBy } from '../base/index.ts';
import { faceCount, type PolygonMesh } from './polygonMesh.ts';
import { isSeenToCross } from './ringCrosses.ts';

export interface Triangles {
  /** three corners of the mesh a triangle */
  corners: Uint32Array;
  /** face of each triangle */
  face: Uint32Array;
  /** faces that have no proper triangulation in their plane (bow-ties); cut as fans */
  folded: number;
}

/**
 * Triangles of all faces: quads by their shorter diagonal that leaves both triangles facing the same way, larger faces
 * by constrained Delaunay in the coordinate plane they lie in most.
 */
export const triangulate = keptBy((mesh: PolygonMesh): Triangles => {
  const corners: number[] = [];
  const face: number[] = [];
  let folded = 0;
  for (let f = 0; f < faceCount(mesh); f++) {
    const start = mesh.faceStart[f];
    const size = mesh.faceStart[f + 1] - start;
    const before = corners.length;
    if (size === 3) corners.push(start, start + 1, start + 2);
    else if (size === 4) pushQuad(mesh, start, corners);
    else if (!pushPolygon(mesh, start, size, corners)) folded++;
    for (let i = before; i < corners.length; i += 3) face.push(f);
  }
  return { corners: new Uint32Array(corners), face: new Uint32Array(face), folded };
});

function pushQuad(mesh: PolygonMesh, start: number, corners: number[]): void {
  const { faceVertices } = mesh;
  const a = 3 * faceVertices[start];
  const b = 3 * faceVertices[start + 1];
  const c = 3 * faceVertices[start + 2];
  const d = 3 * faceVertices[start + 3];
  const first = areasAgree(mesh.positions, a, b, c, d);
  const second = areasAgree(mesh.positions, b, c, d, a);
  const shorterFirst = distanceSquared(mesh.positions, a, c) <= distanceSquared(mesh.positions, b, d);
  if (first && (shorterFirst || !second)) corners.push(start, start + 1, start + 2, start, start + 2, start + 3);
  else if (second) corners.push(start + 1, start + 2, start + 3, start + 1, start + 3, start);
  else corners.push(start, start + 1, start + 2, start, start + 2, start + 3);
}

/** True when the triangles p q r and p r s of a quad face the same way. */
export function areasAgree(v: Float64Array, p: number, q: number, r: number, s: number): boolean {
  const one = areaVector(v, p, q, r);
  const two = areaVector(v, p, r, s);
  return one[0] * two[0] + one[1] * two[1] + one[2] * two[2] > 0;
}

/** Between two rows of three numbers that begin at `p` and `q`. */
export function distanceSquared(v: ArrayLike<number>, p: number, q: number): number {
  const x = v[p] - v[q];
  const y = v[p + 1] - v[q + 1];
  const z = v[p + 2] - v[q + 2];
  return x * x + y * y + z * z;
}

/**
 * From so many corners on a ring that crosses itself is found sooner by looking for that than by failing to fill it.
 */
const LONG = 16;

function pushPolygon(mesh: PolygonMesh, start: number, size: number, corners: number[]): boolean {
  const [u, v] = planeOf(mesh, start, size);
  const x = new Float64Array(size);
  const y = new Float64Array(size);
  for (let i = 0; i < size; i++) {
    x[i] = mesh.positions[mesh.faceVertices[start + i] * 3 + u];
    y[i] = mesh.positions[mesh.faceVertices[start + i] * 3 + v];
  }
  const cut = isStrictlyConvex(x, y) || (size >= LONG && isSeenToCross(x, y)) ? undefined : triangulateRing(x, y);
  if (cut) {
    for (const i of cut) corners.push(start + i);
    return true;
  }
  for (let i = 1; i + 1 < size; i++) corners.push(start, start + i, start + i + 1);
  return isStrictlyConvex(x, y);
}

function isStrictlyConvex(x: Float64Array, y: Float64Array): boolean {
  const n = x.length;
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    const k = (i + 2) % n;
    if (orient2d(x[i], y[i], x[j], y[j], x[k], y[k]) <= 0) return false;
  }
  return true;
}

/** The two axes to keep, in the order in which the face runs counter-clockwise. */
function planeOf(mesh: PolygonMesh, start: number, size: number): [number, number] {
  const v = mesh.positions;
  const n = [0, 0, 0];
  const o = mesh.faceVertices[start] * 3;
  for (let i = 1; i + 1 < size; i++) {
    const part = areaVector(v, o, mesh.faceVertices[start + i] * 3, mesh.faceVertices[start + i + 1] * 3);
    for (let k = 0; k < 3; k++) n[k] += part[k];
  }
  const [ax, ay, az] = n.map(Math.abs);
  if (az >= ax && az >= ay) return n[2] >= 0 ? [0, 1] : [1, 0];
  if (ax >= ay) return n[0] >= 0 ? [1, 2] : [2, 1];
  return n[1] >= 0 ? [2, 0] : [0, 2];
}
