import {
  diagonalOf,
  middleOfBox,
  ownWay,
  plus,
  Target,
  unit as unitOf,
  usualStep,
  type CutStep,
  type OntoStep,
  type Vec3,
} from '@fictile/core';
import type { Flags } from './flags.ts';
import { placeFlag, wayFlag, type GivenModel } from './modelFile.ts';

/** What --with and the flags that go with it make of the model; `target`: the id of the words. */
export function cutStep(flags: Flags, target: string): CutStep {
  const operation = flags.operation ?? 'engrave';
  const usual = usualStep('cut', 'cut');
  return {
    ...usual,
    target,
    operation,
    sinkMm: flags.sink ?? (operation === 'engrave' ? (flags.depth ?? usual.sinkMm) : 0),
    softMm: flags.soften ?? 0,
    softSteps: flags['soften-steps'] ?? usual.softSteps,
    softSide: flags['soften-side'] ?? usual.softSide,
    raiseMm: operation === 'imprint' ? (flags.depth ?? 0) : 0,
    leanPercent: flags.lean ?? 0,
    loose: flags.loose ?? usual.loose,
    ringMm: flags['quads-beside'] ?? usual.ringMm,
  };
}

/** Where flat words are held, or the place that those which follow the surface take instead of --from. */
export function placeHold(flags: Flags, model: GivenModel): Pick<OntoStep, 'fromMm' | 'toward' | 'up'> {
  const { frame, box, mesh } = model;
  const up = flags.up === undefined ? ([0, 1, 0] as Vec3) : wayFlag('up', flags.up, frame);
  const raw = flags.place ?? (frame.up === 'z' ? '-y' : '+z');
  const side = /^([+-])([xyz])$/.exec(raw);
  if (side) {
    const own = ownWay([0, 1, 2].map((k) => ('xyz'[k] === side[2] ? (side[1] === '-' ? -1 : 1) : 0)) as Vec3, frame.up);
    const middle = middleOfBox(box);
    const fromMm = middle.map((v, k) => (own[k] === 0 ? v : own[k] > 0 ? box.high[k] : box.low[k])) as Vec3;
    const normal = flags.normal === undefined ? own : wayFlag('normal', flags.normal, frame);
    return { fromMm, toward: opposite(normal), up };
  }
  const fromMm = placeFlag('place', raw, frame);
  if (flags.normal !== undefined) return { fromMm, toward: opposite(wayFlag('normal', flags.normal, frame)), up };
  const target = new Target(mesh);
  return { fromMm, toward: opposite(target.normalAt(target.closest(fromMm))), up };
}

/** Words that follow the surface are held before a place, so that the line of sight meets it. */
export function heldBefore(hold: ReturnType<typeof placeHold>, { box }: GivenModel): ReturnType<typeof placeHold> {
  return { ...hold, fromMm: plus(hold.fromMm, unitOf(hold.toward), -HELD_SHARE * diagonalOf(box)) };
}

/** Of the diagonal: near enough that nothing else comes between. */
const HELD_SHARE = 0.01;

const opposite = (way: Vec3): Vec3 => way.map((v) => 0 - v) as Vec3;
