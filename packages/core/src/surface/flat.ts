import { dot, plus, type Vec3 } from '../math/index.ts';
import { heldPlane, onPlane, sightOf, type Hold } from './anchor.ts';
import { eachNode, gridFor, setNode, type GridFrame, type SurfaceGrid } from './surfaceGrid.ts';
import type { Target } from './target.ts';

/** A plane has no more to tell. */
const NODES = 36;
/** Of the diagonal: a place so little before the surface lies on it. */
const BEFORE = 1e-4;

/**
 * A plane that stays one: it passes through where the line of sight meets the model, or, where it meets none, through
 * where it is held.
 */
export function layFlat(target: Target, hold: Hold, frame: GridFrame): SurfaceGrid {
  const grid = gridFor(frame, NODES);
  const axes = heldPlane(hold);
  const from = flatPlace(target, hold);
  eachNode(grid, (node, x, y) =>
    setNode(grid, node, { at: onPlane(axes, from, x, y), normal: axes.out, isOff: false }),
  );
  return grid;
}

/** Where zero of such a plane lies. */
export function flatPlace(target: Target, hold: Hold): Vec3 {
  const sight = sightOf(hold);
  const seen = target.hit(plus(hold.from, sight, -BEFORE * target.diagonal), sight);
  return seen && dot(target.flatNormalAt(seen), sight) < 0 ? seen.at : hold.from;
}
