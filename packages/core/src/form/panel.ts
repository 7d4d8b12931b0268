import { measure, piece, type ValuesOf } from '../fields/index.ts';
import { cos, PI, sin, type Box3 } from '../math/index.ts';
import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { piecesOf } from './rings.ts';
import { defineForm } from './definition.ts';
import { lengthOrNone } from './lengthOrNone.ts';

const PANEL = {
  /** id of that piece; empty: none */
  around: piece(),
  marginMm: lengthOrNone(18),
  thickMm: measure(10),
  cornerMm: lengthOrNone(8),
};

/** A plate with round corners behind a box: its front is where the box's back is. */
function panelMesh(
  { marginMm, thickMm, cornerMm }: ValuesOf<typeof PANEL>,
  tolerance: number,
  { low, high }: Box3,
): PolygonMesh {
  const [x0, x1, y0, y1] = [low[0] - marginMm, high[0] + marginMm, low[1] - marginMm, high[1] + marginMm];
  const radius = Math.min(cornerMm, (x1 - x0) / 2.001, (y1 - y0) / 2.001);
  const steps = radius > 0 ? piecesOf(radius, tolerance) / 4 : 0;
  const corners = [
    [x1 - radius, y0 + radius, -90],
    [x1 - radius, y1 - radius, 0],
    [x0 + radius, y1 - radius, 90],
    [x0 + radius, y0 + radius, 180],
  ];
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
  front.forEach((a, i) =>
    builder.face([a, back[i], back[(i + 1) % back.length], front[(i + 1) % front.length]], region),
  );
  return builder.finish();
}

export const panel = defineForm({ kind: 'panel', fields: PANEL, mesh: panelMesh });
