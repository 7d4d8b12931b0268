import { movedBox, plus, type Box3, type Vec3 } from '../math/index.ts';
import { sightOf, type Hold } from './anchor.ts';
import { layFromDirection, underFront } from './fromDirection.ts';
import { drapeHold, layDraped, levelOver, type Drape, type DrapeLevel } from './draped.ts';
import { layFlat } from './flat.ts';
import { layRound, type Guide } from './layRound.ts';
import { smoothNormals } from './smoothNormals.ts';
import {
  alongRow,
  columnOf,
  eachNode,
  frameOf,
  isOff,
  lookUp,
  NODE,
  normalAt,
  type GridSpot,
  type SurfaceGrid,
} from './surfaceGrid.ts';
import type { Target } from './target.ts';
import { layToClosest } from './toClosest.ts';

/** Of a spot: from here on it is taken to lie beside the model, as a node near it does. */
export const BESIDE = 0.02;

/** How a flat piece is laid onto a model. Lengths in mm, places in the model's own space. */
export interface Laying {
  method: 'round' | 'direction' | 'closest' | 'flat';
  /** flat, but what cuts follows the surface straight down */
  drape?: Drape;
  hold: Hold;
  guide: Guide;
  /** where the surface bends away at an edge: go round it, or straight on beside it */
  rounds: boolean;
}

export interface LayOptions {
  /** around the flat piece, as it comes to this step */
  box: Box3;
  /** how far the front stands over the surface, mm */
  front: number;
  /** heights of the lines of text, mm; none: one line as high as the box */
  baselines: readonly number[];
  /** from a baseline to the middle of its lower-case letters, mm */
  middle: number;
  nodes: number;
  /** the place of the plane that is held; usually its zero */
  held?: readonly [number, number];
}

/** A flat plane laid onto a surface: place and normal for each of its points. */
export interface SurfaceMap {
  grid: SurfaceGrid;
  /** smooth, from the grid alone; `baseline` is that of the point's own line */
  rough(x: number, y: number, baseline: number): GridSpot;
  /** on the very surface */
  exact(x: number, y: number, baseline: number): GridSpot;
  /** what stands higher ends level */
  level?: DrapeLevel;
  /** how far the two lie apart at most, where it was looked at; mm */
  apart(): number;
}

/** Where the surface itself is for what the grid says of a place; undefined where that can't be told. */
type OnSurface = (spot: GridSpot, x: number, y: number) => Vec3 | undefined;

/** Undefined where the line of sight meets no model. */
export function layOnto(target: Target, laying: Laying, options: LayOptions): SurfaceMap | undefined {
  const { held: [x, y] = [0, 0], box, baselines } = options;
  if (x === 0 && y === 0) return layZero(target, laying, options);
  return heldAt(
    [x, y],
    layZero(target, laying, {
      ...options,
      box: movedBox(box, [-x, -y, 0]),
      baselines: baselines.map((one) => one - y),
    }),
  );
}

/** A map of a plane about its zero as one of a plane about another of its places. */
function heldAt([x, y]: readonly [number, number], map: SurfaceMap | undefined): SurfaceMap | undefined {
  if (!map) return undefined;
  const { grid, exact } = map;
  const lines = grid.lines.map(({ baseline, along }) => ({
    baseline: baseline + y,
    along: along.map((far) => far + x),
  }));
  const moved = { ...grid, x: grid.x + x, y: grid.y + y, lines };
  return {
    ...map,
    grid: moved,
    rough: mapOf(moved).rough,
    exact: (u, v, baseline) => exact(u - x, v - y, baseline - y),
  };
}

function layZero(target: Target, laying: Laying, options: LayOptions): SurfaceMap | undefined {
  if (laying.method === 'flat' && laying.drape) return drapedMap(target, laying.hold, laying.drape, options);
  if (laying.method === 'flat') return mapOf(layFlat(target, laying.hold, frameOf(options.box)));
  const grid = gridOf(target, laying, options);
  if (!grid) return undefined;
  smoothNormals(grid, options.front);
  const onSurface = exactly(target, laying, { grid, front: options.front });
  return mapOf(grid, onSurface);
}

function drapedMap(target: Target, hold: Hold, drape: Drape, { box, nodes }: LayOptions): SurfaceMap {
  const from = drapeHold(target, hold, drape);
  const grid = layDraped(target, from, frameOf(box), { nodes });
  const onSurface = exactly(target, { method: 'direction', hold: from }, { grid, front: 0 });
  return { ...mapOf(grid, onSurface), level: levelOver(from, drape) };
}

/** From a grid alone, where no model is at hand. */
export function mapOf(grid: SurfaceGrid, onSurface: OnSurface = () => undefined): SurfaceMap {
  const rough = (x: number, y: number, baseline: number): GridSpot => lookUp(grid, columnOf(grid, x, baseline), y);
  const exact = (x: number, y: number, baseline: number): GridSpot => {
    const spot = rough(x, y, baseline);
    // beside the model the grid is all there is
    const at = spot.off > BESIDE ? undefined : onSurface(spot, x, y);
    return at ? { ...spot, at } : spot;
  };
  let farthest: number | undefined;
  return {
    grid,
    rough,
    exact,
    apart: () => (farthest ??= farthestApart(grid, onSurface)),
  };
}

/** In every cell, at two places off its nodes. */
function farthestApart(grid: SurfaceGrid, onSurface: OnSurface): number {
  let most = 0;
  eachNode(grid, (_, x, y) => {
    for (const [across, up] of [
      [0.5, 0.4],
      [0.15, 0.9],
    ]) {
      const [u, v] = [x + across * grid.dx, y + up * grid.dy];
      const spot = lookUp(grid, u, v);
      const at = onSurface(spot, u, v);
      if (at && spot.off <= BESIDE) most = Math.max(most, apart(spot.at, at));
    }
  });
  return most;
}

function gridOf(target: Target, { method, hold, guide, rounds }: Laying, options: LayOptions): SurfaceGrid | undefined {
  const { box, front, nodes, baselines, middle } = options;
  const frame = frameOf(box);
  if (method === 'closest') return layToClosest(target, hold, frame, { nodes });
  if (method === 'direction') {
    return target.hit(hold.from, sightOf(hold)) ? layFromDirection(target, hold, frame, { nodes, front }) : undefined;
  }
  const heights = baselines.map((y) => y + middle);
  const guideY =
    heights.length > 0 ? heights.reduce((a, b) => a + b, 0) / heights.length : (box.low[1] + box.high[1]) / 2;
  const grid = layRound(target, hold, frame, { nodes, guideY, guide, rounds });
  if (grid && baselines.length > 1)
    grid.lines = baselines.map((baseline) => ({ baseline, along: alongRow(grid, baseline + middle) }));
  return grid;
}

/** Off the grid's place by more cells than this, a place on the surface is another one. */
const ASTRAY = 2;

function exactly(
  target: Target,
  { method, hold }: Pick<Laying, 'method' | 'hold'>,
  { grid, front }: { grid: SurfaceGrid; front: number },
): OnSurface {
  if (method !== 'direction') {
    let hint: number | undefined;
    return ({ at }) => {
      const place = target.closest(at, hint);
      hint = place.triangle;
      return place.at;
    };
  }
  const under = underFront(target, hold, front);
  eachNode(grid, (node, x, y) => {
    // normals were evened out: other places lead to the front's now
    const at = isOff(grid, node) ? undefined : under(x, y, normalAt(grid, node));
    if (at) grid.nodes.set(at, NODE * node);
  });
  const most = ASTRAY * Math.max(grid.dx, grid.dy);
  return ({ at, normal }, x, y) => {
    const found = under(x, y, normal);
    return found && apart(found, at) < most ? found : undefined;
  };
}

const apart = (a: Vec3, b: Vec3): number => Math.max(...plus(a, b, -1).map(Math.abs));
