import { choice, course, line, place, share, turn, type StepPath } from '../../fields/index.ts';
import type { StepOf } from '../definition.ts';

export const RUN = {
  axis: choice(['x', 'y']),
  path: line('coil'),
  fit: choice(['own', 'stretch'], { flag: 'length' }),
  /** the stretch of the line that is used */
  fromPercent: share(0, 100),
  toPercent: share(0, 100, { usual: 100 }),
  shiftMm: place({ flag: 'offset' }),
  ends: choice(['stop', 'straight', 'round'], { usual: 'straight' }),
  up: choice(['rolling', 'upright']),
  rollDegrees: turn(),
  /** along the used stretch: percent, degrees */
  size: course(100, 100, { shown: { min: 0, max: 300, unit: '%' } }),
  roll: course(0, 0, { shown: { min: -360, max: 360, unit: 'deg' } }),
};
export type RunStep = StepOf<'run', typeof RUN>;
export type EdgePath = Extract<StepPath, { kind: 'edge' }>;
export type EdgeStep = RunStep & { path: EdgePath };

export const isRun = (step: { kind: string }): step is RunStep => step.kind === 'run';
/** A step that runs along an edge of another piece. */
export const isOnEdge = (step: { kind: string }): step is EdgeStep => isRun(step) && step.path.kind === 'edge';
