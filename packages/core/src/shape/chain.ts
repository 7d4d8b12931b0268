import { boxOfPoints, cross, diagonalOf, plus, sizeOf, unit, type Box3, type Vec3 } from '../math/index.ts';
import { fillPoint, rowPoint, type PointRows } from './meshPoints.ts';
import type { OutwardField } from './outwardField.ts';
import type { ChainStep, MovingOf } from './moving.ts';
import type { ChainPoint, PointMap } from './pointMap.ts';

/** One or several steps as one map. */
export interface Link {
  steps: readonly ChainStep[];
  map: PointMap;
}

export interface ChainFrame {
  /** how each step moves points */
  movingOf: MovingOf;
  /** of the whole piece in the flat layout */
  box: Box3;
  /** shape steps before others that made faces anew, which come before this chain; undefined: none */
  earlier?: ShapeChain;
  /** which way is outward, as the chain begins; left out: as the points themselves say */
  outward?: OutwardField;
  /** how a piece with a box, as it comes to the step, is laid onto another; undefined: it is not */
  onto?(step: ChainStep, box: Box3): PointMap | undefined;
}

/** Of the piece's diagonal: how far apart places are whose difference tells a direction. */
const APART = 1e-5;

/** Shorter than this an outward way has no direction. */
const SHORTEST = 1e-9;

/** Steps that move points, in a row, composed. */
export class ShapeChain {
  readonly links: readonly Link[];
  readonly box: Box3;
  readonly frame: ChainFrame;
  readonly #apart: number;

  constructor(links: readonly Link[], frame: ChainFrame) {
    this.links = links;
    this.frame = frame;
    const { box } = frame;
    this.box = box;
    this.#apart = Math.max(APART * diagonalOf(box), 1e-9);
  }

  /** Where a point comes to lie after the first `count` links. */
  at(point: ChainPoint, count = this.links.length): Vec3 {
    const at = this.#startOf(point);
    this.#move(at, point, count);
    return at;
  }

  #move(at: Vec3, point: ChainPoint, count: number): void {
    for (let i = 0; i < count; i++) {
      const { map } = this.links[i];
      if (!map.usesNormal) {
        map.move(at, point);
        continue;
      }
      const { normal } = point;
      point.normal = this.normalAt(point, i);
      map.move(at, point);
      point.normal = normal;
    }
  }

  /** Where rows of points come to lie, from the one numbered `from` on: three numbers a point. */
  fill(rows: PointRows, into: Float64Array, from = 0): void {
    const point = rowPoint(rows);
    // filled anew for each: a hand that pulls asks for a hundred thousand
    const at: Vec3 = [0, 0, 0];
    for (let v = from; v < rows.count; v++) {
      fillPoint(point, rows, v);
      this.#begin(at, point);
      this.#move(at, point, this.links.length);
      into[3 * v] = at[0];
      into[3 * v + 1] = at[1];
      into[3 * v + 2] = at[2];
    }
  }

  /** Which way is outward for rows of points as the chain begins; undefined: no link asks for it. */
  outwardOf(rows: PointRows): Float64Array | undefined {
    if (!this.usesNormals || !this.frame.outward) return undefined;
    const ways = new Float64Array(3 * rows.count);
    const point = rowPoint(rows);
    for (let v = 0; v < rows.count; v++) {
      fillPoint(point, rows, v);
      ways.set(this.normalAt(point, 0), 3 * v);
    }
    return ways;
  }

  /** The same within a tenth of the tolerance. */
  near(point: ChainPoint): Vec3 {
    if (this.usesNormals || !this.links.some(({ map }) => map.moveNear)) return this.at(point);
    const at = this.#startOf(point);
    for (const { map } of this.links) {
      if (map.moveNear) map.moveNear(at, point);
      else map.move(at, point);
    }
    return at;
  }

  /** Whether any link moves points by their normals. */
  get usesNormals(): boolean {
    return this.links.some(({ map }) => map.usesNormal);
  }

  /** Which way is outward after the first `count` links, as long as it was. */
  normalAt(point: ChainPoint, count = this.links.length): Vec3 {
    const begun = point.outward ?? this.frame.outward?.(this.#startOf(point)) ?? point.normal;
    const size = sizeOf(begun);
    if (count === 0 || size < SHORTEST) return begun;
    const [a, b] = tangentsOf(unit(begun));
    const [p, q, r] = [undefined, a, b].map((way) => this.at(this.#beside(point, way), count));
    const normal = cross([q[0] - p[0], q[1] - p[1], q[2] - p[2]], [r[0] - p[0], r[1] - p[1], r[2] - p[2]]);
    const [x, y, z] = unit(normal);
    return [size * x, size * y, size * z];
  }

  /** How much of a small volume is left after the first `count` links; below zero it is turned inside out. */
  volumeAt(point: ChainPoint, count = this.links.length): number {
    const at = this.at(point, count);
    const ways = [0, 1, 2].map((k) => {
      // towards the middle: beyond the ends of what a step acts on nothing shows of it
      const towards = point.rest[k] > (this.box.low[k] + this.box.high[k]) / 2 ? -1 : 1;
      const way: Vec3 = [0, 0, 0];
      way[k] = towards;
      const to = this.at(this.#beside(point, way), count);
      return [to[0] - at[0], to[1] - at[1], to[2] - at[2]].map((v) => v / (towards * this.#apart)) as Vec3;
    });
    const c = cross(ways[0], ways[1]);
    return c[0] * ways[2][0] + c[1] * ways[2][1] + c[2] * ways[2][2];
  }

  /** No wave of what the chain does is shorter, mm. */
  get featureMm(): number {
    return Math.min(...this.links.map(({ map }) => map.featureMm), Infinity);
  }

  /** What a straight line in the flat box bends at most, 1/mm; undefined: not known. */
  get bends(): number | undefined {
    return this.links.length === 1 && !this.frame.earlier ? this.links[0].map.bends : undefined;
  }

  #startOf(point: ChainPoint): Vec3 {
    const at: Vec3 = [0, 0, 0];
    this.#begin(at, point);
    return at;
  }

  #begin(at: Vec3, { start, rest }: ChainPoint): void {
    const { earlier } = this.frame;
    const from = start ?? (earlier ? earlier.at(plainPoint(rest)) : rest);
    at[0] = from[0];
    at[1] = from[1];
    at[2] = from[2];
  }

  #beside(point: ChainPoint, way: Vec3 | undefined): ChainPoint {
    if (!way) return point;
    // what was looked up for the point is not what is outward beside it
    const { outward: _, ...known } = point;
    // where something was shaped before, what is beside it in the flat layout is not known: that it is near is enough
    if (point.start) return { ...known, start: plus(point.start, way, this.#apart) };
    return { ...known, rest: plus(point.rest, way, this.#apart) };
  }
}

/** Two unit vectors in the plane across a normal; their cross product is the normal. */
function tangentsOf(normal: Vec3): [Vec3, Vec3] {
  const other: Vec3 = Math.abs(normal[0]) < 0.6 ? [1, 0, 0] : [0, 1, 0];
  const a = unit(cross(other, normal));
  return [a, cross(normal, a)];
}

/** Steps as links; those in a row that are one map are one link. A step that moves nothing is none. */
export function linkedUp(steps: readonly ChainStep[], frame: ChainFrame): ShapeChain {
  const links: Link[] = [];
  let i = 0;
  while (i < steps.length) {
    const moving = frame.movingOf(steps[i]);
    let end = i + 1;
    while (end < steps.length && steps[end].kind === steps[i].kind && moving.joins?.(steps[i], steps[end])) end++;
    const taken = steps.slice(i, end);
    i = end;
    const before = new ShapeChain([...links], frame);
    const map = moving.map(taken, {
      box: frame.box,
      mark: (rest) => before.at(plainPoint(rest)),
      lay: (step) => frame.onto?.(step, boxAfter(before)),
    });
    if (map) links.push({ steps: taken, map });
  }
  return new ShapeChain(links, frame);
}

/** Places along each axis that are looked at for the box of what was shaped. */
const LATTICE = [9, 5, 2];
/** Of its size: how much larger it may be between those places. */
const IN_HAND = 0.03;

/** Around a shaped piece, from a lattice of its flat box. */
function boxAfter(chain: ShapeChain): Box3 {
  const { low, high } = chain.box;
  if (chain.links.length === 0) return chain.box;
  const [columns, rows, layers] = LATTICE;
  const points: number[] = [];
  for (let i = 0; i < columns * rows * layers; i++) {
    const share = [
      (i % columns) / (columns - 1),
      (Math.floor(i / columns) % rows) / (rows - 1),
      Math.floor(i / columns / rows) / (layers - 1),
    ];
    points.push(...chain.at(plainPoint(share.map((s, k) => low[k] + s * (high[k] - low[k])) as Vec3)));
  }
  const box = boxOfPoints(points);
  const more = [0, 1].map((k) => IN_HAND * (box.high[k] - box.low[k]));
  return {
    low: [box.low[0] - more[0], box.low[1] - more[1], box.low[2]],
    high: [box.high[0] + more[0], box.high[1] + more[1], box.high[2]],
  };
}

/** A point of nothing in particular, for looking at a chain from outside. */
export const plainPoint = (rest: Vec3, normal: Vec3 = [0, 0, 1]): ChainPoint => ({
  rest,
  normal,
  letter: -1,
  foot: rest,
  isFront: true,
});
