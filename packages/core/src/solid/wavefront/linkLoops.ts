/**
 * Directed segments of one face -> closed loops of nodes, the inside to the left. Segments that run against each other
 * cancel. At a node with several ways on the sharpest turn to the left is taken, which parts loops that touch.
 * Undefined when a loop stays open.
 */
export function linkLoops(from: number[], to: number[], x: Float64Array, y: Float64Array): number[][] | undefined {
  cancel(from, to);
  const used = new Uint8Array(from.length);
  const loops: number[][] = [];
  for (let first = 0; first < from.length; first++) {
    if (used[first]) continue;
    const loop: number[] = [];
    let at = first;
    while (at >= 0 && !used[at]) {
      used[at] = 1;
      loop.push(from[at]);
      if (to[at] === from[first]) break;
      at = onward(from, to, { used, at, x, y });
    }
    if (at < 0 || to[at] !== from[first]) return undefined;
    if (loop.length > 2) loops.push(...withoutRepeats(loop));
  }
  return loops;
}

function cancel(from: number[], to: number[]): void {
  for (let i = 0; i < from.length; i++) {
    for (let j = i + 1; j < from.length; j++) {
      if (from[i] !== to[j] || to[i] !== from[j]) continue;
      from.splice(j, 1);
      to.splice(j, 1);
      from.splice(i, 1);
      to.splice(i, 1);
      i--;
      break;
    }
  }
}

function onward(
  from: number[],
  to: number[],
  { used, at, x, y }: { used: Uint8Array; at: number; x: Float64Array; y: Float64Array },
): number {
  const node = to[at];
  let best = -1;
  for (let i = 0; i < from.length; i++) {
    if (used[i] || from[i] !== node) continue;
    if (best < 0 || turn(from[at], node, to[i], x, y) > turn(from[at], node, to[best], x, y)) best = i;
  }
  return best;
}

/** A number that grows with the left turn at b, in (-2, 2]. */
function turn(a: number, b: number, c: number, x: Float64Array, y: Float64Array): number {
  const ux = x[b] - x[a];
  const uy = y[b] - y[a];
  const vx = x[c] - x[b];
  const vy = y[c] - y[b];
  const cross = ux * vy - uy * vx;
  const dot = ux * vx + uy * vy;
  const length = Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
  const cosine = dot / length;
  return cross >= 0 ? 1 - cosine : cosine - 1;
}

/** A loop that comes through a node twice is two loops. */
function withoutRepeats(loop: number[]): number[][] {
  if (loop.length < 6) return [loop];
  const place = new Map<number, number>();
  for (let i = 0; i < loop.length; i++) {
    const before = place.get(loop[i]);
    if (before !== undefined) {
      const inner = loop.slice(before, i);
      const outer = [...loop.slice(0, before), ...loop.slice(i)];
      return [inner, outer].filter((part) => part.length > 2).flatMap(withoutRepeats);
    }
    place.set(loop[i], i);
  }
  return [loop];
}
