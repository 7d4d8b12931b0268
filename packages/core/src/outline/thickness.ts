import { lengthOf } from '../math/index.ts';
import { nextVertices, type Outline } from './outline.ts';

/** Strokes measured across: how thick, and over what length of their outline. */
export interface Crossing {
  thickness: number;
  length: number;
}

/** Outlines of more edges than this are measured at every so many edges. */
const MOST_SAMPLES = 1500;
/** The far side faces back within this cosine. */
const OPPOSED = -0.5;

/**
 * From the middle of each edge straight across the ink to the side that faces it; grid steps. What ends in no such side
 * is no stroke.
 */
export function strokeCrossings(outline: Outline): Crossing[] {
  const next = nextVertices(outline);
  const count = outline.x.length;
  const every = Math.max(1, Math.ceil(count / MOST_SAMPLES));
  const found: Crossing[] = [];
  for (let i = 0; i < count; i += every) {
    const [ax, ay, bx, by] = [outline.x[i], outline.y[i], outline.x[next[i]], outline.y[next[i]]];
    const length = lengthOf(bx - ax, by - ay);
    if (length === 0) continue;
    // the ink lies to the left
    const normal = [-(by - ay) / length, (bx - ax) / length] as const;
    const hit = firstHit(outline, next, { x: (ax + bx) / 2, y: (ay + by) / 2, edge: i }, { normal });
    if (hit && hit.cosine < OPPOSED) found.push({ thickness: hit.distance, length: length * every });
  }
  return found;
}

interface Start {
  x: number;
  y: number;
  edge: number;
}

function firstHit(
  outline: Outline,
  next: Uint32Array,
  from: Start,
  { normal: [nx, ny] }: { normal: readonly [number, number] },
): { distance: number; cosine: number } | undefined {
  let best: { distance: number; cosine: number } | undefined;
  for (let j = 0; j < next.length; j++) {
    if (j === from.edge) continue;
    const [px, py] = [outline.x[j] - from.x, outline.y[j] - from.y];
    const [dx, dy] = [outline.x[next[j]] - outline.x[j], outline.y[next[j]] - outline.y[j]];
    const across = nx * dy - ny * dx;
    if (across === 0) continue;
    const distance = (px * dy - py * dx) / across;
    const along = (px * ny - py * nx) / across;
    if (distance <= 0 || along < 0 || along > 1 || (best && distance >= best.distance)) continue;
    const size = lengthOf(dx, dy);
    best = { distance, cosine: (-dy * nx + dx * ny) / size };
  }
  return best;
}

/** The thickness that a share of all measured length lies below; undefined where nothing was measured. */
export function thicknessAt(crossings: readonly Crossing[], share: number): number | undefined {
  const rows = [...crossings].sort((a, b) => a.thickness - b.thickness);
  const total = rows.reduce((sum, row) => sum + row.length, 0);
  let passed = 0;
  for (const row of rows) {
    passed += row.length;
    if (passed >= share * total) return row.thickness;
  }
  return undefined;
}
