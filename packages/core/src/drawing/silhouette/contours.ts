/** A picture by how light its pixels are, 0 dark to 255 light, row after row from the top. */
export interface Shades {
  width: number;
  height: number;
  values: Float32Array;
}

/** x and y one after the other, pixels; closed. */
export type PixelContour = Float64Array;

/** The four sides of a cell between four middles of pixels: where a contour can leave it. */
const [TOP, RIGHT, BOTTOM, LEFT] = [0, 1, 2, 3];
/**
 * By which corners are ink (top left 1, top right 2, bottom right 4, bottom left 8): from side to side, ink on the
 * right.
 */
const WAYS: readonly (readonly (readonly [number, number])[])[] = [
  [],
  [[LEFT, TOP]],
  [[TOP, RIGHT]],
  [[LEFT, RIGHT]],
  [[RIGHT, BOTTOM]],
  [
    [LEFT, TOP],
    [RIGHT, BOTTOM],
  ],
  [[TOP, BOTTOM]],
  [[LEFT, BOTTOM]],
  [[BOTTOM, LEFT]],
  [[BOTTOM, TOP]],
  [
    [TOP, RIGHT],
    [BOTTOM, LEFT],
  ],
  [[BOTTOM, RIGHT]],
  [[RIGHT, LEFT]],
  [[RIGHT, TOP]],
  [[TOP, LEFT]],
  [],
];

/**
 * Lines of one lightness round what is darker (marching squares, Lorensen and Cline 1987 in the plane), between the
 * middles of pixels. Around the picture it is light, so all are closed. Of two ways through a saddle the one is taken
 * that keeps dark places apart.
 */
export function contours(shades: Shades, level: number): PixelContour[] {
  const { width, height } = shades;
  const across = width + 1;
  const lightAt = (x: number, y: number): number =>
    x < 0 || y < 0 || x >= width || y >= height ? 255 : shades.values[y * width + x];
  // from each side that a contour comes in by, the side it leaves by; sides are shared by two cells
  const next = new Map<number, number>();
  const sideOf = (x: number, y: number, side: number): number => {
    const row = side === BOTTOM ? y + 1 : y;
    const column = side === RIGHT ? x + 1 : x;
    return 2 * (row * (across + 1) + column) + (side === TOP || side === BOTTOM ? 0 : 1);
  };
  for (let y = 0; y <= height; y++)
    for (let x = 0; x <= width; x++) {
      const ink = [lightAt(x - 1, y - 1), lightAt(x, y - 1), lightAt(x, y), lightAt(x - 1, y)];
      const kind = ink.reduce((sum, light, i) => (light < level ? sum | (1 << i) : sum), 0);
      for (const [from, to] of WAYS[kind]) next.set(sideOf(x, y, from), sideOf(x, y, to));
    }
  const placeOf = (side: number): [number, number] => {
    const cell = side >> 1;
    const [x, y] = [cell % (across + 1), Math.floor(cell / (across + 1))];
    const [a, b] =
      side % 2 === 0 ? [lightAt(x - 1, y - 1), lightAt(x, y - 1)] : [lightAt(x - 1, y - 1), lightAt(x - 1, y)];
    const share = (level - a) / (b - a);
    return side % 2 === 0 ? [x - 0.5 + share, y - 0.5] : [x - 0.5, y - 0.5 + share];
  };
  return loopsOf(next).map((sides) => Float64Array.from(sides.flatMap(placeOf)));
}

function loopsOf(next: Map<number, number>): number[][] {
  const loops: number[][] = [];
  for (const start of next.keys()) {
    const loop: number[] = [];
    for (let side: number | undefined = start; side !== undefined;) {
      const after: number | undefined = next.get(side);
      if (after === undefined) break;
      loop.push(side);
      next.delete(side);
      side = after;
    }
    if (loop.length > 0) loops.push(loop);
  }
  return loops;
}

/** Twice over a square of `radius` pixels each way: nearly a bell curve. */
export function blurred(shades: Shades, radius: number): Shades {
  if (radius <= 0) return shades;
  const { width, height } = shades;
  let values = shades.values;
  for (let times = 0; times < 2; times++) {
    values = averaged(values, { count: height, long: width, step: 1, stride: width }, radius);
    values = averaged(values, { count: width, long: height, step: width, stride: 1 }, radius);
  }
  return { width, height, values };
}

interface ShadeRows {
  count: number;
  long: number;
  step: number;
  stride: number;
}

/** Along rows; what lies beyond an end is light. */
function averaged(values: Float32Array, { count, long, step, stride }: ShadeRows, radius: number): Float32Array {
  const out = new Float32Array(values.length);
  const wide = 2 * radius + 1;
  for (let row = 0; row < count; row++) {
    const at = (i: number): number => (i < 0 || i >= long ? 255 : values[row * stride + i * step]);
    let sum = 0;
    for (let i = -radius; i <= radius; i++) sum += at(i);
    for (let i = 0; i < long; i++) {
      out[row * stride + i * step] = sum / wide;
      sum += at(i + radius + 1) - at(i - radius);
    }
  }
  return out;
}
