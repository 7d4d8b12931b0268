import {
  choice,
  flag,
  heading,
  letters,
  piece,
  place,
  places,
  point,
  turn,
  variants,
  type VariantOf,
} from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

/** The sides of a body, as one sees it from the front. */
export const BODY_SIDES = ['front', 'back', 'left', 'right', 'top', 'under'] as const;
export type BodySide = (typeof BODY_SIDES)[number];

const HELD_PLACES = {
  pressed: {},
  side: {
    side: choice(BODY_SIDES),
    /** to the right and up, as one looks at that side, from its middle; from a border inward */
    acrossMm: place(),
    acrossFrom: choice(['left', 'middle', 'right'], { usual: 'middle' }),
    upMm: place(),
    upFrom: choice(['below', 'middle', 'above'], { usual: 'middle' }),
  },
};
/** How far from what of a side. */
export const HELD_SIDE = HELD_PLACES.side;
/**
 * Where on another piece something is held: where it was pressed, or at a place of one of its sides, which goes along
 * when that piece changes.
 */
export type HeldPlace = VariantOf<typeof HELD_PLACES>;

export const ONTO = {
  /** id of the other piece; empty: none yet */
  target: piece(),
  method: choice(['round', 'direction', 'closest', 'flat']),
  /**
   * what of the flat layout is held: its zero, the middle of all there is, or in that middle the capitals' own or the
   * baseline's
   */
  heldBy: choice(['zero', 'middle', 'capitals', 'baseline']),
  /** at which place of the other piece */
  place: variants(HELD_PLACES, 'pressed'),
  /**
   * where that was pressed, held before the surface, where it looks to, and the letters' up; a side says them itself
   */
  fromMm: point([0, 0, 1000]),
  toward: heading([0, 0, -1]),
  up: heading([0, 1, 0]),
  /** counter-clockwise, as one looks at the letters */
  turnDegrees: turn(),
  liftMm: place(),
  /**
   * of what is laid round: straight on over the surface, level like a ring round a jug, along the model's nearest edge
   * or loop, or drawn on it
   */
  guide: choice(['straight', 'level', 'edge', 'drawn'], { when: { method: 'round' } }),
  /** places that a drawn guide passes, in the other piece's own space; fewer than two: none is drawn yet */
  guideMm: places(0, [], { when: { guide: 'drawn', method: 'round' } }),
  /** ids of letters that are laid, the others stay flat where they are held; none: all are laid */
  letters: letters(),
  /** letters over an edge or beside the model: with the surface, straight on, or not at all */
  overhang: choice(['follow', 'straight', 'leave'], { usual: 'straight' }),
  /** letters keep their form and are only placed and tilted */
  rigid: flag(false),
};
export type OntoStep = StepOf<'onto', typeof ONTO>;

export const isOnto = (step: { kind: string }): step is OntoStep => step.kind === 'onto';

/** The middle of a side of another piece. */
export const middleOfSide = (side: BodySide): Extract<HeldPlace, { kind: 'side' }> => ({
  kind: 'side',
  side,
  acrossMm: 0,
  acrossFrom: 'middle',
  upMm: 0,
  upFrom: 'middle',
});
