import { chainOf, isMoving, type Step } from '../steps/index.ts';
import { cross, cos, minus, sin, unit, type Transform, type Vec3 } from '../math/index.ts';
import { plainPoint } from '../shape/index.ts';
import type { Letter } from '../text/index.ts';
import type { Evaluated } from './evaluated.ts';
import { alongFound } from './foundLines.ts';
import { laidMap } from './ontoReport.ts';

/** Where the steps of a piece put a place of its flat layout, as one of some letter; piece space, mm. */
export type RestShape = (rest: Vec3, letter?: number) => Vec3;

const NONE = {};

/** Undefined where nothing is shaped. Copies are not counted: what is drawn on letters stands on the first. */
export function restShape(
  steps: readonly Step[],
  { flat, onto, lines }: Pick<Evaluated, 'flat' | 'onto' | 'lines'>,
): RestShape | undefined {
  const shape = steps.filter(isMoving).filter(({ on }) => on);
  if (!flat || shape.length === 0) return undefined;
  const map = onto && laidMap(onto);
  const chain = chainOf(alongFound(shape, lines ?? NONE), {
    box: flat,
    onto: (step) => (step.id === onto?.stepId ? map : undefined),
  });
  return (rest, letter = -1) => chain.at({ ...plainPoint(rest), letter });
}

/** In which something stands that hangs on a letter of a piece; piece space. */
export const letterFrame = (
  steps: readonly Step[],
  built: Parameters<typeof restShape>[1],
  { id, x, y, turn }: Pick<Letter, 'id' | 'x' | 'y' | 'turn'>,
): Transform => frameOn(restShape(steps, built), [x, y, 0], { turn, letter: id });

/** Of the flat piece: how far apart places are that tell a direction. */
const BESIDE = 1e-3;

/**
 * A frame that stands on the letters: its origin at a place of the flat layout, its first axis along a line that is
 * turned by some radians. Rigid, wherever it is put.
 */
export function frameOn(
  shape: RestShape | undefined,
  [x, y, z]: Vec3,
  { turn, letter }: { turn: number; letter?: number },
): Transform {
  const [c, s] = [cos(turn), sin(turn)];
  if (!shape) return { rows: [c, 0 - s, 0, s, c, 0, 0, 0, 1], move: [x, y, z] };
  const at = shape([x, y, z], letter);
  const along = unit(minus(shape([x + c * BESIDE, y + s * BESIDE, z], letter), at));
  const rising = minus(shape([x - s * BESIDE, y + c * BESIDE, z], letter), at);
  const out = unit(cross(along, rising));
  const up = cross(out, along);
  return { rows: [along[0], up[0], out[0], along[1], up[1], out[1], along[2], up[2], out[2]], move: at };
}
