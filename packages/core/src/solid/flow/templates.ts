import { atan2, cos, sin } from '../../math/index.ts';
import { fillFourSides, straightRow } from './coons.ts';
import type { FlowPatch } from './patch.ts';

/** A loop of points, counter-clockwise: the boundary that a template fills. */
export interface TemplateLoop {
  x: readonly number[];
  y: readonly number[];
}

const blank = ({ x, y }: TemplateLoop): FlowPatch => ({ x: [...x], y: [...y], fixed: x.length, quads: [] });

/** Rows of point numbers from corner to corner. */
function rows(count: number, corners: readonly number[]): number[][] {
  return corners.map((from, c) => {
    const to = corners[(c + 1) % corners.length];
    const length = (to - from + count) % count || count;
    return Array.from({ length: length + 1 }, (_, i) => (from + i) % count);
  });
}

/**
 * Fills a loop with the given corners in one of the ways that have at most one irregular point; undefined where the
 * counts allow none.
 */
export function fillByCorners(loop: TemplateLoop, corners: readonly number[]): FlowPatch | undefined {
  const sides = rows(loop.x.length, corners);
  if (corners.length === 4) return fourSided(loop, sides);
  if (corners.length === 2) return rowAndCore(loop, sides);
  if (corners.length === 3 || corners.length === 5 || corners.length === 6) return spokes(loop, sides);
  return undefined;
}

function fourSided(loop: TemplateLoop, [bottom, right, top, left]: number[][]): FlowPatch | undefined {
  if (bottom.length !== top.length || left.length !== right.length) return undefined;
  const patch = blank(loop);
  fillFourSides(patch, { bottom, right, top: [...top].reverse(), left: [...left].reverse() });
  return patch;
}

/** Blocks around one irregular point: side i is cut into p(i-1) and p(i+1) edges, the spoke from its cut has p(i). */
function spokes(loop: TemplateLoop, sides: number[][]): FlowPatch | undefined {
  const n = sides.length;
  const p = spokeCounts(sides.map((side) => side.length - 1));
  if (!p || p.some((count) => count < 1)) return undefined;
  const patch = blank(loop);
  const { x, y } = patch;
  const cut = sides.map((side, i) => side[p[(i + n - 1) % n]]);
  const mean = (z: readonly number[]): number => cut.reduce((sum, c) => sum + z[c], 0) / n;
  const [mx, my] = [mean(x), mean(y)];
  const middle = x.push(mx) - 1;
  y.push(my);
  const spoke = cut.map((from, i) => straightRow(patch, from, middle, p[i]));
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    fillFourSides(patch, {
      bottom: sides[i].slice(p[(i + n - 1) % n]),
      right: sides[j].slice(0, p[i] + 1),
      top: [...spoke[j]].reverse(),
      left: spoke[i],
    });
  }
  return patch;
}

/** Whole numbers with p(i-1) + p(i+1) = s(i), if there are any. */
function spokeCounts(s: readonly number[]): number[] | undefined {
  const n = s.length;
  const whole = (values: number[]): number[] | undefined => (values.every(Number.isInteger) ? values : undefined);
  if (n === 3) return whole(s.map((_, i) => (s[(i + 1) % 3] + s[(i + 2) % 3] - s[i]) / 2));
  // going round by twos, every second equation is added and every other taken away
  if (n === 5)
    return whole(s.map((_, i) => (s[(i + 1) % 5] - s[(i + 3) % 5] + s[i] - s[(i + 2) % 5] + s[(i + 4) % 5]) / 2));
  return whole(s.map((_, i) => (s[(i + 1) % 6] - s[(i + 3) % 6] + s[(i + 5) % 6]) / 2));
}

/** Between two corners: a row of quads along the longer side, and a four-sided core. */
function rowAndCore(loop: TemplateLoop, [one, other]: number[][]): FlowPatch | undefined {
  const [base, arc] = one.length <= other.length ? [one, other] : [other, one];
  const [k, m] = [base.length - 1, arc.length - 1];
  const up = (m - k + 2) / 2;
  if (k < 3 || up < 1 || !Number.isInteger(up)) return undefined;
  const patch = blank(loop);
  // the arc begins where the base ends
  const inner = [base[k - 1], ...offsetRow(patch, arc.slice(1, -1), arc), base[1]];
  for (let i = 0; i < m; i++) patch.quads.push(arc[i], arc[i + 1], inner[i + 1], inner[i]);
  fillFourSides(patch, {
    bottom: base.slice(1, k),
    right: inner.slice(0, up + 1),
    top: inner.slice(up, m - up + 1).reverse(),
    left: inner.slice(m - up).reverse(),
  });
  return patch;
}

/**
 * Where the core of a disc has its corners: the first so many points along the loop, the second so many farther on;
 * opposite sides have as many.
 */
export interface DiscCore {
  shift: number;
  wide: number;
}

/** A core as long as its loop: corners where the loop lies farthest out along the diagonals of its principal axes. */
export function longCore({ x, y }: TemplateLoop): DiscCore {
  const m = x.length;
  const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / m;
  const [cx, cy] = [mean(x), mean(y)];
  const spread = (f: (dx: number, dy: number) => number): number => mean(x.map((_, i) => f(x[i] - cx, y[i] - cy)));
  const [xx, yy, xy] = [spread((dx) => dx * dx), spread((_, dy) => dy * dy), spread((dx, dy) => dx * dy)];
  const turn = atan2(2 * xy, xx - yy) / 2;
  const [right, up] = [cos(turn), sin(turn)];
  const along = x.map((_, i) => (x[i] - cx) * right + (y[i] - cy) * up);
  const across = x.map((_, i) => (y[i] - cy) * right - (x[i] - cx) * up);
  const [a, b] = [along, across].map((row) => Math.max(...row) - Math.min(...row) || 1);
  const corner = (s: number, t: number): number =>
    along.reduce(
      (best, _, i) =>
        (s * along[i]) / a + (t * across[i]) / b > (s * along[best]) / a + (t * across[best]) / b ? i : best,
      0,
    );
  const [c0, c1, c2, c3] = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)];
  const ahead = (from: number, to: number): number => (to - from + m) % m;
  const wide = Math.min(m / 2 - 1, Math.max(1, Math.round((ahead(c0, c1) + ahead(c2, c3)) / 2)));
  return { shift: (c0 + Math.round((ahead(c0, c1) - wide) / 2) + m) % m, wide };
}

/** A loop without corners: a row of quads around a four-sided core. */
export function fillDisc(loop: TemplateLoop, { shift, wide }: DiscCore): FlowPatch | undefined {
  const m = loop.x.length;
  if (m % 2 === 1 || m < 8) return undefined;
  const high = m / 2 - wide;
  if (high < 1) return undefined;
  const patch = blank(loop);
  const arc = Array.from({ length: m }, (_, i) => i);
  const inner = offsetRow(patch, arc, [arc[m - 1], ...arc, arc[0]]);
  for (let i = 0; i < m; i++) patch.quads.push(arc[i], arc[(i + 1) % m], inner[(i + 1) % m], inner[i]);
  const stretch = (from: number, count: number): number[] =>
    Array.from({ length: count + 1 }, (_, i) => inner[(shift + from + i) % m]);
  fillFourSides(patch, {
    bottom: stretch(0, wide),
    right: stretch(wide, high),
    top: stretch(wide + high, wide).reverse(),
    left: stretch(2 * wide + high, high).reverse(),
  });
  return patch;
}

/** Points beside a row, an edge's length to the inside. `around`: the row with its neighbours at both ends. */
function offsetRow({ x, y }: FlowPatch, row: readonly number[], around: readonly number[]): number[] {
  return row.map((point, i) => {
    const [a, b] = [around[i], around[i + 2]];
    // half of the way between both neighbours, turned to the left
    x.push(x[point] - (y[b] - y[a]) / 2);
    y.push(y[point] + (x[b] - x[a]) / 2);
    return x.length - 1;
  });
}
