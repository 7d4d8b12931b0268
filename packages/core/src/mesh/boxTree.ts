/**
 * A tree of boxes over boxes, split at the middle of the longest axis; float64, flat arrays. Leaves hold up to LEAF
 * items.
 */
export interface BoxTree {
  /** items in tree order */
  order: Uint32Array;
  /** six numbers a node: lower then upper corner */
  bounds: Float64Array;
  /** per node: first and one-past-last place in `order` */
  first: Uint32Array;
  last: Uint32Array;
  /** per node: left child, or -1 in leaves; the right child follows the left one */
  child: Int32Array;
}

const LEAF = 8;

/** `boxes`: six numbers an item, lower then upper corner. */
export function boxTree(boxes: Float64Array): BoxTree {
  const count = boxes.length / 6;
  const capacity = 2 * count + 4;
  const order = new Uint32Array(count);
  for (let i = 0; i < count; i++) order[i] = i;
  const tree: BoxTree = {
    order,
    bounds: new Float64Array(capacity * 6),
    first: new Uint32Array(capacity),
    last: new Uint32Array(capacity),
    child: new Int32Array(capacity).fill(-1),
  };
  tree.last[0] = count;
  let made = 1;
  for (let node = 0; node < made; node++) {
    const axis = measure(tree, node, boxes);
    if (tree.last[node] - tree.first[node] <= LEAF) continue;
    const middle = partition(tree, boxes, node, axis);
    tree.child[node] = made;
    tree.first[made] = tree.first[node];
    tree.last[made] = middle;
    tree.first[made + 1] = middle;
    tree.last[made + 1] = tree.last[node];
    made += 2;
  }
  return tree;
}

/** Orders a node's items by the side of its middle their boxes lie on; halves by number where all lie on one side. */
function partition(tree: BoxTree, boxes: Float64Array, node: number, axis: number): number {
  const { order, bounds } = tree;
  const cut = bounds[node * 6 + axis] + bounds[node * 6 + 3 + axis];
  const first = tree.first[node];
  const last = tree.last[node];
  let low = first;
  let high = last;
  while (low < high) {
    const item = order[low];
    if (boxes[item * 6 + axis] + boxes[item * 6 + 3 + axis] < cut) low++;
    else {
      high--;
      order[low] = order[high];
      order[high] = item;
    }
  }
  return low === first || low === last ? (first + last) >> 1 : low;
}

/** Fills in a node's bounds; gives its longest axis. */
function measure(tree: BoxTree, node: number, boxes: Float64Array): number {
  const { bounds, order } = tree;
  const last = tree.last[node];
  let [lowX, lowY, lowZ] = [Infinity, Infinity, Infinity];
  let [highX, highY, highZ] = [-Infinity, -Infinity, -Infinity];
  for (let i = tree.first[node]; i < last; i++) {
    const item = order[i] * 6;
    if (boxes[item] < lowX) lowX = boxes[item];
    if (boxes[item + 1] < lowY) lowY = boxes[item + 1];
    if (boxes[item + 2] < lowZ) lowZ = boxes[item + 2];
    if (boxes[item + 3] > highX) highX = boxes[item + 3];
    if (boxes[item + 4] > highY) highY = boxes[item + 4];
    if (boxes[item + 5] > highZ) highZ = boxes[item + 5];
  }
  const o = node * 6;
  bounds[o] = lowX;
  bounds[o + 1] = lowY;
  bounds[o + 2] = lowZ;
  bounds[o + 3] = highX;
  bounds[o + 4] = highY;
  bounds[o + 5] = highZ;
  const [x, y, z] = [highX - lowX, highY - lowY, highZ - lowZ];
  return x >= y && x >= z ? 0 : y >= z ? 1 : 2;
}

/** Told two items; whether to go on. */
type Visit = (a: number, b: number) => boolean;

const overlap = (a: Float64Array, b: Float64Array, i: number, j: number): boolean =>
  a[i] <= b[j + 3] &&
  b[j] <= a[i + 3] &&
  a[i + 1] <= b[j + 4] &&
  b[j + 1] <= a[i + 4] &&
  a[i + 2] <= b[j + 5] &&
  b[j + 2] <= a[i + 5];

/** Per node: whether any of its items is marked. */
function markedNodes({ order, first, last, child }: BoxTree, marks: Uint8Array): Uint8Array {
  const marked = new Uint8Array(child.length);
  // children come after their parents
  for (let node = child.length - 1; node >= 0; node--) {
    if (child[node] >= 0) marked[node] = marked[child[node]] | marked[child[node] + 1];
    else for (let i = first[node]; i < last[node]; i++) marked[node] |= marks[order[i]];
  }
  return marked;
}

/**
 * Visits every pair of items whose boxes meet, each once, or of those only where the boxes of marked and other items
 * may; stops when `visit` gives false.
 */
export function overlappingPairs(
  tree: BoxTree,
  boxes: Float64Array,
  visit: Visit,
  { marks }: { marks?: Uint8Array } = {},
): void {
  const search = { tree, boxes, visit };
  const marked = marks && markedNodes(tree, marks);
  const stack: number[] = [0, 0];
  while (stack.length > 0) {
    const j = stack.pop() as number;
    const i = stack.pop() as number;
    if (marked && !marked[i] && !marked[j]) continue;
    if (i !== j && !overlap(tree.bounds, tree.bounds, i * 6, j * 6)) continue;
    const ci = tree.child[i];
    const cj = tree.child[j];
    if (ci < 0 && cj < 0) {
      if (!visitLeaves(search, i, j)) return;
    } else if (i === j) stack.push(ci, ci, ci + 1, ci + 1, ci, ci + 1);
    else if (cj < 0 || (ci >= 0 && tree.last[i] - tree.first[i] >= tree.last[j] - tree.first[j]))
      stack.push(ci, j, ci + 1, j);
    else stack.push(i, cj, i, cj + 1);
  }
}

interface PairSearch {
  tree: BoxTree;
  boxes: Float64Array;
  visit: Visit;
}

function visitLeaves({ tree, boxes, visit }: PairSearch, i: number, j: number): boolean {
  const { order, first, last } = tree;
  const [endI, firstJ, endJ] = [last[i], first[j], last[j]];
  for (let p = first[i]; p < endI; p++) {
    const a = order[p];
    for (let q = i === j ? p + 1 : firstJ; q < endJ; q++) {
      const b = order[q];
      if (overlap(boxes, boxes, a * 6, b * 6) && !visit(a, b)) return false;
    }
  }
  return true;
}
