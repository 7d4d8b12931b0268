import { firstCurve, MM_PER_UNIT, readDrawing, usualStep, type FreeCurve, type ShapeStep } from '@fictile/core';
import { lengthTriple, type Flags } from './flags.ts';
import { readGiven } from './givenFile.ts';
import { fault, faultOf } from './messages.ts';

/** What flags shape, in this order: copies, twist and taper, waves and noise, then bends, then along a line. */
export async function shapeSteps(flags: Flags): Promise<ShapeStep[]> {
  const { repeat, 'twist-along': twist, 'taper-along': taper, along } = flags;
  return [
    ...(repeat === undefined ? [] : [{ ...usualStep('repeat', 'repeat'), count: repeat, gapMm: flags['repeat-gap'] ?? 20 }]),
    ...(twist === undefined ? [] : [{ ...usualStep('twist', 'twist'), angleDegrees: twist }]),
    ...(taper === undefined ? [] : [{ ...usualStep('taper', 'taper'), percent: taper }]),
    ...waves(flags),
    ...noises(flags),
    ...bends(flags),
    ...(along === undefined ? [] : [await runStep(along, flags)]),
  ];
} // prettier-ignore

function waves({ wave, 'wave-length': lengthMm }: Flags): ShapeStep[] {
  if (wave === undefined) return [];
  const usual = usualStep('wave', 'wave');
  return [{ ...usual, heightMm: wave, lengthMm: lengthMm ?? usual.lengthMm }];
}

function noises({ noise, 'noise-size': sizeMm, 'noise-seed': seed, 'noise-outward': outward }: Flags): ShapeStep[] {
  if (noise === undefined) return [];
  const usual = usualStep('noise', 'noise');
  return [
    {
      ...usual,
      moves: 'outward',
      heightMm: noise,
      sizeMm: sizeMm ?? usual.sizeMm,
      seed: seed ?? usual.seed,
      outwardOnly: outward === true,
    },
  ];
}

/** About a point of the flat layout, which keeps its place; the layer through it keeps its length. */
function bends({ bend, 'bend-axis': axis, 'bend-from': from, 'bend-to': to, 'bend-center': centre }: Flags): ShapeStep[] {
  if (bend === undefined) return [];
  if ((from === undefined) !== (to === undefined))
    throw fault('FLAG_VALUE', '--bend-from and --bend-to go together. Give both, or neither.');
  const centreMm = (centre === undefined ? undefined : lengthTriple(centre)) ?? ([0, 0, 0] as [number, number, number]);
  const limits = from === undefined || to === undefined ? {} : { whole: false, fromMm: from, toMm: to };
  return [
    { ...usualStep('bend', 'bend'), angleDegrees: bend, axis: axis ?? 'y', middle: false, centreMm, keeps: 'centre', ...limits },
  ];
} // prettier-ignore

async function runStep(path: string, { 'along-length': fit, 'along-offset': shiftMm }: Flags): Promise<ShapeStep> {
  const curve = await readCurve(path);
  return { ...usualStep('run', 'along'), path: { kind: 'drawn', curve }, fit: fit ?? 'own', shiftMm: shiftMm ?? 0 };
}

/** The first path of a drawing. */
async function readCurve(path: string): Promise<FreeCurve> {
  const bytes = await readGiven(path, `The line ${path}`);
  const read = await readDrawing(bytes);
  if (!read.ok) throw faultOf(read.error);
  const curve = firstCurve(read.value.shape, MM_PER_UNIT);
  if (curve) return curve;
  throw fault('FLAG_VALUE', `The first path of ${path} has too many points for a line. Simplify it.`);
}
