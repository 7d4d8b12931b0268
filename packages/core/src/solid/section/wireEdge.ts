import { cos, PI, sin } from '../../math/index.ts';
import { edgeRows, endsLevel, WALL_SHARE } from './edgeRows.ts';
import type { EdgeShape } from './shapes.ts';

/**
 * Half of a regular polygon's profile with flat sides in front and outside, as an edge: what makes a wire of a band that is `thickMm` wide and
 * deep. `sides`: a multiple of four.
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

/** An edge as a quarter of a wire's section, mm: from the middle of its band to the outside, as deep as half the wire. */
export function edgeOfWire(thickMm: number, edge: EdgeShape): EdgeShape {
  if (edge.kind === 'rows' || edge.kind === 'plain') return { kind: 'rows', rows: [] };
  const sized = { ...edge, inMm: thickMm / 2, deepMm: thickMm / 2 };
  return endsLevel(sized, edgeRows(sized)) ? { ...sized, deepMm: (WALL_SHARE * thickMm) / 2 } : sized;
}
