import { lengthOf } from '../../math/index.ts';
import { ringPlace, type RingLine } from './ringLine.ts';
import type { Station } from './stations.ts';

/**
 * Largest distance of the ring from the chords between two stations and the places at these shares of the length
 * between them.
 */
export function spanDeviation(line: RingLine, from: Station, to: Station, shares: readonly number[]): number {
  const length = to.at > from.at ? to.at - from.at : to.at - from.at + line.around[from.segment];
  const marks = [0, ...shares, 1].map((share) => share * length);
  let most = 0;
  let passed = (1 - from.along) * line.length[from.segment];
  let i = line.next[from.segment];
  for (let k = 0; k + 1 < marks.length; k++) {
    const [a, b] = [marks[k], marks[k + 1]].map((at) => ringPlace(line, line.ring[from.segment], from.at + at));
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const chord = lengthOf(dx, dy);
    for (; passed < marks[k + 1] && passed < length; passed += line.length[i], i = line.next[i]) {
      const off = Math.abs(dx * (line.y[i] - a.y) - dy * (line.x[i] - a.x)) / (chord || 1);
      most = Math.max(most, off);
    }
  }
  return most;
}
