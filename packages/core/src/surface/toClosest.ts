import { dot, minus, plus } from '../math/index.ts';
import { heldPlane, onPlane, type Hold } from './anchor.ts';
import { eachNode, gridFor, setNode, type GridFrame, type SurfaceGrid } from './surfaceGrid.ts';
import type { Target } from './target.ts';

/** Lays a plane that stands close before a model to the closest place of each of its points. Lengths are not kept. */
export function layToClosest(target: Target, hold: Hold, frame: GridFrame, { nodes }: { nodes: number }): SurfaceGrid {
  const grid = gridFor(frame, nodes);
  const nearest = closestTo(target, hold);
  eachNode(grid, (node, x, y) => {
    const place = nearest(x, y);
    setNode(grid, node, { at: place.at, normal: target.normalAt(place), isOff: false });
  });
  return grid;
}

/** Rounds of sliding to where the smooth normal leads back to the point, and how far each slides. */
const ROUNDS = 8;
const SLIDE = 0.7;

/**
 * The closest place as if the surface were as smooth as its normals (a foot of the interpolated normal; Kobbelt and
 * others 1999 project so): of facets alone whole strips of points share the closest place on an edge.
 */
function closestTo(target: Target, hold: Hold): (x: number, y: number) => ReturnType<Target['closest']> {
  const axes = heldPlane(hold);
  let hint: number | undefined;
  return (x, y) => {
    const from = onPlane(axes, hold.from, x, y);
    let place = target.closest(from, hint);
    for (let n = 0; n < ROUNDS; n++) {
      const way = minus(from, place.at);
      const normal = target.normalAt(place);
      const aside = plus(way, normal, -dot(way, normal));
      place = target.closest(plus(place.at, aside, SLIDE), place.triangle);
    }
    hint = place.triangle;
    return place;
  };
}
