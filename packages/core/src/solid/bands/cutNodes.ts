import type { Partition, Ring } from '../wavefront/index.ts';

/** Parallel lines: `axis` is the coordinate that stays the same along each; `at` ascending, whole grid steps. */
export interface Lines {
  axis: 'x' | 'y';
  at: readonly number[];
}

/** Grid steps: nodes as near as this lie on a line. */
const ON_LINE = 3;

/** The nodes of a plan and those where lines cut its edges; every edge is cut once, whoever asks. */
export class CutNodes {
  readonly x: number[];
  readonly y: number[];
  readonly #p: Partition;
  readonly #lines: Lines;
  readonly #inset: number[];
  readonly #layer: number[];
  readonly #cuts = new Map<string, number[]>();
  /** twice the number of lines below a node, one more for a node on a line */
  readonly #place: number[];

  constructor(p: Partition, lines: Lines) {
    this.#p = p;
    this.#lines = lines;
    [this.x, this.y] = [Array.from(p.x), Array.from(p.y)];
    this.#inset = Array.from(p.inset);
    this.#layer = Array.from(p.layer);
    this.#place = (lines.axis === 'x' ? this.x : this.y).map((at) => this.#placeOf(at));
  }

  #placeOf(at: number): number {
    const lines = this.#lines.at;
    let [low, high] = [0, lines.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (lines[middle] < at - ON_LINE) low = middle + 1;
      else high = middle;
    }
    return low < lines.length && Math.abs(lines[low] - at) <= ON_LINE ? 2 * low + 1 : 2 * low;
  }

  columns(): Pick<Partition, 'x' | 'y' | 'inset' | 'layer'> {
    return {
      x: Float64Array.from(this.x),
      y: Float64Array.from(this.y),
      inset: Float64Array.from(this.#inset),
      layer: Int32Array.from(this.#layer),
    };
  }

  /** Nodes where lines cut the edge between two nodes, from the first to the second. */
  between(a: number, b: number): readonly number[] {
    if (Math.abs((this.#place[a] >> 1) - (this.#place[b] >> 1)) === 0) return [];
    const [first, second] = a < b ? [a, b] : [b, a];
    const key = `${first} ${second}`;
    let found = this.#cuts.get(key);
    if (!found) {
      found = this.#cut(first, second);
      this.#cuts.set(key, found);
    }
    return a < b ? found : [...found].reverse();
  }

  #cut(a: number, b: number): number[] {
    const [low, high] = this.#place[a] < this.#place[b] ? [a, b] : [b, a];
    const nodes: number[] = [];
    // lines strictly between: those above the lower node that the upper one lies beyond
    for (let line = (this.#place[low] + 1) >> 1; 2 * line + 1 < this.#place[high]; line++)
      nodes.push(this.#add(low, high, line));
    return low === a ? nodes : nodes.reverse();
  }

  #add(a: number, b: number, line: number): number {
    const [along, across] = this.#lines.axis === 'x' ? [this.x, this.y] : [this.y, this.x];
    const at = this.#lines.at[line];
    const share = (at - along[a]) / (along[b] - along[a]);
    along.push(at);
    across.push(Math.round(across[a] + share * (across[b] - across[a])));
    const isLevel = this.#layer[a] >= 0 && this.#layer[a] === this.#layer[b];
    this.#layer.push(isLevel ? this.#layer[a] : -1);
    this.#inset.push(
      isLevel ? this.#p.layers[this.#layer[a]] : this.#inset[a] + share * (this.#inset[b] - this.#inset[a]),
    );
    this.#place.push(2 * line + 1);
    return this.x.length - 1;
  }

  /** A convex loop whose edges are cut already, as one loop a band. */
  parted(loop: readonly number[]): number[][] {
    const places = loop.map((n) => this.#place[n]);
    const [low, high] = [Math.min(...places), Math.max(...places)];
    const [first, last] = [low >> 1, high >> 1];
    // between two lines, or on them
    if (high - low <= 2 && last <= (low + 1) >> 1) return [[...loop]];
    const parts: number[][] = [];
    for (let band = first; band <= last; band++) {
      // from line band - 1 to line band
      const part = loop.filter((_, i) => places[i] >= 2 * band - 1 && places[i] <= 2 * band + 1);
      const isFlat =
        part.every((n) => this.#place[n] === 2 * band - 1) || part.every((n) => this.#place[n] === 2 * band + 1);
      if (part.length >= 3 && !isFlat) parts.push(part);
    }
    return parts;
  }

  /** Stretches of the lines inside a ring, from node to node; those that the ring itself runs along are left out. */
  chordsAcross(ring: Ring): [number, number][] {
    const onLine = new Map<number, number[]>();
    ring.from.forEach((node) => {
      const place = this.#place[node];
      if (place % 2 === 1) onLine.set(place >> 1, [...(onLine.get(place >> 1) ?? []), node]);
    });
    const across = this.#lines.axis === 'x' ? this.y : this.x;
    const edges = new Set<string>();
    ring.from.forEach((a, i) => edges.add(`${a} ${ring.to[i]}`).add(`${ring.to[i]} ${a}`));
    const chords: [number, number][] = [];
    for (const [line, nodes] of onLine) {
      nodes.sort((a, b) => across[a] - across[b]);
      for (let k = 0; k + 1 < nodes.length; k++) {
        const [a, b] = [nodes[k], nodes[k + 1]];
        if (edges.has(`${a} ${b}`) || across[a] === across[b]) continue;
        if (this.#isInside(ring, line, (across[a] + across[b]) / 2)) chords.push([a, b]);
      }
    }
    return chords;
  }

  /** Whether the place on a line lies inside, counted along the way square to the line. */
  #isInside(ring: Ring, line: number, level: number): boolean {
    const [along, across] = this.#lines.axis === 'x' ? [this.x, this.y] : [this.y, this.x];
    const at = this.#lines.at[line];
    let isInside = false;
    ring.from.forEach((a, i) => {
      const b = ring.to[i];
      if (across[a] > level === across[b] > level) return;
      if (at < along[a] + ((level - across[a]) / (across[b] - across[a])) * (along[b] - along[a])) isInside = !isInside;
    });
    return isInside;
  }
}
