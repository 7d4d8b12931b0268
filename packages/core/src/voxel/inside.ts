import { nodesOf, type NodeGrid } from './nodeGrid.ts';

const [UNKNOWN, OUT, IN] = [0, 1, 2];

/**
 * Which nodes lie inside, from how far they lie from the surface alone. Nodes farther than `wall` that can be reached
 * from the grid's corner are outside, others as far are inside: with a wall of half a cell no step between two of them
 * crosses the surface. Nearer ones are on the same side as a neighbour where the two lie farther from the surface,
 * together, than from each other: nothing can be between them. What is left lies all but on the surface, and inside if
 * anything around it does.
 */
export function insideOf(far: Float32Array, grid: NodeGrid, wall: number): Uint8Array {
  const side = new Uint8Array(nodesOf(grid));
  const ways = neighbours(grid);
  markBorder(side, grid);
  const first = grid.strides[0] + grid.strides[1] + grid.strides[2];
  side[first] = OUT;
  const straight = ways.filter(({ distance }) => distance === grid.size);
  spread(side, [first], { ways: straight, goes: (_, next) => far[next] > wall });
  // from farther off no node within the wall is a neighbour
  const isBetween = (node: number): boolean => far[node] < wall + 2 * grid.size;
  const outer = marked(side, OUT, isBetween);
  for (let node = 0; node < side.length; node++) if (side[node] === UNKNOWN && far[node] > wall) side[node] = IN;
  const goes: Goes = (node, next, distance) => far[node] + far[next] > distance;
  spread(side, outer, { ways, goes });
  spread(side, marked(side, IN, isBetween), { ways, goes });
  return side.map((mark, node) => {
    if (mark !== UNKNOWN) return mark === IN ? 1 : 0;
    return ways.some((way) => side[node + way.by] === IN) ? 1 : 0;
  });
}

function marked(side: Uint8Array, mark: number, takes: (node: number) => boolean): number[] {
  const nodes: number[] = [];
  for (let node = 0; node < side.length; node++) if (side[node] === mark && takes(node)) nodes.push(node);
  return nodes;
}

/** From a node to one beside it. */
interface GridWay {
  by: number;
  /** mm */
  distance: number;
}

function neighbours({ size, strides }: NodeGrid): GridWay[] {
  const ways: GridWay[] = [];
  for (let w = 0; w < 27; w++) {
    const moves = [(w % 3) - 1, (Math.floor(w / 3) % 3) - 1, Math.floor(w / 9) - 1];
    const steps = moves.filter((move) => move !== 0).length;
    const distance = steps === 1 ? size : size * Math.sqrt(steps);
    if (steps > 0) ways.push({ by: moves[0] * strides[0] + moves[1] * strides[1] + moves[2] * strides[2], distance });
  }
  return ways;
}

/** The grid's own border lies outside: who never stands on it needs no look at where the grid ends. */
function markBorder(side: Uint8Array, { counts: [across, up, deep] }: NodeGrid): void {
  for (let k = 0, node = 0; k < deep; k++)
    for (let j = 0; j < up; j++)
      for (let i = 0; i < across; i++, node++)
        if (i === 0 || j === 0 || k === 0 || i === across - 1 || j === up - 1 || k === deep - 1) side[node] = OUT;
}

type Goes = (node: number, next: number, distance: number) => boolean;

/** Marks nodes that can be reached from some that are marked. */
function spread(
  side: Uint8Array,
  from: readonly number[],
  { ways, goes }: { ways: readonly GridWay[]; goes: Goes },
): void {
  const open = [...from];
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const { by, distance } of ways) {
      const next = node + by;
      if (side[next] !== UNKNOWN || !goes(node, next, distance)) continue;
      side[next] = side[node];
      open.push(next);
    }
}
