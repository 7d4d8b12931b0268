import { axisIndex, type Box3, cos, middleOfBox, PI, sin, type Vec3 } from '../../math/index.ts';
import { spanOf, Spine, type Bend, type PointMap } from '../../shape/index.ts';
import type { BendStep } from './fields.ts';

/**
 * The axis that a bend about another runs along, and the one that its height is measured on: to the back, about z
 * downward.
 */
export const RUNS = { x: 1, y: 0, z: 0 } as const;
export const HEIGHT = { x: 2, y: 2, z: 1 } as const;

/** Bends that follow one another in one plane are one spine. */
export const sharesSpine = (a: BendStep, b: BendStep): boolean =>
  a.axis === b.axis &&
  a.towardDegrees === b.towardDegrees &&
  a.keeps === b.keeps &&
  a.centreMm[HEIGHT[a.axis]] === b.centreMm[HEIGHT[a.axis]];

export interface BendMap extends PointMap {
  spine: Spine;
  /** where a point lies along the spine and off it, towards the inside of a bend by a positive angle */
  seen(at: Vec3): { u: number; h: number };
  from: number;
  to: number;
  radians: number;
}

/**
 * `box`: of the piece; `mark`: where steps before have put a place of the flat layout. The first of several bends says
 * what stays where it is.
 */
export function bendMap(steps: readonly BendStep[], box: Box3, mark: (rest: Vec3) => Vec3): BendMap {
  const [first] = steps;
  const [run, high] = [RUNS[first.axis], HEIGHT[first.axis]];
  const side = 3 - run - high;
  const middle = middleOfBox(box);
  const kept = heightOf(first, box);
  // limits follow what steps before have made of their places
  const marked = (place: number): number => {
    const rest: Vec3 = [...middle];
    rest[run] = place;
    rest[high] = kept;
    return mark(rest)[run];
  };
  const bends = steps.flatMap((step): Bend[] => {
    const span = spanOf({ ...step, axis: run === 0 ? 'x' : 'y' }, box);
    const [from, to] = [span.from, span.to].map(marked).sort((a, b) => a - b);
    return to > from ? [{ from, to, angle: (step.angleDegrees * PI) / 180 }] : [];
  });
  const fixed = marked(first.middle ? middle[run] : first.centreMm[run]);
  const spine = new Spine(bends, fixed);
  const toward = (first.towardDegrees * PI) / 180;
  const [c, s] = [cos(toward), sin(toward)];
  const aside = middle[side];
  // heights point to the back (about z: down), turned about the way the bend runs
  const seen = (at: Vec3): { u: number; h: number; v: number } => {
    const [h, v] = [kept - at[high], aside - at[side]];
    return { u: at[run], h: c * h + s * v, v: c * v - s * h };
  };
  return {
    usesNormal: false,
    featureMm: Infinity,
    bends: bentAtMost(spine.curvatureOf(box.low[run], box.high[run]), farthest(seen, box)),
    spine,
    seen,
    from: Math.min(...bends.map((b) => b.from)),
    to: Math.max(...bends.map((b) => b.to)),
    radians: bends.reduce((sum, { angle }) => sum + angle, 0),
    move: (at) => {
      const { u, h, v } = seen(at);
      const { along, off } = spine.at(u, h);
      at[run] = along;
      at[high] = kept - (c * off - s * v);
      at[side] = aside - (s * off + c * v);
    },
  };
}

function heightOf({ axis, keeps, middle, centreMm }: BendStep, box: Box3): number {
  const k = axisIndex[HEIGHT[axis] === 2 ? 'z' : 'y'];
  if (keeps === 'front') return box.high[k];
  if (keeps === 'back') return box.low[k];
  if (keeps === 'middle') return (box.low[k] + box.high[k]) / 2;
  return middle ? 0 : centreMm[k];
}

/** Of a box: how far off the kept layer it reaches, mm. */
function farthest(seen: (at: Vec3) => { h: number }, { low, high }: Box3): number {
  const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((i): Vec3 => [
    i & 1 ? high[0] : low[0],
    i & 2 ? high[1] : low[1],
    i & 4 ? high[2] : low[2],
  ]);
  return Math.max(...corners.map((corner) => Math.abs(seen(corner).h)));
}

/**
 * A line that runs along the layer by a and off it by b comes to bend by the curvature times (a a q, 2 a b), q being
 * one and the curvature times its height: most of all along the layer where q is large, else aslant. Unknown where the
 * curvature changes: what is off the layer has a kink there.
 */
function bentAtMost(curvature: number | undefined, height: number): number | undefined {
  if (curvature === undefined) return undefined;
  const bent = Math.abs(curvature);
  const q = 1 + bent * height;
  return bent * (q * q >= 2 ? q : 2 / Math.sqrt(4 - q * q));
}
