import { doubledArea, type Vertex, type VertexRing } from './outline.ts';

export interface TidyOptions {
  /** edges shorter than this are merged away, grid steps */
  shortest: number;
  /** rings of less than this doubled area are dropped, square grid steps */
  smallestDoubledArea: number;
}

/**
 * Drops short edges, points within one grid step of their neighbours' line, and rings that enclose nothing but dust,
 * however they wind.
 */
export function tidy(rings: readonly VertexRing[], options: TidyOptions): VertexRing[] {
  return rings
    .map((ring) => tidyRing(ring, options.shortest))
    .filter((ring) => ring.length >= 3 && spread(ring) >= options.smallestDoubledArea);
}

/**
 * The area of a ring's triangles about its first point, none counted against another: a ring that crosses itself has
 * some.
 */
function spread(ring: VertexRing): number {
  let sum = 0;
  for (let i = 1; i + 1 < ring.length; i++) sum += Math.abs(doubledArea([ring[0], ring[i], ring[i + 1]]));
  return sum;
}

function tidyRing(ring: VertexRing, shortest: number): VertexRing {
  let current = ring.slice();
  for (;;) {
    const kept = onePass(current, shortest);
    if (kept.length === current.length || kept.length < 3) return kept;
    current = kept;
  }
}

/** Never drops two neighbours in one pass, so that a row of nearly straight points can't drift away from its curve. */
function onePass(ring: VertexRing, shortest: number): VertexRing {
  const kept: VertexRing = [];
  let droppedBefore = false;
  for (let i = 0; i < ring.length; i++) {
    const before = kept.length > 0 ? kept[kept.length - 1] : ring[ring.length - 1];
    const here = ring[i];
    const after = ring[(i + 1) % ring.length];
    const last = i === ring.length - 1;
    if (!droppedBefore && !(last && kept.length < 3) && isNeedless(before, here, after, shortest)) {
      if (kept.length > 0) kept[kept.length - 1] = joined(before, here);
      else ring[ring.length - 1] = joined(before, here);
      droppedBefore = true;
      continue;
    }
    kept.push(here);
    droppedBefore = false;
  }
  return kept;
}

/**
 * Of a short edge the end that is no corner goes; a point on its neighbours' line goes, one where the ring folds back
 * stays.
 */
function isNeedless(a: Vertex, b: Vertex, c: Vertex, shortest: number): boolean {
  const abx = b.x - a.x;
  const aby = b.y - a.y;
  const bcx = c.x - b.x;
  const bcy = c.y - b.y;
  const shortIn = abx * abx + aby * aby < shortest * shortest;
  const shortOut = bcx * bcx + bcy * bcy < shortest * shortest;
  if (shortIn && (!b.corner || a.corner)) return true;
  if (shortOut && c.corner && !b.corner) return true;
  const acx = c.x - a.x;
  const acy = c.y - a.y;
  const lengthSquared = acx * acx + acy * acy;
  const cross = abx * acy - aby * acx;
  const along = abx * acx + aby * acy;
  return cross * cross <= lengthSquared && along >= 0 && along <= lengthSquared;
}

/** One edge for two: the origin of the longer, or both when they come one after the other on one curve. */
function joined(a: Vertex, b: Vertex): Vertex {
  if (a.curve === b.curve && a.letter === b.letter && a.t1 === b.t0) return { ...a, t1: b.t1 };
  const longerFirst = a.t1 - a.t0 >= b.t1 - b.t0;
  const origin = longerFirst ? a : b;
  return { ...a, curve: origin.curve, letter: origin.letter, t0: origin.t0, t1: origin.t1 };
}
