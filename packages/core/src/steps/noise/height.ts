import type { Vec3 } from '../../math/index.ts';
import { cellNoise, gradientNoise } from '../../shape/index.ts';
import type { NoiseStep } from './fields.ts';

/** Of patterns of size one: sought over four million places; pebbles by their definition. */
const STEEPEST = { soft: 3.3, creased: 6.6, lumpy: 6.6, pebbled: 2 } as const;

const CHARACTERS: Readonly<Record<NoiseStep['character'], typeof gradientNoise>> = {
  soft: gradientNoise,
  creased: (seed: number, x: number, y: number, z: number) => 1 - 2 * Math.abs(gradientNoise(seed, x, y, z)),
  lumpy: (seed: number, x: number, y: number, z: number) => 2 * Math.abs(gradientNoise(seed, x, y, z)) - 1,
  pebbled: (seed: number, x: number, y: number, z: number) => 1 - 2 * Math.min(1, cellNoise(seed, x, y, z)),
};

/** Patterns of half the size and strength each on top of one another. */
export function noiseHeight({
  character,
  sizeMm,
  detail,
  seed,
  outwardOnly,
  drift,
}: NoiseStep): (rest: Vec3) => number {
  const one = CHARACTERS[character];
  const whole = 2 - 2 ** (1 - detail);
  return (rest) => {
    const x = rest[0];
    const y = rest[1];
    const z = rest[2];
    let sum = 0;
    let strength = 1;
    let fine = 1 / sizeMm;
    for (let octave = 0; octave < detail; octave++) {
      sum += strength * one(seed + octave, x * fine, y * fine, (z + drift) * fine);
      strength /= 2;
      fine *= 2;
    }
    const height = sum / whole;
    return outwardOnly ? (height + 1) / 2 : height;
  };
}

/** Every finer pattern is as steep as the first. */
export function noiseSlope({ character, sizeMm, detail, outwardOnly }: NoiseStep): number {
  const one = (STEEPEST[character] / sizeMm) * (detail / (2 - 2 ** (1 - detail)));
  return outwardOnly ? one / 2 : one;
}
