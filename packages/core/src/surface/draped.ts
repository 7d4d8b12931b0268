import { dot, minus, plus, type Vec3 } from '../math/index.ts';
import { heldPlane, type Hold } from './anchor.ts';
import { flatPlace } from './flat.ts';
import { layFromDirection } from './fromDirection.ts';
import { eachNode, NODE, type GridFrame, type SurfaceGrid } from './surfaceGrid.ts';
import type { Target } from './target.ts';

/**
 * How a plane that cuts right through is laid over a model: straight down, and what closes it above stays level.
 * Lengths in mm.
 */
export interface Drape {
  /** how far the model stands out above the held plane */
  riseMm: number;
  /** how far over the surface the last row lies that follows it */
  overMm: number;
}

/** Above the last row that follows the surface things are drawn out or pressed together, so that all ends level. */
export interface DrapeLevel {
  /** over the surface, mm */
  fromMm: number;
  /** how high over a place of the surface something comes, mm */
  heightOver(place: Vec3, highMm: number): number;
}

/** Where the line of sight is looked from: over all that rises through the plane. */
export function drapeHold(target: Target, hold: Hold, { riseMm, overMm }: Drape): Hold {
  return { ...hold, from: plus(flatPlace(target, hold), heldPlane(hold).out, riseMm + overMm) };
}

/** A field of heights over the plane: every place goes straight down to the surface, the depth goes straight out. */
export function layDraped(target: Target, from: Hold, frame: GridFrame, { nodes }: { nodes: number }): SurfaceGrid {
  const grid = layFromDirection(target, from, frame, { nodes, front: 0 });
  const { out } = heldPlane(from);
  eachNode(grid, (node) => grid.nodes.set(out, NODE * node + 3));
  return grid;
}

/** Level with the place that is looked from, but over the last row everywhere. */
export function levelOver(from: Hold, { riseMm, overMm }: Drape): DrapeLevel {
  const { out } = heldPlane(from);
  const heightOver = (place: Vec3, highMm: number): number => {
    const top = Math.max(dot(minus(from.from, place), out), 2 * overMm);
    return overMm + ((highMm - overMm) / riseMm) * (top - overMm);
  };
  return { fromMm: overMm, heightOver };
}
