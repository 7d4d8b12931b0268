import { measure, place, type ValuesOf } from '../fields/index.ts';
import { unit, type Vec3 } from '../math/index.ts';
import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { defineForm } from './definition.ts';

const SHELL = {
  widthMm: measure(260),
  heightMm: measure(140),
  thickMm: measure(8),
  acrossMm: place({ usual: 40 }),
  upMm: place({ usual: -16 }),
};

/** A sheet of clay that stands on its foot, its middle in front of or behind its borders, across and up. */
function shellMesh(
  { widthMm, heightMm, thickMm, acrossMm, upMm }: ValuesOf<typeof SHELL>,
  tolerance: number,
): PolygonMesh {
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
    ...grid
      .slice(1, -1)
      .map((row) => row[0])
      .reverse(),
  ];
  const [a, b] = [border(front), border(back)];
  a.forEach((from, i) => builder.face([from, b[i], b[(i + 1) % b.length], a[(i + 1) % a.length]], region));
  return builder.finish();
}

/** Cells of a parabola as high as this over both halves; a saddle's quads need twice as many. */
const cellsFor = (rise: number, tolerance: number): number =>
  2 * Math.min(200, Math.max(4, Math.ceil(Math.sqrt(Math.abs(rise) / (2 * tolerance)))));

export const shell = defineForm({ kind: 'shell', fields: SHELL, mesh: shellMesh });
