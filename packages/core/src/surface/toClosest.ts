import type { Vec3 } from '../math/index.ts';
import { axesOf, onPlane, sightOf, type Hold } from './anchor.ts';
import { eachNode } from './fromDirection.ts';
import { gridFor, setNode, type GridFrame, type SurfaceGrid } from './surfaceGrid.ts';
import type { Target } from './target.ts';

/** Lays a plane that stands close before a model to the closest place of each of its points. Lengths are not kept. */
export function layToClosest(target: Target, hold: Hold, frame: GridFrame, nodes: number): SurfaceGrid {
  const grid = gridFor(frame, nodes);
  const nearest = closestTo(target, hold);
  eachNode(grid, (node, x, y) => {
    const place = nearest(x, y);
    setNode(grid, node, { at: place.at, normal: target.normalAt(place), isOff: false });
  });
  return grid;
}

export function closestTo(target: Target, hold: Hold): (x: number, y: number) => ReturnType<Target['closest']> {
  const axes = axesOf(sightOf(hold).map((v) => 0 - v) as Vec3, hold.up, hold.turnDegrees);
  let hint: number | undefined;
  return (x, y) => {
    const place = target.closest(onPlane(axes, hold.from, x, y), hint);
    hint = place.triangle;
    return place;
  };
}
