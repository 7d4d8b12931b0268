import type { Vec3 } from '../math/index.ts';
import { linkedUp, type Link, type ShapeChain } from './chain.ts';
import type { ChainStep, MovingOf } from './moving.ts';
import type { ChainPoint } from './pointMap.ts';
import { meshPoints, meshRows, type Shaped } from './meshPoints.ts';

/** A step that turns part of a piece inside out, or makes its ends meet. */
export interface Fold {
  stepId: string;
  kind: string;
  /** where, in the flat layout, mm */
  place: Vec3;
  /**
   * the largest value (angle, percent, height; as the step has it) at which nothing folds; undefined: the step has no
   * such value
   */
  limit: number | undefined;
  /** nothing folds, but a whole turn brings ends together */
  touches: boolean;
}

/** Points that are looked at. */
const MOST_POINTS = 6000;
/** Folded ones by which the limit is found. */
const FOLDED_KEPT = 200;
const HALVINGS = 12;

/** At most one fold a link. `shaped`: all meshes of the piece, flat. */
export function foldsOf(shaped: readonly Shaped[], steps: readonly ChainStep[], chain: ShapeChain): Fold[] {
  const { movingOf } = chain.frame;
  const risky = chain.links.map(({ steps: [step] }) => movingOf(step).canFold(step));
  const touches = chain.links.flatMap((link) => touching(link, movingOf));
  if (!risky.includes(true)) return touches;
  const folds: Fold[] = [];
  const points = somePoints(shaped);
  chain.links.forEach((link, i) => {
    if (!risky[i]) return;
    const left = leftBy(link, chain, i);
    const folded = worst(points.map((point) => ({ point, left: left(point) })).filter((one) => one.left <= 0));
    if (folded.length === 0) return;
    const [{ id, kind }] = link.steps;
    folds.push({
      stepId: id,
      kind,
      place: folded[0].rest,
      limit: limitOf(steps, link, { chain, at: i, folded }),
      touches: false,
    });
  });
  return [...folds, ...touches];
}

/** The points that are turned most: those that fold first decide how far one may go. */
const worst = (folded: { point: ChainPoint; left: number }[]): ChainPoint[] =>
  folded
    .sort((a, b) => a.left - b.left)
    .slice(0, FOLDED_KEPT)
    .map(({ point }) => point);

/** How much of a small volume a link leaves; 0 and less where it turns it inside out. */
function leftBy(link: Link, chain: ShapeChain, i: number): (point: ChainPoint) => number {
  const { left } = chain.frame.movingOf(link.steps[0]);
  if (left) return (point) => left(link.map, chain.at(point, i));
  // what was turned before is not this link's doing
  return (point) => (i === 0 || chain.volumeAt(point, i) > 0 ? chain.volumeAt(point, i + 1) : 1);
}

const copyOf = (point: ChainPoint): ChainPoint => ({
  ...point,
  rest: [...point.rest],
  ...(point.start && { start: [...point.start] as Vec3 }),
  normal: [...point.normal],
});

function somePoints(shaped: readonly Shaped[]): ChainPoint[] {
  const rows = shaped.map((one) => meshPoints(meshRows(one)));
  const count = rows.reduce((sum, { count: n }) => sum + n, 0);
  const stride = Math.max(1, Math.ceil(count / MOST_POINTS));
  return rows.flatMap(({ count: n, of }) =>
    Array.from({ length: Math.ceil(n / stride) }, (_, i) => copyOf(of(i * stride))),
  );
}

/** Ends that a link brings together. */
function touching({ steps, map }: Link, movingOf: MovingOf): Fold[] {
  const [{ id, kind }] = steps;
  const found = movingOf(steps[0]).touches?.(steps, map);
  return found ? [{ stepId: id, kind, ...found, touches: true }] : [];
}

/** The largest share of a step's value at which none of the folded points is turned, by halving. */
function limitOf(
  steps: readonly ChainStep[],
  link: Link,
  { chain, at, folded }: { chain: ShapeChain; at: number; folded: readonly ChainPoint[] },
): number | undefined {
  const [step] = link.steps;
  const { strength } = chain.frame.movingOf(step);
  if (!strength) return undefined;
  const value = (step as unknown as Record<string, number>)[strength];
  let [low, high] = [0, 1];
  for (let n = 0; n < HALVINGS; n++) {
    const share = (low + high) / 2;
    const weaker = linkedUp(
      steps.map((one) => (one.id === step.id ? { ...one, [strength]: value * share } : one)),
      chain.frame,
    );
    if (weaker.links.length !== chain.links.length) return undefined;
    const left = leftBy(weaker.links[at], weaker, at);
    if (folded.some((point) => left(point) <= 0)) high = share;
    else low = share;
  }
  return low * value;
}
