import type { FreeCurve } from '../fields/index.ts';
import { LIMITS } from '../base/index.ts';
import type { DrawingShape } from '../document/index.ts';
import { CurveBuilder, curveBounds, transformCurves, type CurveTable } from '../outline/index.ts';
import { drawPath } from './pathText.ts';

type Point = [number, number];
type KnotPaths = Extract<DrawingShape, { kind: 'paths' }>;

/**
 * The first path of a drawing as a curve of knots in mm, the middle of its box at zero; undefined where it has too
 * many.
 */
export function firstCurve({ elements }: KnotPaths, mmPerUnit: number): FreeCurve | undefined {
  const [a, b, c, d] = elements[0].transform;
  const builder = new CurveBuilder({ keepsOpen: true });
  drawPath(elements[0].path, builder);
  const form = [a * mmPerUnit, c * mmPerUnit, -b * mmPerUnit, -d * mmPerUnit] as const;
  const curves = transformCurves(builder.finish(), form);
  const box = curveBounds(curves);
  const count = curves.contourStart.length > 1 ? curves.contourStart[1] : 0;
  if (!box || count === 0 || count >= LIMITS.knots) return undefined;
  return knotsOf(curves, count, {
    closed: builder.closed[0],
    middle: [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2],
  });
}

function knotsOf(
  curves: CurveTable,
  count: number,
  { closed, middle: [mx, my] }: { closed: boolean; middle: Point },
): FreeCurve {
  const knots: FreeCurve['knots'] = [];
  const at = (i: number, k: number): Point => [
    curves.control[i * 8 + 2 * k] - mx,
    curves.control[i * 8 + 2 * k + 1] - my,
  ];
  for (let i = 0; i < count; i++) {
    const [p0, p1, p2, p3] = asCubic(
      curves.degree[i],
      [0, 1, 2, 3].map((k) => at(i, k)),
    );
    if (i === 0) knots.push({ atMm: p0, inMm: [0, 0], outMm: [0, 0] });
    knots[knots.length - 1].outMm = difference(p1, p0);
    const isLast = i === count - 1;
    if (closed && isLast) knots[0].inMm = difference(p2, p3);
    else knots.push({ atMm: p3, inMm: difference(p2, p3), outMm: [0, 0] });
  }
  return { knots, closed };
}

/** Degrees are raised; lines keep arms of no length. */
function asCubic(degree: number, p: readonly Point[]): [Point, Point, Point, Point] {
  if (degree === 1) return [p[0], p[0], p[1], p[1]];
  if (degree === 3) return [p[0], p[1], p[2], p[3]];
  const towards = (from: Point): Point => [
    from[0] + (2 / 3) * (p[1][0] - from[0]),
    from[1] + (2 / 3) * (p[1][1] - from[1]),
  ];
  return [p[0], towards(p[0]), towards(p[2]), p[2]];
}

const difference = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
