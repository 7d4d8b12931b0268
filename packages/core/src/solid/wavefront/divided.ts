import { dissect } from './dissect.ts';
import type { Band, Ring } from './plan.ts';

/** Nodes that lie on the edge from one node to another, in that order. */
export type NodesBetween = (from: number, to: number) => readonly number[];

/** A ring with more nodes on its segments. */
export function dividedRing(ring: Ring, between: NodesBetween): Ring {
  const [from, to, edge]: number[][] = [[], [], []];
  ring.from.forEach((a, i) => {
    const row = [a, ...between(a, ring.to[i]), ring.to[i]];
    for (let k = 0; k + 1 < row.length; k++) {
      from.push(row[k]);
      to.push(row[k + 1]);
      edge.push(ring.edge[i]);
    }
  });
  return { from: Uint32Array.from(from), to: Uint32Array.from(to), edge: Uint32Array.from(edge) };
}

/**
 * A band with more nodes on the edges of its faces, which are cut into triangles and quads again. `parted`: the loops
 * that a face is divided into before, itself where it is not. Undefined when a face has no such cut.
 */
export function dividedBand(
  band: Band,
  between: NodesBetween,
  { x, y, parted }: { x: ArrayLike<number>; y: ArrayLike<number>; parted: (loop: number[]) => number[][] },
): Band | undefined {
  const start: number[] = [0];
  const nodes: number[] = [];
  const edge: number[] = [];
  for (let f = 0; f + 1 < band.start.length; f++) {
    const face = Array.from(band.nodes.subarray(band.start[f], band.start[f + 1]));
    const loop = face.flatMap((a, k) => [a, ...between(a, face[(k + 1) % face.length])]);
    for (const part of parted(loop)) {
      const isWhole = part.length === face.length && loop.length === face.length;
      const pieces = isWhole
        ? [part.map((_, k) => k)]
        : dissect(
            part.map((n) => x[n]),
            part.map((n) => y[n]),
          );
      if (!pieces) return undefined;
      for (const piece of pieces) {
        nodes.push(...piece.map((k) => part[k]));
        start.push(nodes.length);
        edge.push(band.edge[f]);
      }
    }
  }
  return { start: Uint32Array.from(start), nodes: Uint32Array.from(nodes), edge: Uint32Array.from(edge) };
}
