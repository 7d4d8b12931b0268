import { isShapeStep, type Piece } from '../document/index.ts';
import { triangulate } from '../mesh/index.ts';
import { chainOf, plainPoint } from '../shape/index.ts';
import { distortionAt, mapOf } from '../surface/index.ts';
import type { Evaluated } from './engine.ts';

/** What is painted on lettering that lies on a model: nine numbers a triangle, and how far lengths are off at each of its corners, as a share. */
export interface StretchPlaces {
  triangles: Float32Array;
  values: Float32Array;
}

/** How far lengths of laid lettering are off against flat ones, corner by corner; nothing where a piece lies on no model. */
export function stretchPlaces({ steps }: Piece, { clusters, letters, onto, flat }: Evaluated): StretchPlaces {
  if (!onto || !flat) return { triangles: new Float32Array(0), values: new Float32Array(0) };
  const shape = steps.filter((step) => step.on).filter(isShapeStep);
  const before = chainOf(
    shape.slice(
      0,
      shape.findIndex(({ id }) => id === onto.stepId),
    ),
    { box: flat },
  );
  const map = mapOf(onto.grid);
  const rows = clusters.map(({ mesh, rest = mesh.positions, letters: own }) => {
    const { corners } = triangulate(mesh);
    const triangles = new Float32Array(3 * corners.length);
    const values = new Float32Array(corners.length);
    const baseline = letters[own[0]]?.y ?? 0;
    const known = new Map<number, number>();
    const valueAt = (v: number): number => {
      const [x, y] = before.at(plainPoint([rest[3 * v], rest[3 * v + 1], rest[3 * v + 2]]));
      const { longest, shortest } = distortionAt(map, x, y, baseline);
      return Math.max(Math.abs(longest - 1), Math.abs(shortest - 1));
    };
    corners.forEach((corner, i) => {
      const v = mesh.faceVertices[corner];
      const value = known.get(v) ?? valueAt(v);
      known.set(v, value);
      values[i] = value;
      for (let k = 0; k < 3; k++) triangles[3 * i + k] = mesh.positions[3 * v + k];
    });
    return { triangles, values };
  });
  const joined = (pick: (row: StretchPlaces) => Float32Array): Float32Array => {
    const whole = new Float32Array(rows.reduce((sum, row) => sum + pick(row).length, 0));
    rows.reduce((at, row) => (whole.set(pick(row), at), at + pick(row).length), 0);
    return whole;
  };
  return { triangles: joined((row) => row.triangles), values: joined((row) => row.values) };
}
