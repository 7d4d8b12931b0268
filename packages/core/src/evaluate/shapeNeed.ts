import { counted, keyOf, type Crew, type StageLog } from '../base/index.ts';
import {
  atTime,
  chainOf,
  copyShifts,
  isMoving,
  isRepeating,
  isShapeStep,
  lettersOf,
  type ShapeStep,
  type Step,
  type StepFrame,
} from '../steps/index.ts';
import type { NeedOf } from '../lettering/index.ts';
import { aroundBoxes, diagonalOf, EMPTY_BOX, type Box3, type Vec3 } from '../math/index.ts';
import type { Letter } from '../text/index.ts';
import { NEED, type NeedInputs, type Needs, type NeedTask } from './stages/need.ts';
import { valuesOfStep } from './stages/refine.ts';

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
  isLaidOnNothing: boolean;
  tools: { needs: Needs; crew: Crew | undefined; log: StageLog | undefined };
}

/** How fine each letter has to be; undefined where nothing is shaped. */
export function shapeNeed(steps: readonly Step[], frame: NeedFrame): NeedOf | undefined {
  const shape = leadingShape(steps);
  if (shape.every(isRepeating)) return undefined;
  return async (boxes, members) => {
    const start = boxes.reduce(aroundBoxes, EMPTY_BOX);
    const { shifts, box } = leadingRepeats(shape, start);
    const { toleranceMm, seconds, onto, letters, isLaidOnNothing, tools } = frame;
    const chain = chainOf(shape, { box, seconds, onto });
    const moving = shape.filter(isMoving);
    const name = keyOf('chain of need', { steps: moving.map((step) => valuesOfStep(atTime(step, seconds))), box });
    const picks = moving.some((step) => lettersOf(step).length > 0);
    const each = boxes.map((one, i): NeedInputs => {
      const letter = letters[members[i][0]];
      return {
        chain: { key: name, of: chain },
        boxes: shifts.map((shift) => shifted(one, shift)),
        feet: shifts.map((shift) => plusShift(footOf(letter), shift)),
        letter: picks ? letter.id : undefined,
        toleranceMm,
        leastMm: Math.max(LEAST_OF_TOLERANCE * toleranceMm, LEAST_OF_DIAGONAL * diagonalOf(box)),
      };
    });
    // what a piece is laid on is no part of its chain's name
    if (!isLaidOnNothing) return counted(tools.log, NEED.name, () => each.map((one) => NEED.make(one, undefined)));
    const rows = each.map((one) => tools.needs.row(one, undefined));
    const alone = { key: name, of: { steps: moving, earlier: [], box, seconds } };
    if (tools.crew)
      await tools.needs.fill(rows, tools.crew, {
        sent: ({ inputs: { chain: _, ...inputs } }): NeedTask => ({ inputs, chain: alone }),
      });
    return rows.map((row) => tools.needs.take(row).of);
  };
}

/** Edges shorter than these help nobody. */
const LEAST_OF_TOLERANCE = 4;
const LEAST_OF_DIAGONAL = 2e-4;

/** Middle of a letter's foot in the flat layout, mm. */
export const footOf = ({ x, y, advance }: Letter): Vec3 => [x + advance / 2, y, 0];

export const plusShift = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

const shifted = ({ low, high }: Box3, by: Vec3): Box3 => ({ low: plusShift(low, by), high: plusShift(high, by) });

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
