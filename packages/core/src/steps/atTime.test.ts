import { usualStep } from './registry.ts';
import { atTime } from './atTime.ts';
import { chainOf } from './chain.ts';
import { plainPoint } from '../shape/index.ts';
import type { Vec3 } from '../math/index.ts';

const noise = { ...usualStep('noise', 'n'), drift: 7, moves: 'x' as const };
const box = { low: [-50, 0, 0] as Vec3, high: [50, 40, 20] as Vec3 };

test('what a second brings has come that many times; all else stays', () => {
  expect(atTime(noise, 3)).toEqual({ ...noise, drift: 21 });
  const bend = usualStep('bend', 'b');
  expect(atTime(bend, 3)).toBe(bend);
});

test('after some seconds a pattern lies where it has drifted to', () => {
  const later = chainOf([noise], { box, seconds: 2 }).at(plainPoint([10, 5, 1]));
  const there = chainOf([noise], { box }).at(plainPoint([10, 5, 15]));
  expect(later[0]).toBe(there[0]);
  expect(later[0]).not.toBe(chainOf([noise], { box }).at(plainPoint([10, 5, 1]))[0]);
});
