import type { ShapeStep } from '../../document/index.ts';
import { axisIndex, cos, PI, sin, type Vec3 } from '../../math/index.ts';
import { cellNoise, gradientNoise } from '../gradientNoise.ts';
import type { PointMap } from '../pointMap.ts';
import { shareWhere } from '../where.ts';
import { reliefHeight } from './relief.ts';

type Displacing = Extract<ShapeStep, { kind: 'wave' | 'noise' | 'relief' }>;

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
