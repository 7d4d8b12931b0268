import type { BodySide, Course, HeldPlace, Step, StepKind, StepPlace } from './stepSchema.ts';

/** Acting everywhere. */
export const usualWhere = (): StepPlace => ({
  kind: 'all',
  axis: 'x',
  centreMm: [0, 0, 0],
  sizeMm: [100, 100, 100],
  softMm: 20,
  parts: 'all',
  letters: [],
});

/** The middle of a side of another piece. */
export const middleOfSide = (side: BodySide): Extract<HeldPlace, { kind: 'side' }> => ({
  kind: 'side',
  side,
  acrossMm: 0,
  acrossFrom: 'middle',
  upMm: 0,
  upFrom: 'middle',
});

const whole = { whole: true, fromMm: -100, toMm: 100 } as const;
const about = { middle: true, centreMm: [0, 0, 0] as [number, number, number] } as const;
const displacing = () => ({ where: usualWhere(), heightMm: 3 }) as const;
const same = (value: number): Course => [
  { at: 0, value },
  { at: 1, value },
];

/** A step as it is when it is added. */
export function usualStep<K extends StepKind>(kind: K, id: string): Extract<Step, { kind: K }> {
  const base = { id, on: true } as const;
  const all: { [T in StepKind]: Extract<Step, { kind: T }> } = {
    subdivide: { ...base, kind: 'subdivide', times: 1, way: 'straight', edges: 'stay' },
    reduce: { ...base, kind: 'reduce', by: 'share', sharePercent: 50, count: 5000, errorMm: 0.1 },
    triangles: { ...base, kind: 'triangles', rule: 'short' },
    quads: { ...base, kind: 'quads', withinDegrees: 10 },
    join: { ...base, kind: 'join', withinMm: 0.01 },
    clear: { ...base, kind: 'clear', withinDegrees: 0.1 },
    crisp: { ...base, kind: 'crisp', fromDegrees: 30 },
    recast: { ...base, kind: 'recast', sizeMm: 1, thickMm: 0, meltMm: 0, errorMm: 0.1 },
    bend: { ...base, ...whole, ...about, kind: 'bend', axis: 'y', angleDegrees: 60, towardDegrees: 0, keeps: 'middle' },
    twist: { ...base, ...whole, ...about, kind: 'twist', axis: 'x', angleDegrees: 45, ease: 'even' },
    taper: { ...base, ...whole, ...about, kind: 'taper', axis: 'x', percent: 40, ease: 'even' },
    shear: { ...base, ...whole, kind: 'shear', axis: 'x', byMm: [20, 0], ease: 'even' },
    stretch: { ...base, ...whole, kind: 'stretch', axis: 'x', percent: 30, ease: 'even' },
    pinch: { ...base, ...whole, ...about, kind: 'pinch', axis: 'x', percent: 40 },
    bulge: { ...base, kind: 'bulge', shape: 'ball', axis: 'x', heightMm: 20, solid: true },
    wave: { ...base, ...displacing(), kind: 'wave', moves: 'z', lengthMm: 120, towardDegrees: 0, phaseDegrees: 0 },
    noise: { ...base, ...displacing(), kind: 'noise', moves: 'z', character: 'soft', sizeMm: 40, detail: 2, seed: 1, outwardOnly: false, drift: 0 },
    relief: { ...base, ...displacing(), kind: 'relief', moves: 'z', columns: 1, rows: 1, heights: 'AA==', atMm: [0, 0], widthMm: 200, repeats: false },
    run: { ...base, kind: 'run', axis: 'x', path: { kind: 'coil', radiusMm: 80, riseMm: 90, turns: 1 }, fit: 'own', fromPercent: 0, toPercent: 100, shiftMm: 0, ends: 'straight', up: 'rolling', rollDegrees: 0, size: same(100), roll: same(0) },
    repeat: { ...base, kind: 'repeat', axis: 'x', count: 2, gapMm: 20 },
    scatter: { ...base, kind: 'scatter', by: 'chance', course: [{ at: 0, value: 0 }, { at: 1, value: 1 }], seed: 1, moveMm: [0, 8, 0], turnDegrees: [0, 0, 12], scalePercent: 100, rigid: true },
    onto: { ...base, kind: 'onto', target: '', method: 'round', heldBy: 'zero', place: { kind: 'pressed' }, fromMm: [0, 0, 1000], toward: [0, 0, -1], up: [0, 1, 0], turnDegrees: 0, liftMm: 0, guide: 'straight', guideMm: [], letters: [], overhang: 'straight', rigid: false },
    cut: { ...base, kind: 'cut', target: '', operation: 'engrave', sinkMm: 2, softMm: 0, softSteps: 4, softSide: 'outward', raiseMm: 0, leanPercent: 0, loose: 'keep', clean: true, ringMm: 0 },
  }; // prettier-ignore
  return all[kind];
}
