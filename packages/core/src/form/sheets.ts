import type { FormShape } from '../document/index.ts';
import { cos, PI, sin, unit, type Box3, type Vec3 } from '../math/index.ts';
import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { piecesOf } from './rings.ts';

/** A sheet of clay that stands on its foot, its middle in front of or behind its borders, across and up. */
export function shell({ widthMm, heightMm, thickMm, acrossMm, upMm }: Extract<FormShape, { kind: 'shell' }>, tolerance: number): PolygonMesh {
  const surface = (u: number, v: number): { at: Vec3; normal: Vec3 } => ({
    at: [(u * widthMm) / 2, ((v + 1) * heightMm) / 2, acrossMm * (1 - u * u) + upMm * (1 - v * v)],
    normal: unit([(4 * acrossMm * u) / widthMm, (4 * upMm * v) / heightMm, 1]),
  });
  const columns = cellsFor(acrossMm, tolerance);
  const rows = cellsFor(upMm, tolerance);
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  const side = (deep: number): number[][] =>
    Array.from({ length: rows + 1 }, (_, j) =>
      Array.from({ length: columns + 1 }, (__, i) => {
        const { at, normal } = surface((2 * i) / columns - 1, (2 * j) / rows - 1);
        return builder.vertex(at[0] - deep * normal[0], at[1] - deep * normal[1], at[2] - deep * normal[2]);
      }),
    );
  const [front, back] = [side(0), side(thickMm)];
  for (let j = 0; j < rows; j++) {
    for (let i = 0; i < columns; i++) {
      builder.face([front[j][i], front[j][i + 1], front[j + 1][i + 1], front[j + 1][i]], region);
      builder.face([back[j][i], back[j + 1][i], back[j + 1][i + 1], back[j][i + 1]], region);
    }
  }
  const border = (grid: number[][]): number[] => [
    ...grid[0],
    ...grid.slice(1).map((row) => row[columns]),
    ...grid[rows].slice(0, -1).reverse(),
    ...grid.slice(1, -1).map((row) => row[0]).reverse(),
  ];
  const [a, b] = [border(front), border(back)];
  a.forEach((from, i) => builder.face([from, b[i], b[(i + 1) % b.length], a[(i + 1) % a.length]], region));
  return builder.finish();
} // prettier-ignore

/** Cells of a parabola as high as this over both halves; a saddle's quads need twice as many. */
const cellsFor = (rise: number, tolerance: number): number =>
  2 * Math.min(200, Math.max(4, Math.ceil(Math.sqrt(Math.abs(rise) / (2 * tolerance)))));

/** A plate with round corners behind a box: its front is where the box's back is. */
export function panel({ marginMm, thickMm, cornerMm }: Extract<FormShape, { kind: 'panel' }>, { low, high }: Box3, tolerance: number): PolygonMesh {
  const [x0, x1, y0, y1] = [low[0] - marginMm, high[0] + marginMm, low[1] - marginMm, high[1] + marginMm];
  const radius = Math.min(cornerMm, (x1 - x0) / 2.001, (y1 - y0) / 2.001);
  const steps = radius > 0 ? piecesOf(radius, tolerance) / 4 : 0;
  const corners = [[x1 - radius, y0 + radius, -90], [x1 - radius, y1 - radius, 0], [x0 + radius, y1 - radius, 90], [x0 + radius, y0 + radius, 180]];
  const outline = corners.flatMap(([x, y, start]) =>
    Array.from({ length: steps + 1 }, (_, i) => {
      const angle = (PI * (start + (steps > 0 ? (90 * i) / steps : 0))) / 180;
      return steps > 0 ? [x + radius * cos(angle), y + radius * sin(angle)] : [x, y];
    }),
  );
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  const [front, back] = [low[2], low[2] - thickMm].map((z) => outline.map(([x, y]) => builder.vertex(x, y, z)));
  builder.face(front, region);
  builder.face([...back].reverse(), region);
  front.forEach((a, i) => builder.face([a, back[i], back[(i + 1) % back.length], front[(i + 1) % front.length]], region));
  return builder.finish();
} // prettier-ignore
