import { LIMITS } from '../../base/index.ts';
import { cos, PI, sin } from '../../math/index.ts';
import { numbersOf } from './numbers.ts';

/** x' = a x + c y + e, y' = b x + d y + f. */
export type Matrix = [number, number, number, number, number, number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** First q, then p. */
export const product = (p: Matrix, q: Matrix): Matrix => [
  p[0] * q[0] + p[2] * q[1],
  p[1] * q[0] + p[3] * q[1],
  p[0] * q[2] + p[2] * q[3],
  p[1] * q[2] + p[3] * q[3],
  p[0] * q[4] + p[2] * q[5] + p[4],
  p[1] * q[4] + p[3] * q[5] + p[5],
];

const radians = (degrees: number): number => (degrees * PI) / 180;
const tangent = (degrees: number): number => sin(radians(degrees)) / cos(radians(degrees));

const KINDS: Readonly<Record<string, (v: readonly number[]) => Matrix | undefined>> = {
  matrix: (v) => (v.length === 6 ? [v[0], v[1], v[2], v[3], v[4], v[5]] : undefined),
  translate: ([x, y = 0]) => [1, 0, 0, 1, x, y],
  scale: ([x, y = x]) => [x, 0, 0, y, 0, 0],
  rotate: ([angle, x = 0, y = 0]) => {
    const [s, c] = [sin(radians(angle)), cos(radians(angle))];
    return [c, s, -s, c, x - c * x + s * y, y - s * x - c * y];
  },
  skewX: ([angle]) => [1, 0, tangent(angle), 1, 0, 0],
  skewY: ([angle]) => [1, tangent(angle), 0, 1, 0, 0],
};

const PART = /[\s,]*([a-z]{1,20})\s*\(([^()]*)\)/iy;

/**
 * A transform list (SVG 2, 8.5; with CSS's units left off), read from part to part. Undefined: not to be understood.
 */
export function matrixOf(text: string | undefined): Matrix | undefined {
  let matrix: Matrix = IDENTITY;
  const list = text?.trim() ?? '';
  if (list === '' || list === 'none') return matrix;
  if (list.length > LIMITS.drawingTransformCharacters) return undefined;
  PART.lastIndex = 0;
  for (let at = 0; at < list.length; at = PART.lastIndex) {
    const part = PART.exec(list);
    if (!part) return undefined;
    const [, name, values] = part;
    const numbers = numbersOf(values);
    const made = numbers.length > 0 && Object.hasOwn(KINDS, name) ? KINDS[name](numbers) : undefined;
    if (!made?.every(Number.isFinite)) return undefined;
    matrix = product(matrix, made);
  }
  return matrix;
}
