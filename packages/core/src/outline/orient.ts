import { doubledArea, type VertexRing } from './outline.ts';

/**
 * For rings that neither cross nor touch: keeps those that bound ink under the non-zero rule and turns them so that the
 * ink lies to their left. Winding numbers are counted with exact sides.
 */
export function orientByWinding(rings: readonly VertexRing[]): VertexRing[] {
  const turns = rings.map((ring) => Math.sign(doubledArea(ring)));
  const kept: VertexRing[] = [];
  rings.forEach((ring, i) => {
    let outside = 0;
    rings.forEach((other, j) => {
      if (j !== i && contains(other, ring[0].x, ring[0].y)) outside += turns[j];
    });
    const inside = outside + turns[i];
    if ((outside === 0) === (inside === 0)) return;
    const inkInside = inside !== 0;
    kept.push(turns[i] > 0 === inkInside ? ring : reversed(ring));
  });
  return kept;
}

/** Crossing number; the point must not lie on the ring. */
function contains(ring: VertexRing, x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const a = ring[j];
    const b = ring[i];
    if (a.y > y === b.y > y) continue;
    const cross = (b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x);
    if (b.y > a.y ? cross > 0 : cross < 0) inside = !inside;
  }
  return inside;
}

/** The same ring walked the other way; edges keep their origins with parameters swapped. */
function reversed(ring: VertexRing): VertexRing {
  const n = ring.length;
  return ring.map((_, k) => {
    const v = ring[(n - k) % n];
    const edge = ring[(n - k - 1 + n) % n];
    return { ...v, curve: edge.curve, t0: edge.t1, t1: edge.t0, letter: edge.letter };
  });
}
