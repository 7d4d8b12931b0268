import type { RingLine, RingPlace } from './ringLine.ts';

export interface Touch {
  radius: number;
  /** where the ball touches the other side */
  place: RingPlace;
  /** unit normal there, to the inside; of a corner point the direction to the middle of the ball */
  nx: number;
  ny: number;
}

/** Below this a segment faces the way the ball grows and is never met. */
const FACING = 1e-9;

/**
 * The largest ball inside that touches the rings at (px, py), growing along the unit normal (nx, ny): its tangent line
 * there, its other contact the nearest segment or corner. `skip`: segments that the place lies on. A ball of radius r
 * about p + r n touches the line of a segment with unit normal m at distance d from p where d + r n.m = r, and a point
 * at offset v where r = v.v / 2 v.n.
 */
export function innerBall(
  line: RingLine,
  { px, py, nx, ny, skip }: { px: number; py: number; nx: number; ny: number; skip: readonly number[] },
): Touch | undefined {
  let radius = Infinity;
  let segment = -1;
  let along = 0;
  const { x, y, next, prev, length, nx: inX, ny: inY } = line;
  // asked at every point of the rings, of all others
  const count = x.length;
  for (let i = 0; i < count; i++) {
    const vx = x[i] - px;
    const vy = y[i] - py;
    const ahead = vx * nx + vy * ny;
    const square = vx * vx + vy * vy;
    // the segment's nearest point lies within its length of its start
    if (ahead > 0 && square < 2 * ahead * radius && square > 1e-12 && !skip.includes(i) && !skip.includes(prev[i])) {
      radius = square / (2 * ahead);
      segment = i;
      along = 0;
    }
    const mx = inX[i];
    const my = inY[i];
    const opens = 1 - (mx * nx + my * ny);
    if (opens <= FACING) continue;
    const distance = -(vx * mx + vy * my);
    const r = distance / opens;
    if (!(distance > 0) || r >= radius || skip.includes(i)) continue;
    // the contact is the foot of the ball's middle
    const cx = px + r * nx - x[i];
    const cy = py + r * ny - y[i];
    const to = next[i];
    const share = (cx * (x[to] - x[i]) + cy * (y[to] - y[i])) / (length[i] * length[i]);
    if (share < 0 || share > 1) continue;
    radius = r;
    segment = i;
    along = share;
  }
  if (segment < 0) return undefined;
  const to = next[segment];
  const place = {
    segment,
    along,
    x: x[segment] + along * (x[to] - x[segment]),
    y: y[segment] + along * (y[to] - y[segment]),
  };
  return {
    radius,
    place,
    nx: (px + radius * nx - place.x) / radius,
    ny: (py + radius * ny - place.y) / radius,
  };
}
