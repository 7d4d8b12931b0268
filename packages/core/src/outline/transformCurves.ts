import { pointAt, type CurveTable } from './curves.ts';

/** Rows of a 2 x 2 matrix: x' = a x + b y, y' = c x + d y. */
export type CurveForm = readonly [number, number, number, number];

/** The curves after the form, then moved: Bezier curves go over by their control points. */
export function transformCurves(
  curves: CurveTable,
  [a, b, c, d]: CurveForm,
  [dx, dy]: readonly [number, number] = [0, 0],
): CurveTable {
  const control = new Float64Array(curves.control.length);
  for (let i = 0; i < control.length; i += 2) {
    const [x, y] = [curves.control[i], curves.control[i + 1]];
    control[i] = a * x + b * y + dx;
    control[i + 1] = c * x + d * y + dy;
  }
  return { ...curves, control };
}

export interface CurveBox {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** The exact box around curves: their ends, and where a coordinate stands still. Undefined for none. */
export function curveBounds(curves: CurveTable): CurveBox | undefined {
  if (curves.degree.length === 0) return undefined;
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  const take = (i: number, t: number): void => {
    const { x, y } = pointAt(curves, i, t);
    box.minX = Math.min(box.minX, x);
    box.maxX = Math.max(box.maxX, x);
    box.minY = Math.min(box.minY, y);
    box.maxY = Math.max(box.maxY, y);
  };
  for (let i = 0; i < curves.degree.length; i++) {
    take(i, 0);
    take(i, 1);
    for (const k of [0, 1]) for (const t of standstills(curves, i, k)) take(i, t);
  }
  return box;
}

/** Parameters inside (0, 1) where coordinate k of a curve has no speed. */
function standstills({ degree, control }: CurveTable, i: number, k: number): number[] {
  const p = [0, 1, 2, 3].map((j) => control[i * 8 + 2 * j + k]);
  if (degree[i] === 1) return [];
  if (degree[i] === 2) return roots(0, p[0] - 2 * p[1] + p[2], p[1] - p[0]);
  return roots(p[3] - 3 * p[2] + 3 * p[1] - p[0], 2 * (p[2] - 2 * p[1] + p[0]), p[1] - p[0]);
}

/** Of a t^2 + b t + c, inside (0, 1). */
function roots(a: number, b: number, c: number): number[] {
  const inside = (t: number): boolean => t > 0 && t < 1;
  if (a === 0) return b === 0 ? [] : [-c / b].filter(inside);
  const under = b * b - 4 * a * c;
  if (under < 0) return [];
  // the form that does not cancel (Numerical Recipes, 5.6)
  const q = -(b + (b < 0 ? -1 : 1) * Math.sqrt(under)) / 2;
  return [q / a, ...(q === 0 ? [] : [c / q])].filter(inside);
}
