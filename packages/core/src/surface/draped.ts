import { dot, minus, plus, type Vec3 } from '../math/index.ts';
import { heldPlane, type Hold, type PlaneAxes } from './anchor.ts';
import { flatPlace } from './flat.ts';
import { layFromDirection } from './fromDirection.ts';
import { eachNode, NODE, type GridFrame, type SurfaceGrid } from './surfaceGrid.ts';
import type { Target } from './target.ts';

/** How a plane that cuts right through is laid over a model: straight down, and what closes it above stays level. Lengths in mm. */
export interface Drape {
  /** how far the model stands out above the held plane */
  riseMm: number;
  /** how far over the surface the last row lies that follows it */
  overMm: number;
}

/** Above the last row that follows the surface. */
export interface Level {
  /** over the surface, mm: from here on things lie level */
  fromMm: number;
  /** where what stands over a place of the surface ends */
  over(place: Vec3): Vec3;
}

/** Where the line of sight is looked from: over all that rises through the plane. */
export function drapeHold(target: Target, hold: Hold, { riseMm, overMm }: Drape): Hold {
  return { ...hold, from: plus(flatPlace(target, hold), heldPlane(hold).out, riseMm + overMm) };
}

/** A field of heights over the plane: every place goes straight down to the surface, the depth goes straight out. */
export function layDraped(target: Target, from: Hold, frame: GridFrame, nodes: number): SurfaceGrid {
  const grid = layFromDirection(target, from, frame, { nodes, front: 0 });
  const { out } = heldPlane(from);
  eachNode(grid, (node) => grid.nodes.set(out, NODE * node + 3));
  return grid;
}

/** Level with the place that is looked from, but over the surface everywhere. */
export function levelOver(from: Hold, { riseMm, overMm }: Drape): Level {
  const { out }: PlaneAxes = heldPlane(from);
  const over = (place: Vec3): Vec3 => plus(place, out, Math.max(dot(minus(from.from, place), out), overMm) + overMm);
  return { fromMm: overMm + riseMm / 2, over };
}
