import { cross, minus, sizeOf, type Box3, type Vec3 } from '../math/index.ts';
import type { ChainPoint } from './pointMap.ts';
import type { ShapeChain } from './chain.ts';

/** The longest edges that stay within the tolerance of the shaped surface, mm; Infinity: of any length. */
export interface Need {
  x: number;
  y: number;
  z: number;
}

export interface NeedOptions {
  toleranceMm: number;
  /** shortest edge that is asked for, mm */
  leastMm: number;
  /** letter and foot of the points that are looked at */
  letter: number;
  foot: Vec3;
}

/** Cells that are looked at of one letter. */
const MOST_CELLS = 1500;
/** A cell is no longer than this share of the finest wave of the chain. */
const OF_FEATURE = 0.5;
/** The middle and the quarters of a chord tell its distance; what lies between may be farther by a little. */
const PLACES = [0.25, 0.5, 0.75];
const IN_HAND = 0.9;

/**
 * How fine the faces of a letter must be for a chain of steps: its box is cut into cells, front and back, until the
 * edges of each cell, its diagonals and the depth behind its middle stay within the tolerance of their own images
 * (distance to the chord's line).
 */
export function needOf(chain: ShapeChain, box: Box3, options: NeedOptions): Need {
  const sampler = new Sampler(chain, box, options);
  const [wide, high] = [box.high[0] - box.low[0], box.high[1] - box.low[1]];
  const longest = Math.max(options.leastMm, OF_FEATURE * chain.featureMm);
  const columns = Math.min(24, Math.max(1, Math.ceil(wide / longest)));
  const rows = Math.min(24, Math.max(1, Math.ceil(high / longest)));
  const cells = Array.from({ length: columns * rows }, (_, i): Cell => {
    const [c, r] = [i % columns, Math.floor(i / columns)];
    return {
      x: box.low[0] + (wide * c) / columns,
      y: box.low[1] + (high * r) / rows,
      wide: wide / columns,
      high: high / rows,
    };
  });
  return sampler.run(cells, { columns, rows });
}

interface Cell {
  x: number;
  y: number;
  wide: number;
  high: number;
}

class Sampler {
  readonly #chain: ShapeChain;
  readonly #box: Box3;
  readonly #options: NeedOptions;

  constructor(chain: ShapeChain, box: Box3, options: NeedOptions) {
    this.#chain = chain;
    this.#box = box;
    this.#options = options;
  }

  run(cells: Cell[], { columns, rows }: { columns: number; rows: number }): Need {
    const need: Need = { x: Infinity, y: Infinity, z: this.#depthNeed() };
    // a feature as short as the first cells asks for them; else the whole is asked for nothing
    if (columns > 1) need.x = cells[0].wide;
    if (rows > 1) need.y = cells[0].high;
    const { leastMm } = this.#options;
    for (let i = 0; i < cells.length && i < MOST_CELLS; i++) {
      const cell = cells[i];
      const [x, y] = this.#lacks(cell);
      const [cutsX, cutsY] = [x && cell.wide / 2 >= leastMm, y && cell.high / 2 >= leastMm];
      if (!cutsX && !cutsY) continue;
      const [wide, high] = [cutsX ? cell.wide / 2 : cell.wide, cutsY ? cell.high / 2 : cell.high];
      if (cutsX) need.x = Math.min(need.x, wide);
      if (cutsY) need.y = Math.min(need.y, high);
      for (let a = cell.x; a < cell.x + cell.wide - wide / 2; a += wide)
        for (let b = cell.y; b < cell.y + cell.high - high / 2; b += high) cells.push({ x: a, y: b, wide, high });
    }
    return need;
  }

  /** Whether a cell is too wide, too high. */
  #lacks({ x, y, wide, high }: Cell): [boolean, boolean] {
    const { low, high: top } = this.#box;
    let [isWide, isHigh] = [false, false];
    for (const front of [true, false]) {
      const z = front ? top[2] : low[2];
      const at = (u: number, v: number): Vec3 => [x + u * wide, y + v * high, z];
      for (const v of [0, 0.5, 1]) isWide ||= this.#strays(at(0, v), at(1, v), front);
      for (const u of [0, 0.5, 1]) isHigh ||= this.#strays(at(u, 0), at(u, 1), front);
      if (isWide || isHigh) continue;
      if (this.#strays(at(0, 0), at(1, 1), front) || this.#strays(at(0, 1), at(1, 0), front))
        [isWide, isHigh] = [wide >= high, high >= wide];
    }
    return [isWide, isHigh];
  }

  /** How deep a face may be at five places of the box. */
  #depthNeed(): number {
    const { low, high } = this.#box;
    const deep = high[2] - low[2];
    if (deep === 0) return Infinity;
    const places = [
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
      [0.5, 0.5],
    ];
    let size = deep;
    while (size / 2 >= this.#options.leastMm) {
      const count = Math.round(deep / size);
      const lacks = places.some(([u, v]) => {
        const at = (k: number): Vec3 => [
          low[0] + u * (high[0] - low[0]),
          low[1] + v * (high[1] - low[1]),
          low[2] + k * size,
        ];
        for (let k = 0; k < count; k++) if (this.#strays(at(k), at(k + 1), true)) return true;
        return false;
      });
      if (!lacks) break;
      size /= 2;
    }
    return size < deep ? size : Infinity;
  }

  #strays(a: Vec3, b: Vec3, isFront: boolean): boolean {
    const { letter, foot, toleranceMm } = this.#options;
    const point = (rest: Vec3): ChainPoint => ({ rest, normal: [0, 0, isFront ? 1 : -1], letter, foot, isFront: true });
    const [from, to] = [this.#chain.at(point(a)), this.#chain.at(point(b))];
    return PLACES.some((share) => {
      const rest = a.map((v, k) => v + share * (b[k] - v)) as Vec3;
      return distanceToLine(this.#chain.at(point(rest)), from, to) > IN_HAND * toleranceMm;
    });
  }
}

/** From a place to the line through two others. */
export function distanceToLine(place: Vec3, a: Vec3, b: Vec3): number {
  const along = minus(b, a);
  const size = sizeOf(along);
  const off = minus(place, a);
  return size > 0 ? sizeOf(cross(off, along)) / size : sizeOf(off);
}
