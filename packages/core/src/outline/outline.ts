/**
 * Closed polygons on the integer grid, the inside to the left of every edge (outer rings counter-clockwise, counters
 * clockwise). Edge i runs from vertex i to the next vertex of its ring and knows its origin: `curve` (index into the
 * curve table of its letter, -1 when none), the curve's parameters `t0`, `t1` at its ends, and `letter` (index among
 * the letters of its cluster).
 */
export interface Outline {
  x: Float64Array;
  y: Float64Array;
  /** first vertex of each ring, and the number of vertices at the end */
  ringStart: Uint32Array;
  curve: Int32Array;
  t0: Float64Array;
  t1: Float64Array;
  letter: Int32Array;
  /** 1 where the drawing turns sharply at vertex i */
  corner: Uint8Array;
}

export interface Vertex {
  x: number;
  y: number;
  curve: number;
  t0: number;
  t1: number;
  letter: number;
  corner: number;
}

export type VertexRing = Vertex[];

export function toRings(outline: Outline): VertexRing[] {
  const rings: VertexRing[] = [];
  for (let r = 0; r + 1 < outline.ringStart.length; r++) {
    const ring: VertexRing = [];
    for (let i = outline.ringStart[r]; i < outline.ringStart[r + 1]; i++) {
      ring.push({
        x: outline.x[i],
        y: outline.y[i],
        curve: outline.curve[i],
        t0: outline.t0[i],
        t1: outline.t1[i],
        letter: outline.letter[i],
        corner: outline.corner[i],
      });
    }
    rings.push(ring);
  }
  return rings;
}

export function fromRings(rings: readonly VertexRing[]): Outline {
  const ringStart = new Uint32Array(rings.length + 1);
  rings.forEach((ring, r) => (ringStart[r + 1] = ringStart[r] + ring.length));
  const outline = blankOutline(ringStart);
  let at = 0;
  for (const ring of rings) {
    for (const v of ring) {
      outline.x[at] = v.x;
      outline.y[at] = v.y;
      outline.curve[at] = v.curve;
      outline.t0[at] = v.t0;
      outline.t1[at] = v.t1;
      outline.letter[at] = v.letter;
      outline.corner[at++] = v.corner;
    }
  }
  return outline;
}

function blankOutline(ringStart: Uint32Array): Outline {
  const count = ringStart[ringStart.length - 1];
  return {
    x: new Float64Array(count),
    y: new Float64Array(count),
    ringStart,
    curve: new Int32Array(count),
    t0: new Float64Array(count),
    t1: new Float64Array(count),
    letter: new Int32Array(count),
    corner: new Uint8Array(count),
  };
}

/** Twice the signed area; exact on the grid. */
export function doubledArea(ring: readonly { x: number; y: number }[]): number {
  let sum = 0;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    sum += (ring[j].x - ring[0].x) * (ring[i].y - ring[0].y) - (ring[i].x - ring[0].x) * (ring[j].y - ring[0].y);
  }
  return sum;
}

/** Moves an outline by whole grid steps and gives its edges to another letter. */
export function placed(outline: Outline, dx: number, dy: number, letter: number): VertexRing[] {
  return toRings(outline).map((ring) => ring.map((v) => ({ ...v, x: v.x + dx, y: v.y + dy, letter })));
}

export const outlineBytes = (outline: Outline): number => outline.x.length * 45 + 200;

/** Index of the vertex after i in its ring, for all vertices. */
export function nextVertices(outline: Outline): Uint32Array {
  const next = new Uint32Array(outline.x.length);
  for (let r = 0; r + 1 < outline.ringStart.length; r++) {
    const start = outline.ringStart[r];
    const end = outline.ringStart[r + 1];
    for (let i = start; i < end; i++) next[i] = i + 1 < end ? i + 1 : start;
  }
  return next;
}
