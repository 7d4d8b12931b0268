import { heldPlane, onPlane, type Hold } from './anchor.ts';
import { flatPlace } from './flat.ts';
import { eachNode, frameOf, gridFor } from './surfaceGrid.ts';
import type { Target } from './target.ts';
import { dot, type Box3 } from '../math/index.ts';

const NODES = 400;

/**
 * How far a model stands out above a plane held on it, under a flat piece on that plane, mm: looked at from `under`
 * below the plane, outward to the first skin.
 */
export function riseOver(target: Target, hold: Hold, flat: Box3, { under }: { under: number }): number {
  const frame = frameOf(flat);
  const axes = heldPlane(hold);
  const from = flatPlace(target, hold);
  const size = Math.max(frame.high[0] - frame.low[0], frame.high[1] - frame.low[1]);
  let most = 0;
  eachNode(gridFor(frame, NODES), (_, x, y) => {
    const start = onPlane(axes, from, x, y).map((v, k) => v - under * axes.out[k]) as typeof from;
    const seen = target.hit(start, axes.out);
    if (!seen || dot(target.flatNormalAt(seen), axes.out) <= 0) return;
    const rise = dot(axes.out, seen.at.map((v, k) => v - start[k]) as typeof from) - under;
    // farther than the piece is wide it is another part of the model
    if (rise < size) most = Math.max(most, rise);
  });
  return most;
}
