import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import type { Vec3 } from '../math/index.ts';

/** A row of points; one point is a tip. */
export type FormRing = readonly Vec3[];

export interface RingOptions {
  /** the last ring is joined to the first */
  closed: boolean;
  /** ends that are no tips become one face each */
  capped?: boolean;
}

/**
 * Rings of equally many points, joined by quads (by triangles at tips). Points of a ring run counter-clockwise as one
 * looks back from the rings that follow, so that faces look outward.
 */
export function joinRings(rings: readonly FormRing[], { closed, capped = false }: RingOptions): PolygonMesh {
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  const ids = rings.map((ring) => ring.map(([x, y, z]) => builder.vertex(x, y, z)));
  const join = (a: readonly number[], b: readonly number[]): void => {
    const count = Math.max(a.length, b.length);
    for (let i = 0; i < count; i++) {
      const next = (i + 1) % count;
      if (a.length === 1 && b.length === 1) continue;
      if (a.length === 1) builder.face([a[0], b[next], b[i]], region);
      else if (b.length === 1) builder.face([a[i], a[next], b[0]], region);
      else builder.face([a[i], a[next], b[next], b[i]], region);
    }
  };
  for (let r = 0; r + 1 < ids.length; r++) join(ids[r], ids[r + 1]);
  if (closed) join(ids[ids.length - 1], ids[0]);
  if (capped) {
    const [first, last] = [ids[0], ids[ids.length - 1]];
    if (first.length > 2) builder.face([...first].reverse(), region);
    if (last.length > 2) builder.face(last, region);
  }
  return builder.finish();
}

/** Pieces of a full circle whose chords stay within a tolerance; a multiple of four. */
export function piecesOf(radius: number, tolerance: number): number {
  const half = Math.sqrt(Math.max(1e-9, (2 * tolerance) / Math.max(radius, tolerance)));
  return Math.min(MOST_PIECES, Math.max(LEAST_PIECES, 4 * Math.ceil(Math.PI / half / 4)));
}

const LEAST_PIECES = 24;
const MOST_PIECES = 512;
