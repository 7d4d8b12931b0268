import type { Finish, Slot, Slots } from '../document/index.ts';
import { linearFromSrgb } from '../math/index.ts';
import type { Part, Region } from '../mesh/index.ts';

/** A finish as renderers and files take it (metallic-roughness model of glTF 2.0). */
export interface Look {
  /** linear red, green, blue, 0 to 1 */
  colour: [number, number, number];
  roughness: number;
  metallic: number;
  /** linear, 0 to 1 */
  emissive: [number, number, number];
}

const SLOT_OF: Readonly<Record<Part, Slot>> = {
  front: 'front',
  frontEdge: 'frontEdge',
  outerWall: 'wall',
  innerWall: 'wall',
  body: 'wall',
  backEdge: 'backEdge',
  back: 'back',
  floor: 'front',
  recess: 'wall',
  lip: 'frontEdge',
  foot: 'backEdge',
};

const FRONT_OF: Readonly<Partial<Record<Slot, Slot>>> = { back: 'front', backEdge: 'frontEdge' };

export function finishOf(slots: Slots, part: Part): Finish {
  const slot = SLOT_OF[part];
  return slots[(slots.backAsFront && FRONT_OF[slot]) || slot];
}

/** How a piece looks that has cut another one. */
export interface CutterLook {
  slots: Slots;
  /** of its letters that look otherwise, by their ids */
  letters: Readonly<Record<number, Finish>>;
}

/** Finishes of a piece, and of others that have cut it, by their ids. */
export interface PieceLooks {
  slots: Slots;
  others?: Readonly<Record<string, CutterLook>>;
}

/** What another piece has cut looks as that piece does. */
export function finishAt(
  { slots, others }: PieceLooks,
  { part, of, ofLetter }: Pick<Region, 'part' | 'of' | 'ofLetter'>,
): Finish {
  const cutter = of === undefined ? undefined : others?.[of];
  return (ofLetter === undefined ? undefined : cutter?.letters[ofLetter]) ?? finishOf(cutter?.slots ?? slots, part);
}

/** What letters are called in files, and how they look where not as their piece. */
export interface LetterLook {
  text: string;
  finish: Finish | null;
  /** its own place on the baseline, mm, and how it is turned there, radians */
  origin?: { x: number; y: number; turn: number };
}

/** What two finishes of one material have in common. */
export const finishKey = ({ name, colour, gloss, metal, glow }: Finish): string =>
  `${name} ${colour} ${gloss} ${metal} ${glow}`;

/** A name for people: the shelf's, else the colour itself. */
export const finishName = ({ name, colour }: Finish): string => (name === '' ? colour : name);

export function lookOf({ colour, gloss, metal, glow }: Finish): Look {
  const channel = (at: number): number => linearFromSrgb(Number.parseInt(colour.slice(at, at + 2), 16) / 255);
  const linear: [number, number, number] = [channel(1), channel(3), channel(5)];
  return {
    colour: linear,
    roughness: 1 - 0.95 * (gloss / 100),
    metallic: metal / 100,
    emissive: linear.map((v) => v * (glow / 100)) as [number, number, number],
  };
}
