/** Across, up, towards the viewer; mm. */
export type Vec3 = [number, number, number];

export interface Box3 {
  low: Vec3;
  high: Vec3;
}

export const X = 0;
export const Y = 1;
export const Z = 2;
export const axisIndex = { x: X, y: Y, z: Z } as const;

export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const sizeOf = (a: Vec3): number => Math.sqrt(dot(a, a));
export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
/** a + s b */
export const plus = (a: Vec3, b: Vec3, s = 1): Vec3 => [a[0] + s * b[0], a[1] + s * b[1], a[2] + s * b[2]];

/** Of length 1; what has no length stays. */
export function unit(a: Vec3): Vec3 {
  const size = sizeOf(a);
  return size > 0 ? [a[0] / size, a[1] / size, a[2] / size] : a;
}

/** From a place to the stretch between two others. */
export function distanceToStretch(at: Vec3, from: Vec3, to: Vec3): number {
  const way = minus(to, from);
  const along = Math.max(0, Math.min(sizeOf(way), dot(minus(at, from), unit(way))));
  return sizeOf(minus(at, plus(from, unit(way), along)));
}

export const middleOfBox = ({ low, high }: Box3): Vec3 => [
  (low[0] + high[0]) / 2,
  (low[1] + high[1]) / 2,
  (low[2] + high[2]) / 2,
];

export const movedBox = ({ low, high }: Box3, by: Vec3): Box3 => ({ low: plus(low, by), high: plus(high, by) });

export const diagonalOf = ({ low, high }: Box3): number => sizeOf(minus(high, low));

/** Across, up and deep; nothing of an empty box. */
export const sizeOfBox = (box: Box3): Vec3 => (isEmptyBox(box) ? [0, 0, 0] : minus(box.high, box.low));

export const isEmptyBox = ({ low, high }: Box3): boolean => low[0] > high[0];

/** Of nothing: what is put around it is its box. */
export const EMPTY_BOX: Box3 = { low: [Infinity, Infinity, Infinity], high: [-Infinity, -Infinity, -Infinity] };

export const aroundBoxes = (a: Box3, b: Box3): Box3 => ({
  low: a.low.map((v, k) => Math.min(v, b.low[k])) as Vec3,
  high: a.high.map((v, k) => Math.max(v, b.high[k])) as Vec3,
});

/** Around points, three numbers each, moved by a shift. */
export function boxOfPoints(p: ArrayLike<number>, shift: readonly number[] = [0, 0, 0]): Box3 {
  const box: Box3 = { low: [Infinity, Infinity, Infinity], high: [-Infinity, -Infinity, -Infinity] };
  for (let k = 0; k < 3; k++) {
    let [low, high] = [Infinity, -Infinity];
    for (let i = k; i < p.length; i += 3) {
      if (p[i] < low) low = p[i];
      if (p[i] > high) high = p[i];
    }
    box.low[k] = low + shift[k];
    box.high[k] = high + shift[k];
  }
  return box;
}

/** Whether two boxes share a place, if only on their borders. */
export const boxesMeet = (a: Box3, b: Box3): boolean =>
  [0, 1, 2].every((k) => a.low[k] <= b.high[k] && b.low[k] <= a.high[k]);

/** With so much room on every side. */
export const grownBox = ({ low, high }: Box3, room: number): Box3 => ({
  low: low.map((v) => v - room) as Vec3,
  high: high.map((v) => v + room) as Vec3,
});
