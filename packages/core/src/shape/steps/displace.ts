import type { ShapeStep } from '../../document/index.ts';
import { axisIndex, cos, PI, sin, type Vec3 } from '../../math/index.ts';
import { FIELD_SLOPE } from '../outwardField.ts';
import { cellNoise, gradientNoise } from '../gradientNoise.ts';
import type { PointMap } from '../pointMap.ts';
import { shareWhere } from '../where.ts';
import { reliefHeight, reliefSlope } from './relief.ts';

export type Displacing = Extract<ShapeStep, { kind: 'wave' | 'noise' | 'relief' }>;

export const movesOutward = (step: ShapeStep): step is Displacing =>
  (step.kind === 'wave' || step.kind === 'noise' || step.kind === 'relief') && step.moves === 'outward';

/**
 * Of the whole that a map may stretch by before anything can fold: one half for the pattern, one for the turning of
 * what is outward.
 */
const HALF = 0.45;

/**
 * How softly the outward ways turn for a step, mm: so slowly that this alone folds nothing. Higher than what is sure to
 * hold they turn as they do there, since ever softer ones would fade wherever walls face each other.
 */
export const outwardSigma = (step: Displacing): number => {
  const heightMm = Math.abs(step.heightMm);
  return (FIELD_SLOPE * Math.min(heightMm, heightThatHolds(step) ?? heightMm)) / HALF;
};

/**
 * The height up to which a step that moves outward can't make anything cross, mm: what it adds to places changes by
 * less than the places do, so no two come to lie on each other (a map whose difference from the identity has a
 * Lipschitz constant below one is one to one). Undefined where it does not act on the whole piece.
 */
export function heightThatHolds(step: Displacing): number | undefined {
  const { kind, letters, parts, softMm } = step.where;
  if (letters.length > 0 || parts !== 'all') return undefined;
  if (kind !== 'all' && softMm === 0) return undefined;
  const fading = kind === 'all' ? 0 : 1.5 / softMm;
  return HALF / (slopeOf(step) + fading);
}

/** How steep a pattern of height one is at most, a mm. */
function slopeOf(step: Displacing): number {
  switch (step.kind) {
    case 'wave':
      return (2 * PI) / step.lengthMm;
    case 'relief':
      return reliefSlope(step);
    case 'noise': {
      // every finer pattern is as steep as the first
      const one = (STEEPEST[step.character] / step.sizeMm) * (step.detail / (2 - 2 ** (1 - step.detail)));
      return step.outwardOnly ? one / 2 : one;
    }
  }
}

/** Of patterns of size one: sought over four million places; pebbles by their definition. */
const STEEPEST = { soft: 3.3, creased: 6.6, lumpy: 6.6, pebbled: 2 } as const;

/** Steps that move points outward or along an axis by a height that the place in the flat layout tells. `seconds`: of the document's time. */
export function displaceMap(step: Displacing, seconds: number): PointMap {
  const share = shareWhere(step.where);
  const height = heightOf(step, seconds);
  const way = step.moves === 'outward' ? undefined : axisIndex[step.moves];
  return {
    usesNormal: way === undefined,
    featureMm: featureOf(step),
    move: (at, point) => {
      const strength = share(point);
      if (strength === 0) return;
      const by = step.heightMm * strength * height(point.rest);
      if (way !== undefined) at[way] += by;
      else for (let k = 0; k < 3; k++) at[k] += by * point.normal[k];
    },
  };
}

function featureOf(step: Displacing): number {
  const own = ownFeatureOf(step);
  return step.where.kind === 'all' ? own : Math.min(own, Math.max(step.where.softMm, 0.1));
}

function ownFeatureOf(step: Displacing): number {
  if (step.kind === 'wave') return step.lengthMm / 2;
  if (step.kind === 'relief') return (2 * step.widthMm) / step.columns;
  return step.sizeMm / 2 ** (step.detail - 1);
}

/** Of a place of the flat layout, in shares of the step's height. */
function heightOf(step: Displacing, seconds: number): (rest: Vec3) => number {
  switch (step.kind) {
    case 'wave': {
      const toward = (step.towardDegrees * PI) / 180;
      const [dx, dy] = [cos(toward) / step.lengthMm, sin(toward) / step.lengthMm];
      const phase = step.phaseDegrees / 360;
      // shortened to one turn: own sine is exact only for moderate angles
      return ([x, y]) => {
        const turns = x * dx + y * dy + phase;
        return sin(2 * PI * (turns - Math.floor(turns)));
      };
    }
    case 'noise':
      return noiseHeight(step, seconds);
    case 'relief':
      return reliefHeight(step);
  }
}

function noiseHeight(
  { character, sizeMm, detail, seed, outwardOnly, drift }: Extract<Displacing, { kind: 'noise' }>,
  seconds: number,
): (rest: Vec3) => number {
  const one = CHARACTERS[character];
  const whole = 2 - 2 ** (1 - detail);
  return ([x, y, z]) => {
    let [sum, strength, fine] = [0, 1, 1 / sizeMm];
    for (let octave = 0; octave < detail; octave++) {
      sum += strength * one(seed + octave, x * fine, y * fine, (z + drift * seconds) * fine);
      strength /= 2;
      fine *= 2;
    }
    const height = sum / whole;
    return outwardOnly ? (height + 1) / 2 : height;
  };
}

const CHARACTERS: Readonly<Record<'soft' | 'creased' | 'lumpy' | 'pebbled', typeof gradientNoise>> = {
  soft: gradientNoise,
  creased: (...place) => 1 - 2 * Math.abs(gradientNoise(...place)),
  lumpy: (...place) => 2 * Math.abs(gradientNoise(...place)) - 1,
  pebbled: (...place) => 1 - 2 * Math.min(1, cellNoise(...place)),
};
