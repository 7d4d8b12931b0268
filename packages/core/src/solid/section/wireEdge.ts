import { cos, PI, sin } from '../../math/index.ts';
import { edgeRows, endsLevel, WALL_SHARE } from './edgeRows.ts';
import type { EdgeShape } from './shapes.ts';

/**
 * Half of a regular polygon's profile with flat sides in front and outside, as an edge: what makes a wire of a band
 * that is `thickMm` wide and deep. `sides`: a multiple of four.
 */
export function wireEdge(thickMm: number, sides: number): EdgeShape {
  if (sides === 4) return { kind: 'rows', rows: [] };
  const radius = thickMm / 2;
  const half = PI / sides;
  const round = radius / cos(half);
  const rows = Array.from({ length: sides / 4 }, (_, i) => {
    const angle = half + (2 * PI * i) / sides;
    return { inMm: Math.max(0, radius - round * sin(angle)), downMm: Math.max(0, radius - round * cos(angle)) };
  });
  return { kind: 'rows', rows };
}

/** Of half a wire: how far in an edge may come that turns back. */
const NECK_SHARE = 0.9;

/**
 * An edge as a quarter of a wire's section, mm: from the middle of its band to the outside, as deep as half the wire.
 */
export function edgeOfWire(thickMm: number, edge: EdgeShape): EdgeShape {
  if (edge.kind === 'rows' || edge.kind === 'plain') return { kind: 'rows', rows: [] };
  const half = thickMm / 2;
  const sized = { ...edge, inMm: half, deepMm: half };
  const rows = edgeRows(sized);
  // what comes back to the middle would part there: a neck is left
  const isNecked = rows.some(({ inMm }, i) => i > 0 && inMm > rows[i - 1].inMm && inMm > NECK_SHARE * half);
  return {
    ...sized,
    inMm: isNecked ? NECK_SHARE * half : half,
    deepMm: endsLevel(sized, rows) ? WALL_SHARE * half : half,
  };
}
