import { chainOf, isShapeStep } from '../steps/index.ts';
import { type Piece } from '../document/index.ts';
import { restOf } from '../lettering/index.ts';
import type { Vec3 } from '../math/index.ts';
import { triangulate } from '../mesh/index.ts';
import { plainPoint } from '../shape/index.ts';
import { degreesOff, distortionAt, gapAt } from '../surface/index.ts';
import type { Evaluated } from './evaluated.ts';
import { laidMap, type Laid } from './ontoReport.ts';

/** What can be painted on lettering that lies on a model. */
export type LaidPaint = 'length' | 'angle' | 'beside' | 'sunk' | 'floating';

/**
 * Nine numbers a triangle, and at each of its corners how far lengths are off against flat ones as a share, how far
 * right angles are off in degrees, how far it is beside the model from 0 to 1, or how far in mm it lies under the
 * surface or its back over it.
 */
export interface LaidPlaces {
  triangles: Float32Array;
  values: Float32Array;
}

/** Corner by corner; nothing where a piece lies on no model. */
export function laidPlaces(piece: Piece, evaluated: Evaluated, what: LaidPaint): LaidPlaces {
  const { clusters, letters, onto } = evaluated;
  const before = chainBefore(piece, evaluated);
  if (!onto || !before) return { triangles: new Float32Array(0), values: new Float32Array(0) };
  const valueAt = valuesOf(evaluated, what, onto);
  const rows = clusters.map((cluster) => {
    const { mesh, letters: own } = cluster;
    const rest = restOf(cluster) ?? mesh.positions;
    const { corners } = triangulate(mesh);
    const triangles = new Float32Array(3 * corners.length);
    const values = new Float32Array(corners.length);
    const baseline = letters[own[0]]?.y ?? 0;
    const isLaid = own.length === 0 || own.some((i) => onto.stays?.laid.includes(letters[i].id) ?? true);
    const known = new Map<number, number>();
    const p = mesh.positions;
    corners.forEach((corner, i) => {
      const v = mesh.faceVertices[corner];
      const place: Vec3 = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
      const flat = (): Vec3 => before.at(plainPoint([rest[3 * v], rest[3 * v + 1], rest[3 * v + 2]]));
      const value = !isLaid ? 0 : (known.get(v) ?? valueAt(flat(), { place, baseline }));
      known.set(v, value);
      values[i] = value;
      triangles.set(place, 3 * i);
    });
    return { triangles, values };
  });
  return { triangles: joined(rows.map((row) => row.triangles)), values: joined(rows.map((row) => row.values)) };
}

/** What was done to the flat letters before they were laid; undefined where they were not. */
function chainBefore({ steps }: Piece, { onto, flat }: Evaluated): ReturnType<typeof chainOf> | undefined {
  if (!onto || !flat) return undefined;
  const shape = steps.filter((step) => step.on).filter(isShapeStep);
  const at = shape.findIndex(({ id }) => id === onto.stepId);
  return chainOf(shape.slice(0, at), { box: flat });
}

type ValueAt = (flat: Vec3, where: { place: Vec3; baseline: number }) => number;

function valuesOf({ ground }: Evaluated, what: LaidPaint, laid: Laid): ValueAt {
  const map = laidMap(laid);
  if (what === 'sunk' || what === 'floating') {
    const sign = what === 'sunk' ? -1 : 1;
    return (flat, { place }) => (ground ? Math.max(0, sign * gapAt(map, ground, { flat, place })) : 0);
  }
  if (what === 'beside') return ([x, y], { baseline }) => Math.min(1, map.surface.rough(x, y, baseline).off);
  return ([x, y], { baseline }) => {
    const { longest, shortest, skew } = distortionAt(map.surface, x, y, baseline);
    return what === 'angle' ? degreesOff(skew) : Math.max(Math.abs(longest - 1), Math.abs(shortest - 1));
  };
}

function joined(rows: readonly Float32Array[]): Float32Array {
  const whole = new Float32Array(rows.reduce((sum, row) => sum + row.length, 0));
  rows.reduce((at, row) => (whole.set(row, at), at + row.length), 0);
  return whole;
}
