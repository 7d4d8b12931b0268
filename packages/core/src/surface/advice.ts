import { atan2, dot, minus, PI, type Box3, type Vec3 } from '../math/index.ts';
import { axesOf, onPlane, sightOf, type Hold, type PlaneAxes } from './anchor.ts';
import { flatRoom } from './flatRoom.ts';
import type { Target } from './target.ts';

/** How lettering lies best where it is held, why, and how much room there is. */
export interface Advice {
  method: 'flat' | 'round' | 'direction';
  why: 'flat' | 'bends' | 'bends both ways' | 'uneven';
  /** of the flat place, of a quarter round, or of all of the body, as it is seen from there; mm */
  wideMm: number;
  tallMm: number;
}

/** Of the body's diagonal: what lies farther from the middle of the words says nothing of the place. */
const NEAR = 0.15;
/** Samples to each side of the middle. */
const SAMPLES = 2;
/** Of the distance to the middle: a place so far in front or behind lies in the same plane. */
const PLANE = 0.004;
/** Farther behind than this, of the distance sampled over, lies another place of the body. */
const BEHIND = 1.2;
/** Of unit normals, root mean square: by more they stray from what bends evenly. */
const STRAY = 0.15;
/** Radians from one side of the samples to the other: less is straight. */
const STRAIGHT = 0.05;

interface Sample {
  x: number;
  y: number;
  /** before the plane through the middle, mm */
  out: number;
  normal: Vec3;
}

/** Looks at the surface round a place: a grid of rays, their heights and normals. Undefined where nothing is met. */
export function adviceAt(target: Target, hold: Hold, { low, high }: Box3): Advice | undefined {
  const seen = target.hit(hold.from, sightOf(hold));
  if (!seen) return undefined;
  const normal = target.flatNormalAt(seen);
  const axes = axesOf(normal, hold.up, hold.turnDegrees);
  const [wide, tall] = [Math.max(high[0] - low[0], 1e-3), Math.max(high[1] - low[1], 1e-3)];
  const most = NEAR * target.diagonal;
  const half: readonly [number, number] = [Math.min(wide / 2, most), Math.min(tall / 2, most)];
  const around = samplesOf(target, { at: seen.at, axes, half });
  const far = Math.max(...half);
  if (around.every(({ out }) => Math.abs(out) <= PLANE * far)) {
    const room = flatRoom(target, hold, { wide, tall, toleranceMm: PLANE * far });
    const scale = room?.scale ?? 1;
    return { method: 'flat', why: 'flat', wideMm: scale * wide, tallMm: scale * tall };
  }
  const size = (axis: Vec3): number => extent(target.box, axis);
  if (strayOf(around) > STRAY)
    return { method: 'direction', why: 'uneven', wideMm: size(axes.across), tallMm: size(axes.up) };
  const across = turnOf(around, 'x', axes);
  const up = turnOf(around, 'y', axes);
  const quarter = ({ angle, over }: Turn, whole: number): number =>
    angle > STRAIGHT ? Math.min(whole * (PI / 4), ((PI / 2) * over) / angle) : whole;
  return {
    method: 'round',
    why: across.angle > STRAIGHT && up.angle > STRAIGHT ? 'bends both ways' : 'bends',
    wideMm: quarter(across, size(axes.across)),
    tallMm: quarter(up, size(axes.up)),
  };
}

function samplesOf(
  target: Target,
  { at, axes, half }: { at: Vec3; axes: PlaneAxes; half: readonly [number, number] },
): Sample[] {
  const back = axes.out.map((v) => 0 - v) as Vec3;
  const samples: Sample[] = [];
  for (let i = -SAMPLES; i <= SAMPLES; i++) {
    for (let j = -SAMPLES; j <= SAMPLES; j++) {
      const [x, y] = [(half[0] * i) / SAMPLES, (half[1] * j) / SAMPLES];
      const place = onPlane(axes, at, x, y);
      const before = place.map((v, k) => v + axes.out[k] * target.diagonal) as Vec3;
      const hit = target.hit(before, back);
      const out = hit ? dot(minus(hit.at, at), axes.out) : -Infinity;
      // past an edge lies another place
      if (hit && out > -BEHIND * Math.max(...half)) samples.push({ x, y, out, normal: target.normalAt(hit) });
    }
  }
  return samples;
}

/** How far normals are from turning evenly across and up, root mean square. */
function strayOf(samples: readonly Sample[]): number {
  const mean = (value: (one: Sample) => number): number =>
    samples.reduce((sum, one) => sum + value(one), 0) / samples.length;
  let stray = 0;
  for (let k = 0; k < 3; k++) {
    const middle = mean(({ normal }) => normal[k]);
    const slope = (of: 'x' | 'y'): number => {
      const spread = mean((one) => one[of] * one[of]);
      return spread > 0 ? mean((one) => one[of] * (one.normal[k] - middle)) / spread : 0;
    };
    const [across, up] = [slope('x'), slope('y')];
    stray += mean(({ x, y, normal }) => {
      const off = normal[k] - middle - across * x - up * y;
      return off * off;
    });
  }
  return Math.sqrt(stray);
}

interface Turn {
  /** radians */
  angle: number;
  /** mm along the surface, about */
  over: number;
}

/** How far the surface turns along the middle row or column. */
function turnOf(samples: readonly Sample[], along: 'x' | 'y', axes: PlaneAxes): Turn {
  const other = along === 'x' ? 'y' : 'x';
  const row = samples.filter((one) => one[other] === 0).sort((a, b) => a[along] - b[along]);
  const [first, last] = [row[0], row[row.length - 1]];
  if (row.length < 2) return { angle: 0, over: 1 };
  // only what turns about the other way counts: along a cone normals lean and stay
  const lean = ({ normal }: Sample): number =>
    atan2(dot(normal, along === 'x' ? axes.across : axes.up), dot(normal, axes.out));
  return { angle: Math.abs(lean(first) - lean(last)), over: arcBetween(row, along) };
}

const arcBetween = (row: readonly Sample[], along: 'x' | 'y'): number =>
  row.slice(1).reduce((sum, one, i) => {
    const [far, deep] = [one[along] - row[i][along], one.out - row[i].out];
    return sum + Math.sqrt(far * far + deep * deep);
  }, 0);

/** Of a box, along an axis. */
const extent = ({ low, high }: Box3, axis: Vec3): number =>
  [0, 1, 2].reduce((sum, k) => sum + Math.abs(axis[k]) * (high[k] - low[k]), 0);
