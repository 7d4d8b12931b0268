interface FlowPoint {
  x: number;
  y: number;
}

/** Distance of p from the line through a and b, positive on its left. */
function side(a: FlowPoint, b: FlowPoint, p: FlowPoint, length: number): number {
  return ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / length;
}

/**
 * Whether two segments properly cross. Ends that lie within `reach` of the other segment's line only touch it: a chord
 * that ends on a segment would else cross it or not by chance.
 */
export function crosses(a: FlowPoint, b: FlowPoint, c: FlowPoint, d: FlowPoint, reach: number): boolean {
  const ab = Math.sqrt((b.x - a.x) * (b.x - a.x) + (b.y - a.y) * (b.y - a.y));
  const cd = Math.sqrt((d.x - c.x) * (d.x - c.x) + (d.y - c.y) * (d.y - c.y));
  if (ab === 0 || cd === 0) return false;
  const [c1, d1] = [side(a, b, c, ab), side(a, b, d, ab)];
  if (!((c1 > reach && d1 < -reach) || (c1 < -reach && d1 > reach))) return false;
  const [a1, b1] = [side(c, d, a, cd), side(c, d, b, cd)];
  return (a1 > reach && b1 < -reach) || (a1 < -reach && b1 > reach);
}
