import { fieldAt, rangeOf } from '../fields/index.ts';
import type { Box3, Vec3 } from '../math/index.ts';
import { plainPoint } from '../shape/index.ts';
import { chainOf, handleOf, isShapeStep, startStep, STEPS, stepOf, type ShapeStep } from './index.ts';

const box: Box3 = { low: [-100, 0, 0], high: [100, 60, 20] };
const piece = { flat: box, isBody: false, bodies: ['body'] };
const PULLED_MM = 4;

const held = STEPS.filter(({ handle }) => handle).map(({ kind }) => kind);
const begun = (kind: (typeof held)[number]): ShapeStep => {
  const step = startStep(kind, 'held', piece);
  if (!isShapeStep(step)) throw new Error(`${kind} shapes nothing`);
  return step;
};

test.each(held)('%s is held at the piece, by a number of its own', (kind) => {
  const step = begun(kind);
  const handle = handleOf(step, box);
  if (!handle) throw new Error('it has no handle');
  const part = handle.does === 'pull' ? handle.part : undefined;
  const field = fieldAt(stepOf(kind).fields, part === undefined ? [handle.field] : [handle.field, part]);
  expect(rangeOf(field).max).toBeLessThan(Infinity);
  const places = handle.does === 'pull' ? [handle.place] : [handle.end, handle.pivot];
  for (const place of places)
    place.forEach((v, k) => {
      expect(v).toBeGreaterThanOrEqual(box.low[k] - 1e-9);
      expect(v).toBeLessThanOrEqual(box.high[k] + 1e-9);
    });
});

/** Patterns are as high at the knob as they happen to be. */
const FOLLOWING = held.filter((kind) => !['noise', 'wave', 'relief', 'run', 'bend', 'twist'].includes(kind));

test.each(FOLLOWING)('%s: what is under the knob goes where the hand pulls it', (kind) => {
  const step = begun(kind);
  const handle = handleOf(step, box);
  if (handle?.does !== 'pull') throw new Error('it is not pulled');
  const { place, axis, field, part, share } = handle;
  const values = step as unknown as Record<string, number | number[]>;
  const more = (old: number): number => old + share * PULLED_MM;
  const whole = values[field];
  const next = Array.isArray(whole) ? whole.map((old, k) => (k === part ? more(old) : old)) : more(whole);
  const at = (one: ShapeStep): Vec3 => chainOf([one], { box }).at(plainPoint(place));
  const moved = at({ ...step, [field]: next } as ShapeStep)[axis] - at(step)[axis];
  expect(moved / PULLED_MM).toBeCloseTo(1, 1);
});
