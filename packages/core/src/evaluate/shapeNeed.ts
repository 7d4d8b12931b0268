import {
  chainOf,
  copyShifts,
  isRepeating,
  isShapeStep,
  type ShapeStep,
  type Step,
  type StepFrame,
} from '../steps/index.ts';
import type { NeedOf } from '../lettering/index.ts';
import { aroundBoxes, diagonalOf, EMPTY_BOX, type Box3, type Vec3 } from '../math/index.ts';
import { needOf, type Need } from '../shape/index.ts';
import type { Letter } from '../text/index.ts';

/**
 * The shape steps that come before any step that makes faces anew: what a lettering's faces have to be fine enough for.
 */
function leadingShape(steps: readonly Step[]): ShapeStep[] {
  const on = steps.filter((step) => step.on);
  const end = on.findIndex((step) => !isShapeStep(step));
  return on.slice(0, end < 0 ? on.length : end).filter(isShapeStep);
}

interface NeedFrame {
  letters: readonly Letter[];
  toleranceMm: number;
  seconds: number;
  /** how pieces are laid onto others */
  onto: StepFrame['onto'];
}

/** How fine each letter has to be; undefined where nothing is shaped. */
export function shapeNeed(
  steps: readonly Step[],
  { letters, toleranceMm, seconds, onto }: NeedFrame,
): NeedOf | undefined {
  const shape = leadingShape(steps);
  if (shape.every(isRepeating)) return undefined;
  return (boxes, members) => {
    const start = boxes.reduce(aroundBoxes, EMPTY_BOX);
    const { shifts, box } = leadingRepeats(shape, start);
    const chain = chainOf(shape, { box, seconds, onto });
    const leastMm = Math.max(LEAST_OF_TOLERANCE * toleranceMm, LEAST_OF_DIAGONAL * diagonalOf(box));
    return boxes.map((one, i) => {
      const letter = letters[members[i][0]];
      const needs = shifts.map((shift) => {
        const at = shifted(one, shift);
        const foot = plusShift(footOf(letter), shift);
        return needOf(chain, at, { toleranceMm, leastMm, letter: letter.id, foot });
      });
      return needs.reduce(strictest);
    });
  };
}

/** Edges shorter than these help nobody. */
const LEAST_OF_TOLERANCE = 4;
const LEAST_OF_DIAGONAL = 2e-4;

/** Middle of a letter's foot in the flat layout, mm. */
export const footOf = ({ x, y, advance }: Letter): Vec3 => [x + advance / 2, y, 0];

export const plusShift = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

const shifted = ({ low, high }: Box3, by: Vec3): Box3 => ({ low: plusShift(low, by), high: plusShift(high, by) });

const strictest = (a: Need, b: Need): Need => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  z: Math.min(a.z, b.z),
});

/** Where the copies of repeats before any other step stand, and the box around all of them. */
function leadingRepeats(shape: readonly ShapeStep[], box: Box3): { shifts: Vec3[]; box: Box3 } {
  let shifts: Vec3[] = [[0, 0, 0]];
  let whole = box;
  for (const step of shape) {
    if (!isRepeating(step)) break;
    const ways = copyShifts(step, whole);
    shifts = ways.flatMap((way) => shifts.map((shift) => plusShift(shift, way)));
    whole = ways.map((way) => shifted(whole, way)).reduce(aroundBoxes, EMPTY_BOX);
  }
  return { shifts, box: whole };
}
