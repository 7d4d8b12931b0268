import { axisIndex, type Box3, cos, PI, sin, type Vec3, X, Y, Z } from '../../math/index.ts';
import { courseOf, frame, MeasuredPath, type PointMap } from '../../shape/index.ts';
import type { RunStep } from './fields.ts';
import { pathOf } from './pathOf.ts';

export interface RunMap extends PointMap {
  /** of the stretch that is used, mm */
  used: number;
  /** where a place lies along it, from its start */
  reach(at: Vec3): number;
}

/**
 * Along a line: one axis of the layout runs along it, the others stand across. `mark`: where steps before have put a
 * place of the flat layout.
 */
export function runMap(step: RunStep, box: Box3, mark: (rest: Vec3) => Vec3): RunMap | undefined {
  if (step.path.kind === 'edge') return undefined;
  const line = new MeasuredPath(pathOf(step.path), step.up === 'upright');
  const run = axisIndex[step.axis];
  const end = (place: Vec3): number => mark([place[X], place[Y], 0])[run];
  const [low, high] = [end(box.low), end(box.high)];
  const [from, to] = [step.fromPercent, step.toPercent].sort((a, b) => a - b).map((p) => (line.length * p) / 100);
  const used = to - from;
  const scale = step.fit === 'stretch' && high > low ? used / (high - low) : 1;
  const [sizeAt, rollAt] = [courseOf(step.size), courseOf(step.roll)];
  const reach = (at: Vec3): number => step.shiftMm + (at[run] - low) * scale;
  // a line that is closed goes round by itself; on an open one its start follows its end
  const place = (s: number): number =>
    step.ends === 'round' && !line.closed && used > 0 ? s - Math.floor(s / used) * used : s;
  const found = frame();
  return {
    usesNormal: false,
    featureMm: line.length / 8,
    used,
    reach,
    move: (at) => {
      const s = place(reach(at));
      const inside = line.closed && step.ends === 'round' ? s : Math.min(used, Math.max(0, s));
      const { place: foot, along, up, out } = line.at(from + inside, found);
      const share = used > 0 ? Math.min(1, Math.max(0, s / used)) : 0;
      const size = sizeAt(share) / 100;
      const roll = ((step.rollDegrees + rollAt(share)) * PI) / 180;
      const [high0, deep] = [run === X ? at[Y] : -at[X], at[Z]];
      const [c, d] = [cos(roll) * size, sin(roll) * size];
      const [raised, forth] = [c * high0 - d * deep, d * high0 + c * deep];
      for (let k = 0; k < 3; k++) at[k] = foot[k] + (s - inside) * along[k] + raised * up[k] + forth * out[k];
    },
  };
}
