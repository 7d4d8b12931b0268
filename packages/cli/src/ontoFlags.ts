import {
  diagonalOf,
  LIMITS,
  middleOfBox,
  plus,
  splitGraphemes,
  unit as unitOf,
  usualStep,
  type Box3,
  type OntoStep,
  type Vec3,
} from '@fictile/core';
import type { Flags } from './flags.ts';
import { fault } from './messages.ts';
import { placeFlag, wayFlag, type GivenModel } from './modelFile.ts';
import { typedText } from './typedText.ts';

const METHODS = { project: 'direction', nearest: 'closest', wrap: 'round' } as const;

/** What --onto and the flags that go with it say. */
export function ontoStep(flags: Flags, model: GivenModel): OntoStep {
  return {
    ...usualStep('onto', 'onto'),
    target: model.piece.id,
    ...holdOf(flags, model),
    method: METHODS[flags.method ?? 'wrap'],
    liftMm: flags.lift ?? 0,
    turnDegrees: flags.turn ?? 0,
    ...guideOf(flags, model),
    overhang: flags.overhang ?? 'straight',
    rigid: flags.rigid === true,
    letters: lettersOf(flags),
  };
}

/**
 * Ids of letters that are counted from one, "1,3-5"; none given: all of them. A new piece gives its letters their
 * numbers as ids.
 */
function lettersOf({ 'onto-letters': listed, text }: Flags): number[] {
  if (listed === undefined) return [];
  if (text === undefined)
    throw fault('FLAG_VALUE', '--onto-letters picks letters of --text. Give both, or leave it out.');
  const count = splitGraphemes(typedText(text)).length;
  const picked = listed.split(',').flatMap((range) => {
    const [, from, to = from] = /^\s*(\d+)(?:-(\d+))?\s*$/.exec(range) ?? [];
    const [first, last] = [Number(from), Number(to)];
    if (!(first >= 1 && first <= last && last <= count))
      throw fault('FLAG_VALUE', `--onto-letters takes numbers from 1 to ${count}, like "1,3-5", not "${range}".`);
    return Array.from({ length: last - first + 1 }, (_, i) => first + i);
  });
  return [...new Set(picked)];
}

/**
 * Places of a drawn line are given one after the other, with semicolons between them; they say themselves that it is
 * drawn.
 */
function guideOf(flags: Flags, { frame }: GivenModel): Pick<OntoStep, 'guide' | 'guideMm'> {
  const through = flags['guide-through'];
  const guide = flags.guide ?? (through === undefined ? 'straight' : 'drawn');
  if ((guide === 'drawn') !== (through !== undefined))
    throw fault('FLAG_VALUE', '--guide drawn and --guide-through belong together. Give both, or leave both out.');
  if (through === undefined) return { guide, guideMm: [] };
  const guideMm = through.split(';').map((place) => placeFlag('guide-through', place.trim(), frame));
  if (guideMm.length < 2 || guideMm.length > LIMITS.placesOfLine)
    throw fault('FLAG_VALUE', `--guide-through takes 2 to ${LIMITS.placesOfLine} places, like "0,0,50; 10,5,50".`);
  return { guide, guideMm };
}

/** From the file's own axes to ours. Without --from the words are held before the middle of the model's box. */
function holdOf(flags: Flags, { frame, box }: GivenModel): Pick<OntoStep, 'fromMm' | 'toward' | 'up'> {
  const toward = flags.toward === undefined ? ([0, 0, -1] as Vec3) : wayFlag('toward', flags.toward, frame);
  const up = flags.up === undefined ? ([0, 1, 0] as Vec3) : wayFlag('up', flags.up, frame);
  const fromMm = flags.from === undefined ? before(box, toward) : placeFlag('from', flags.from, frame);
  return { fromMm, toward, up };
}

/** A place outside a model, looking at the middle of its box. */
const before = (box: Box3, toward: Vec3): Vec3 => plus(middleOfBox(box), unitOf(toward), -diagonalOf(box));
