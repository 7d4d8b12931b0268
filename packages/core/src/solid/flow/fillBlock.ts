import { atan2, PI } from '../../math/index.ts';
import { generalFill } from './generalFill.ts';
import { evenness, worstJacobian, type FlowPatch } from './patch.ts';
import { smooth } from './smooth.ts';
import { fillByCorners, fillDisc, longCore, type TemplateLoop } from './templates.ts';

const degrees = (d: number): number => (d * PI) / 180;
/** Inner angles from here on are no corner for any template. */
const WIDEST = degrees(160);
/** What a filling must reach: its worst scaled Jacobian, and how even its cells are. */
const LEAST_FOUR = 0.15;
const LEAST_OTHER = 0.4;
const LEAST_EVEN = 0.1;
/** Good enough to stop looking. */
const GOOD = 0.45;
/** What a filling with an irregular point is marked down by. */
const IRREGULAR = 0.05;
const ROUNDS = 6;
const MORE_ROUNDS = 24;

/**
 * Fills one loop with quads: by a template where one does well, else by what does best. Even number of points,
 * counter-clockwise. `corners`: those that its neighbourhood gives it, tried first.
 */
export function fillBlock(loop: TemplateLoop, corners: readonly number[]): FlowPatch | undefined {
  const template = byTemplates(loop, corners);
  if (template && template.score > GOOD) return template.patch;
  const general = settled(generalFill({ ...loop, start: [0, loop.x.length] }));
  const scored = (patch: FlowPatch): Scored => ({ patch, score: worstJacobian(patch) - 2 * IRREGULAR });
  const found = [...(template ? [template] : []), ...(general ? [scored(general)] : [])];
  const isGood = found.some(({ score }) => score > GOOD - 2 * IRREGULAR);
  return best(isGood ? found : [...found, ...roundFillings(loop).map(scored)])?.patch;
}

interface Scored {
  patch: FlowPatch;
  score: number;
}

const best = (found: readonly Scored[]): Scored | undefined =>
  found.reduce<Scored | undefined>((most, next) => (most && most.score >= next.score ? most : next), undefined);

function settled(patch: FlowPatch | undefined): FlowPatch | undefined {
  if (patch && worstJacobian(patch) < 0.5) smooth(patch, ROUNDS);
  return patch;
}

function byTemplates(loop: TemplateLoop, given: readonly number[]): Scored | undefined {
  let found: Scored | undefined;
  for (const corners of [given, ...cornerSets(loop)]) {
    const patch = settled(fillByCorners(loop, corners));
    if (!patch) continue;
    const isFour = corners.length === 4;
    // long bent blocks fold at first and come right
    if (isFour && worstJacobian(patch) < GOOD) smooth(patch, MORE_ROUNDS);
    const worst = worstJacobian(patch);
    if (worst < (isFour ? LEAST_FOUR : LEAST_OTHER) || evenness(patch) < LEAST_EVEN) continue;
    const score = worst - (isFour ? 0 : IRREGULAR);
    if (!found || score > found.score) found = { patch, score };
    if (found.score > GOOD) break;
  }
  return found;
}

/** Rows of corners worth trying, in the order of their worth. */
function cornerSets(loop: TemplateLoop): number[][] {
  const angles = innerAngles(loop);
  const sharpest = angles
    .map((angle, i) => ({ angle, i }))
    .filter(({ angle }) => angle < WIDEST)
    .sort((p, q) => p.angle - q.angle || p.i - q.i);
  const upTo = (limit: number): number[] => sharpest.filter(({ angle }) => angle < limit).map(({ i }) => i);
  const first = (count: number): number[] =>
    sharpest.length >= count ? sharpest.slice(0, count).map(({ i }) => i) : [];
  const sets = [
    first(4),
    upTo(degrees(125)),
    upTo(degrees(140)),
    upTo(WIDEST),
    ...cutArcs(loop, upTo(degrees(125))),
    first(5),
    first(3),
    first(6),
    first(2),
  ];
  const seen = new Set<string>();
  return sets
    .map((set) => [...set].sort((a, b) => a - b))
    .filter((set) => set.length >= 2 && set.length <= 6 && !seen.has(set.join()) && seen.add(set.join()));
}

/** Two or three corners become four where the longest side is cut so that opposite sides have the same count. */
function cutArcs({ x }: TemplateLoop, corners: readonly number[]): number[][] {
  const n = x.length;
  const sorted = [...corners].sort((a, b) => a - b);
  if (sorted.length !== 2) return [];
  const lengths = [sorted[1] - sorted[0], n - sorted[1] + sorted[0]];
  const long = lengths[0] > lengths[1] ? 0 : 1;
  const cut = (lengths[long] - lengths[1 - long]) / 2;
  if (!Number.isInteger(cut) || cut < 1) return [];
  const from = sorted[long];
  return [[...sorted, (from + cut) % n, (from + lengths[long] - cut) % n]];
}

function innerAngles({ x, y }: TemplateLoop): number[] {
  const n = x.length;
  return x.map((_, i) => {
    const [a, b] = [(i + n - 1) % n, (i + 1) % n];
    const [ux, uy, vx, vy] = [x[b] - x[i], y[b] - y[i], x[a] - x[i], y[a] - y[i]];
    const angle = atan2(ux * vy - uy * vx, ux * vx + uy * vy);
    return angle > 0 ? angle : angle + 2 * PI;
  });
}

/** Fillings with a row along the rim, for round ends. */
function roundFillings(loop: TemplateLoop): FlowPatch[] {
  const n = loop.x.length;
  const shifts = [...new Set([0, 1, 2, Math.floor(n / 8)])];
  const square = Math.max(1, Math.round(n / 4));
  const cores = [...shifts.map((shift) => ({ shift, wide: square })), longCore(loop)];
  const two = cornerSets(loop).filter((set) => set.length === 2);
  const all = [...two.map((set) => fillByCorners(loop, set)), ...cores.map((core) => fillDisc(loop, core))];
  return all.filter((patch) => patch !== undefined).map((patch) => settled(patch) as FlowPatch);
}
