/** Outlines of faces seen from above: two numbers a corner, and the first corner of each face. */
export interface Outlines {
  places: Float64Array;
  faceStart: ArrayLike<number>;
}

/**
 * Whether any face lies over another one: the middle of each must lie in no other, looked up in a grid of as many cells
 * as there are faces.
 */
export function liesOver({ places, faceStart }: Outlines): boolean {
  const faces = faceStart.length - 1;
  const boxes = Array.from({ length: faces }, (_, f) => boxOf(places, faceStart[f], faceStart[f + 1]));
  const [lowX, lowY, highX, highY] = boxes.reduce(
    (a, b) => [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.max(a[2], b[2]), Math.max(a[3], b[3])],
    [Infinity, Infinity, -Infinity, -Infinity],
  );
  const cell = Math.sqrt(((highX - lowX) * (highY - lowY)) / Math.max(1, faces)) || 1;
  const columns = Math.ceil((highX - lowX) / cell) + 1;
  const cells = new Map<number, number[]>();
  const at = (x: number, y: number): number => Math.floor((y - lowY) / cell) * columns + Math.floor((x - lowX) / cell);
  boxes.forEach(([x0, y0, x1, y1], f) => {
    for (let y = y0; y < y1 + cell; y += cell)
      for (let x = x0; x < x1 + cell; x += cell) {
        const key = at(Math.min(x, x1), Math.min(y, y1));
        const row = cells.get(key);
        if (!row) cells.set(key, [f]);
        else if (row[row.length - 1] !== f) row.push(f);
      }
  });
  return boxes.some((_, f) => {
    const [x, y] = middleOf(places, faceStart[f], faceStart[f + 1]);
    return (cells.get(at(x, y)) ?? []).some(
      (other) => other !== f && holds(places, [faceStart[other], faceStart[other + 1]], [x, y]),
    );
  });
}

function boxOf(places: Float64Array, from: number, to: number): [number, number, number, number] {
  const box: [number, number, number, number] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let c = from; c < to; c++)
    for (let k = 0; k < 2; k++) {
      box[k] = Math.min(box[k], places[2 * c + k]);
      box[2 + k] = Math.max(box[2 + k], places[2 * c + k]);
    }
  return box;
}

/** Of its first triangle, which lies in it where it is convex. */
function middleOf(places: Float64Array, from: number, to: number): [number, number] {
  const sum = (k: number): number => (places[2 * from + k] + places[2 * from + 2 + k] + places[2 * (to - 1) + k]) / 3;
  return [sum(0), sum(1)];
}

/** Whether a place lies in an outline, from one corner to before another (crossing number). */
export function holds(places: Float64Array, [from, to]: [number, number], [x, y]: [number, number]): boolean {
  let isIn = false;
  for (let c = from, before = to - 1; c < to; before = c++) {
    const [ax, ay, bx, by] = [places[2 * before], places[2 * before + 1], places[2 * c], places[2 * c + 1]];
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) isIn = !isIn;
  }
  return isIn;
}
