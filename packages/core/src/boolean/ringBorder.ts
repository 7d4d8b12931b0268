import { next, type TouchedSurface } from './touched.ts';

/** A vertex of the cut line, from the side of the body's faces. */
export interface Fan {
  /** triangles of the body round it, in order, from the edge that leaves it along the cut line to the one that comes */
  triangles: number[];
  /**
   * the vertex at the other end of the one edge between two flat faces that it has; undefined where it lies inside one
   * face
   */
  along: number | undefined;
}

export interface RingBorder {
  /** edges of the cut line as the body's triangles walk them: the corners that start them */
  edges: number[];
  /**
   * vertices that a ring may leave behind; others have faces on more than two planes round them, or hold several pieces
   * of surface together
   */
  fans: Map<number, Fan>;
}

/** What will lie between an edge of the cut line and its twin, in the plane of a triangle. */
export interface Strip {
  t: number;
  /** the edge, and its twin back */
  corners: [number, number, number, number];
}

/** Where the touched faces of a body end at what cuts it. */
export function ringBorder(surface: TouchedSurface, isBody: (t: number) => boolean): RingBorder {
  const { vertices } = surface.cut;
  const edges: number[] = [];
  const starts = new Map<number, number[]>();
  for (const t of surface.left()) {
    if (!isBody(t)) continue;
    for (let c = 3 * t; c < 3 * t + 3; c++) {
      const back = surface.edge(vertices[next(c)], vertices[c]);
      if (back === undefined || isBody(Math.floor(back / 3))) continue;
      edges.push(c);
      starts.set(vertices[c], [...(starts.get(vertices[c]) ?? []), c]);
    }
  }
  const fans = new Map<number, Fan>();
  for (const [v, corners] of starts) {
    const fan = corners.length === 1 ? fanFrom(surface, corners[0], isBody) : undefined;
    if (fan) fans.set(v, fan);
  }
  return { edges, fans };
}

/** Undefined where it does not go round to the cut line again over touched faces of two planes at most. */
function fanFrom(surface: TouchedSurface, first: number, isBody: (t: number) => boolean): Fan | undefined {
  const { vertices } = surface.cut;
  const v = vertices[first];
  const triangles: number[] = [];
  let along: number | undefined;
  for (let corner = first; ;) {
    const t = Math.floor(corner / 3);
    triangles.push(t);
    const far = vertices[next(next(corner))];
    const back = surface.edge(v, far);
    // the next triangle has the edge out to where this one comes from
    if (back === undefined || !isBody(Math.floor(back / 3))) {
      const others = surface.ringOf(v).filter(isBody);
      return back !== undefined && others.length === triangles.length ? { triangles, along } : undefined;
    }
    if (triangles.length > surface.ringOf(v).length) return undefined;
    if (surface.groupOf(Math.floor(back / 3)) !== surface.groupOf(t)) {
      if (along !== undefined) return undefined;
      along = far;
    }
    corner = back;
  }
}
