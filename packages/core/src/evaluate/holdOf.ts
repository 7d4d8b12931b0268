import { type BodySide, type HeldPlace, type OntoStep, middleOfSide } from '../steps/index.ts';
import { dot, middleOfBox, plus, type Box3, type Vec3 } from '../math/index.ts';
import type { Hold, Target } from '../surface/index.ts';

/** How far before the surface the flat layout is held where it is put there, mm. */
export const HELD_BEFORE_MM = 40;

interface SideAxes {
  across: Vec3;
  up: Vec3;
  out: Vec3;
}

/** Each side as one who stands before it sees it, the front's own up kept as far as may be. */
const SIDES: Readonly<Record<BodySide, SideAxes>> = {
  front: { across: [1, 0, 0], up: [0, 1, 0], out: [0, 0, 1] },
  back: { across: [-1, 0, 0], up: [0, 1, 0], out: [0, 0, -1] },
  left: { across: [0, 0, 1], up: [0, 1, 0], out: [-1, 0, 0] },
  right: { across: [0, 0, -1], up: [0, 1, 0], out: [1, 0, 0] },
  top: { across: [1, 0, 0], up: [0, 0, -1], out: [0, 1, 0] },
  under: { across: [1, 0, 0], up: [0, 0, 1], out: [0, -1, 0] },
};

/** How a step holds the flat plane before a model; `box` is around that model, in its own space. */
export function holdOf({ place, fromMm, toward, up, turnDegrees }: OntoStep, box: Box3): Hold {
  return place.kind === 'side' ? { ...heldOnSide(place, box), turnDegrees } : { from: fromMm, toward, up, turnDegrees };
}

/** The same before a model as it is now; a pressed place that it has grown over lies on it again. */
export function holdBefore(step: OntoStep, target: Target): Hold {
  const hold = holdOf(step, target.box);
  return step.place.kind === 'side' ? hold : { ...hold, from: target.outside(hold.from, hold.toward) };
}

type SidePlace = Extract<HeldPlace, { kind: 'side' }>;

function heldOnSide({ side, acrossMm, acrossFrom, upMm, upFrom }: SidePlace, box: Box3): Omit<Hold, 'turnDegrees'> {
  const { across, up, out } = SIDES[side];
  const half = (axis: Vec3): number =>
    [0, 1, 2].reduce((sum, k) => sum + (Math.abs(axis[k]) * (box.high[k] - box.low[k])) / 2, 0);
  const x = inward(acrossMm, half(across), { left: -1, middle: 0, right: 1 }[acrossFrom]);
  const y = inward(upMm, half(up), { below: -1, middle: 0, above: 1 }[upFrom]);
  const before = plus(middleOfBox(box), out, half(out) + HELD_BEFORE_MM);
  return { from: plus(plus(before, across, x), up, y), toward: out.map((v) => 0 - v) as Vec3, up };
}

/** From the middle; what is measured from a border goes inward from it. */
const inward = (mm: number, half: number, border: number): number => (border === 0 ? mm : border * (half - mm));

/**
 * The place of a side that lies under a place of the model, to a tenth of a mm; undefined where it looks to none of
 * them.
 */
export function sidePlaceAt(at: Vec3, normal: Vec3, box: Box3): SidePlace | undefined {
  const side = (Object.keys(SIDES) as BodySide[]).find((one) => dot(SIDES[one].out, normal) > SQUARE_ON);
  if (!side) return undefined;
  const { across, up } = SIDES[side];
  const way = plus(at, middleOfBox(box), -1);
  const far = (axis: Vec3): number => Math.round(10 * dot(axis, way)) / 10 + 0;
  return { ...middleOfSide(side), acrossMm: far(across), upMm: far(up) };
}

/** Cosine of two degrees. */
const SQUARE_ON = 0.9994;
