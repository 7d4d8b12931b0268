import type { OntoStep } from '../steps/index.ts';
import { ontoStepOf, type Piece } from '../document/index.ts';
import { middleOfBox, plus, type Vec3 } from '../math/index.ts';
import { flatRoom } from '../surface/index.ts';
import type { Evaluated } from './evaluated.ts';
import { HELD_BEFORE_MM, holdBefore } from './holdOf.ts';

/** How lettering that is laid onto a model fills the flat place it is held at. */
export interface FlatFit {
  /** times the size it has */
  scale: number;
  /** where and how its step then holds it */
  hold: Pick<OntoStep, 'place' | 'fromMm' | 'toward' | 'up'>;
}

/** Of the place: so much of it the lettering takes, the rest is margin. */
const FILLS = 0.9;
/** A place in which the lettering would be so much smaller is not meant. */
const LEAST = 0.25;

/**
 * Undefined where a piece is laid onto nothing, or there is no flat place. Turned as it is; larger or smaller, about
 * the middle of the widest place.
 */
export function flatFit(piece: Piece, { onto, ground }: Evaluated): FlatFit | undefined {
  const step = ontoStepOf(piece);
  if (!step || !onto || !ground) return undefined;
  const { box, held = [0, 0], toleranceMm } = onto.options;
  const [wide, tall] = [box.high[0] - box.low[0], box.high[1] - box.low[1]];
  const hold = holdBefore(step, ground);
  const room = flatRoom(ground, hold, { wide, tall, toleranceMm });
  const scale = FILLS * (room?.scale ?? 0);
  if (!room || scale < LEAST) return undefined;
  // from what is held to the middle of all there is
  const middle = middleOfBox(box);
  const [x, y] = [middle[0] - held[0], middle[1] - held[1]];
  const { across, up, out } = room.axes;
  const at = plus(plus(plus(room.at, across, -scale * x), up, -scale * y), out, HELD_BEFORE_MM);
  return {
    scale,
    hold: { place: { kind: 'pressed' }, fromMm: at, toward: out.map((v) => 0 - v) as Vec3, up: hold.up },
  };
}
