import type { StepPath } from '../../fields/index.ts';
import { cos, PI, sin, type Vec3 } from '../../math/index.ts';
import { CurveBuilder, drawKnots } from '../../outline/index.ts';
import { fill, pathSpot, throughPlaces, type PathSpot, type SpaceLine } from '../../shape/index.ts';

const FRONT_UP: Vec3 = [0, 1, 0];
/** Pieces a turn of a formed line. */
const A_TURN = 16;

/** Of lines that stand by themselves: an edge of another piece has to be found first. */
export function pathOf(path: Exclude<StepPath, { kind: 'edge' }>): SpaceLine {
  switch (path.kind) {
    case 'ring':
      return around({ radius: () => [path.radiusMm, 0], turns: 1, rise: 0, closed: true });
    case 'coil':
      return around({ radius: () => [path.radiusMm, 0], turns: path.turns, rise: path.riseMm, closed: false });
    case 'spiral':
      return spiral(path);
    case 'ripple':
      return ripple(path);
    case 'drawn':
      return drawn(path.curve);
    case 'places':
      return throughPlaces(path);
  }
}

/** Around the upright axis, from the front to the right; t is the angle. */
function around({
  radius,
  turns,
  rise,
  closed,
}: {
  radius: (t: number) => [number, number];
  turns: number;
  rise: number;
  closed: boolean;
}): SpaceLine {
  const end = 2 * PI * turns;
  return {
    end,
    closed,
    pieces: Math.ceil(A_TURN * turns),
    up: FRONT_UP,
    at: (t, at) => {
      const [r, dr] = radius(t);
      const [s, c] = [sin(t), cos(t)];
      fill(at.place, r * s, (rise * t) / end, r * c);
      fill(at.speed, r * c + dr * s, rise / end, dr * c - r * s);
      return at;
    },
  };
}

/** In the plane of the front, from its middle outward; letters stand outward, clockwise from the left. */
function spiral({ innerMm, outerMm, turns }: Extract<StepPath, { kind: 'spiral' }>): SpaceLine {
  const end = 2 * PI * turns;
  const grows = (outerMm - innerMm) / end;
  return {
    end,
    closed: false,
    pieces: Math.ceil(A_TURN * turns),
    up: [-1, 0, 0],
    at: (t, at) => {
      // a spiral from nothing has no direction at its first point
      const r = Math.max(innerMm, 1e-3) + grows * t;
      const [s, c] = [sin(t), cos(t)];
      fill(at.place, -r * c, r * s, 0);
      fill(at.speed, r * s - grows * c, r * c + grows * s, 0);
      return at;
    },
  };
}

function ripple({ lengthMm, heightMm, waves }: Extract<StepPath, { kind: 'ripple' }>): SpaceLine {
  const turn = (2 * PI) / lengthMm;
  const end = lengthMm * waves;
  return {
    end,
    closed: false,
    pieces: Math.ceil(A_TURN * waves),
    up: FRONT_UP,
    at: (t, at) => {
      fill(at.place, t - end / 2, (heightMm / 2) * sin(turn * t), 0);
      fill(at.speed, 1, (heightMm / 2) * turn * cos(turn * t), 0);
      return at;
    },
  };
}

const BESIDE = 1e-4;

/** The cubic pieces of a curve that was drawn in the plane of the front. */
function drawn(curve: Extract<StepPath, { kind: 'drawn' }>['curve']): SpaceLine {
  const builder = new CurveBuilder({ keepsOpen: true });
  drawKnots(builder, curve);
  const { degree, control } = builder.finish();
  const count = Math.max(1, degree.length);
  const at = (t: number, into: PathSpot): PathSpot => {
    const i = Math.min(count - 1, Math.max(0, Math.floor(t)));
    const row = (u: number): [number, number][] => [0, 1].map((k) => bezier(control, 8 * i + k, degree[i] ?? 1, u));
    const [[x, dx], [y, dy]] = row(t - i);
    fill(into.place, x, y, 0);
    fill(into.speed, dx, dy, 0);
    if (dx !== 0 || dy !== 0) return into;
    // an arm of no length: the direction shows just beside it
    const [[, ex], [, ey]] = row(t - i < 0.5 ? BESIDE : 1 - BESIDE);
    fill(into.speed, ex, ey, 0);
    return into;
  };
  const first = at(1e-9, pathSpot()).speed;
  return { end: count, closed: curve.closed, pieces: count, up: [-first[1], first[0], 0], at };
}

/** One coordinate of a Bezier curve and its derivative. */
function bezier(control: Float64Array, from: number, degree: number, t: number): [number, number] {
  const [a, b, c, d] = [0, 2, 4, 6].map((k) => control[from + k] ?? 0);
  const s = 1 - t;
  if (degree === 1) return [a * s + b * t, b - a];
  if (degree === 2) return [a * s * s + 2 * b * s * t + c * t * t, 2 * ((b - a) * s + (c - b) * t)];
  const place = a * s * s * s + 3 * b * s * s * t + 3 * c * s * t * t + d * t * t * t;
  return [place, 3 * ((b - a) * s * s + 2 * (c - b) * s * t + (d - c) * t * t)];
}
