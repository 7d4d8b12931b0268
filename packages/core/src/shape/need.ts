import type { Box3, Vec3 } from '../math/index.ts';
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
const IN_HAND = 0.9;
/** Places along a chord, from end to end. */
const STOPS = 5;
const LAST = STOPS - 1;

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
  #lacks(cell: Cell): [boolean, boolean] {
    const { low, high: top } = this.#box;
    let [isWide, isHigh] = [false, false];
    for (const front of [true, false]) {
      const strays = this.#acrossCell(cell, front ? top[2] : low[2], front);
      for (const v of HALVES) isWide ||= strays([0, v], [LAST, v]);
      for (const u of HALVES) isHigh ||= strays([u, 0], [u, LAST]);
      if (isWide || isHigh) continue;
      if (strays([0, 0], [LAST, LAST]) || strays([0, LAST], [LAST, 0]))
        [isWide, isHigh] = [cell.wide >= cell.high, cell.high >= cell.wide];
    }
    return [isWide, isHigh];
  }

  /** Of chords between stops of a cell; each place is looked at once, whatever chords pass it. */
  #acrossCell({ x, y, wide, high }: Cell, z: number, isFront: boolean): Strays {
    const known = new Array<Vec3 | undefined>(STOPS * STOPS).fill(undefined);
    const at = (u: number, v: number): Vec3 =>
      (known[STOPS * v + u] ??= this.#at([x + (u / LAST) * wide, y + (v / LAST) * high, z], isFront));
    return ([u, v], [toU, toV]) => {
      const [from, to] = [at(u, v), at(toU, toV)];
      for (let k = 1; k < LAST; k++)
        if (this.#isFar(at(u + (k / LAST) * (toU - u), v + (k / LAST) * (toV - v)), from, to)) return true;
      return false;
    };
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
        for (let k = 0; k < count; k++) if (this.#strays(at(k), at(k + 1))) return true;
        return false;
      });
      if (!lacks) break;
      size /= 2;
    }
    return size < deep ? size : Infinity;
  }

  #strays(a: Vec3, b: Vec3): boolean {
    const [from, to] = [this.#at(a, true), this.#at(b, true)];
    for (let k = 1; k < LAST; k++) {
      const rest = a.map((v, i) => v + (k / LAST) * (b[i] - v)) as Vec3;
      if (this.#isFar(this.#at(rest, true), from, to)) return true;
    }
    return false;
  }

  #at(rest: Vec3, isFront: boolean): Vec3 {
    const { letter, foot } = this.#options;
    return this.#chain.at({ rest, normal: [0, 0, isFront ? 1 : -1], letter, foot, isFront: true });
  }

  #isFar(place: Vec3, from: Vec3, to: Vec3): boolean {
    return distanceToLine(place, from, to) > IN_HAND * this.#options.toleranceMm;
  }
}

/** Whether the chord between two stops of a cell, along it and up it, lies off what lies between them. */
type Strays = (from: readonly [number, number], to: readonly [number, number]) => boolean;
const HALVES = [0, LAST / 2, LAST];

/** From a place to the line through two others. */
export function distanceToLine(place: Vec3, a: Vec3, b: Vec3): number {
  const x = b[0] - a[0];
  const y = b[1] - a[1];
  const z = b[2] - a[2];
  const u = place[0] - a[0];
  const v = place[1] - a[1];
  const w = place[2] - a[2];
  const size = Math.sqrt(x * x + y * y + z * z);
  if (size === 0) return Math.sqrt(u * u + v * v + w * w);
  const cx = v * z - w * y;
  const cy = w * x - u * z;
  const cz = u * y - v * x;
  return Math.sqrt(cx * cx + cy * cy + cz * cz) / size;
}
