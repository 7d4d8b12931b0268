/**
 * A filled piece of the plane: the first points are its boundary's, counter-clockwise quads of point numbers, four a
 * quad.
 */
export interface FlowPatch {
  x: number[];
  y: number[];
  /** points that lie on the boundary: they stay where they are */
  fixed: number;
  quads: number[];
}

/**
 * Least sine of a quad's corners, seen counter-clockwise; below zero where it is folded. The scaled Jacobian (Knupp
 * 2000). Below `enough` the first one is told: it need not be the least.
 */
export function scaledJacobian(
  x: ArrayLike<number>,
  y: ArrayLike<number>,
  quads: ArrayLike<number>,
  q: number,
  enough = -Infinity,
): number {
  let least = 1;
  for (let k = 0; k < 4; k++) {
    const b = quads[q + k];
    const a = quads[q + ((k + 3) & 3)];
    const c = quads[q + ((k + 1) & 3)];
    const ux = x[c] - x[b];
    const uy = y[c] - y[b];
    const vx = x[a] - x[b];
    const vy = y[a] - y[b];
    const lengths = Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
    const sine = lengths > 0 ? (ux * vy - uy * vx) / lengths : 0;
    if (sine < least) {
      if (sine < enough) return sine;
      least = sine;
    }
  }
  return least;
}

export function worstJacobian({ x, y, quads }: FlowPatch): number {
  let least = 1;
  for (let q = 0; q < quads.length; q += 4) least = Math.min(least, scaledJacobian(x, y, quads, q));
  return least;
}

/** Small cells against large ones: the ratio of the 5 % and 95 % quantiles of their areas. */
export function evenness({ x, y, quads }: FlowPatch): number {
  const areas: number[] = [];
  for (let q = 0; q < quads.length; q += 4) {
    const [a, b, c, d] = [quads[q], quads[q + 1], quads[q + 2], quads[q + 3]];
    areas.push((x[c] - x[a]) * (y[d] - y[b]) - (y[c] - y[a]) * (x[d] - x[b]));
  }
  areas.sort((a, b) => a - b);
  return areas[Math.floor(0.05 * (areas.length - 1))] / areas[Math.ceil(0.95 * (areas.length - 1))];
}
