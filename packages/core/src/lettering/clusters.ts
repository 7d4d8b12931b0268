import {
  OPENING_EM,
  bandsReach,
  boundingBox,
  condition,
  covered,
  dilated,
  hollow,
  placed,
  toRings,
  touches,
  unite,
  type Outline,
} from '../outline/index.ts';
import { cornerReach, type Corners } from '../solid/index.ts';
import type { Letter } from '../text/index.ts';
import type { LetteringCaches } from './caches.ts';
import { emInSteps, letterOutline, outlineKey, type DrawingScale } from './letterOutline.ts';

/** Of an opening: how far a letter with a solid of its own is kept from its neighbours. */
const CUT_GAP = 1.5;

/** Letters whose outlines touch or overlap: the unit that is built and cached. Offsets are grid steps. */
export interface Cluster {
  key: string;
  /** of the first letter's origin, from the piece's origin */
  x: number;
  y: number;
  members: Member[];
  /** letters with a solid of their own that are too near: their place is taken out of this cluster */
  cuts: Member[];
  /** how far around them, grid steps */
  cutReach: number;
}

export interface Member {
  /** place in the layout's row of letters */
  letter: number;
  /** from the cluster's origin */
  dx: number;
  dy: number;
  outline: Outline;
  outlineKey: string;
}

interface Placed extends Omit<Member, 'dx' | 'dy'> {
  x: number;
  y: number;
  /** how far its solid reaches beyond the outline */
  outward: number;
}

/** Which letters never join others: all of them, or those with a solid of their own. */
export interface Standing {
  apart: boolean;
  hasOwnSolid(letter: number): boolean;
  /** how far a letter's solid reaches beyond its outline, grid steps */
  outward(letter: number): number;
  /** how corners run that it grows by */
  corners: Corners;
}

export interface FoundClusters {
  clusters: Cluster[];
  /** letters whose own solid takes its place out of a neighbour */
  cutting: number[];
  /** letters of more points than are built */
  tooLarge: number[];
}

/** Letters with ink -> clusters: those that touch become one, unless they are to stand apart. */
export function findClusters(
  letters: readonly Letter[],
  scale: DrawingScale,
  caches: LetteringCaches,
  { apart, hasOwnSolid, outward, corners }: Standing,
): FoundClusters {
  const drawn: Placed[] = [];
  const tooLarge: number[] = [];
  letters.forEach((letter, index) => {
    const { outline, isTooLarge } = letterOutline(letter, scale, caches);
    if (isTooLarge) tooLarge.push(index);
    if (outline.x.length === 0) return;
    drawn.push({
      letter: index,
      x: Math.round(letter.x / scale.step),
      y: Math.round(letter.y / scale.step),
      outline,
      outlineKey: outlineKey(letter, scale),
      outward: outward(index),
    });
  });
  if (apart) return { clusters: drawn.map((d) => clusterOf([d], [], scale)), cutting: [], tooLarge };
  const pairs = touchingPairs(drawn, scale, caches, cornerReach(corners));
  const numbers = (places: Iterable<number>): number[] =>
    [...new Set(places)].sort((a, b) => a - b).map((i) => drawn[i].letter);
  const isAlone = drawn.map((d) => hasOwnSolid(d.letter));
  const cuts = cutsOf(pairs, isAlone);
  const joining = pairs.filter(([a, b]) => !isAlone[a] && !isAlone[b]);
  const clusters = groups(drawn.length, joining).map((group) => {
    const cutting = new Set(group.flatMap((i) => cuts.get(i) ?? []));
    return clusterOf(group.map((i) => drawn[i]), [...cutting].map((i) => drawn[i]), scale); // prettier-ignore
  });
  return { clusters, cutting: numbers([...cuts.values()].flat()), tooLarge };
}

/** By letter: who takes a place out of it. Of two with solids of their own the later one keeps its outline. */
function cutsOf(pairs: readonly [number, number][], isAlone: readonly boolean[]): Map<number, number[]> {
  const cuts = new Map<number, number[]>();
  for (const [a, b] of pairs) {
    if (!isAlone[a] && !isAlone[b]) continue;
    const [cut, by] = isAlone[b] ? [a, b] : [b, a];
    cuts.set(cut, [...(cuts.get(cut) ?? []), by]);
  }
  return cuts;
}

/**
 * Sweep over the letters' boxes from left to right; near ones are compared edge by edge, once for each pair of shapes
 * and offset. What may meet counts as touching: bands and solids that grow reach further at corners than along edges.
 */
function touchingPairs(
  drawn: readonly Placed[],
  scale: DrawingScale,
  caches: LetteringCaches,
  atCorners: number,
): [number, number][] {
  const least = OPENING_EM * emInSteps(scale) + (scale.bands ? 2 * bandsReach(scale.bands) : 0);
  const furthest = drawn.reduce((most, d) => Math.max(most, d.outward), 0);
  const boxes = drawn.map((d) => boundingBox(d.outline));
  const order = drawn.map((_, i) => i).sort((i, j) => drawn[i].x + boxes[i].minX - drawn[j].x - boxes[j].minX || i - j);
  const pairs: [number, number][] = [];
  let active: number[] = [];
  for (const i of order) {
    active = active.filter(
      (j) => drawn[j].x + boxes[j].maxX + least + 2 * atCorners * furthest >= drawn[i].x + boxes[i].minX,
    );
    for (const j of active) {
      const [a, b] = i < j ? [i, j] : [j, i];
      const distance = least + atCorners * (drawn[a].outward + drawn[b].outward);
      const dx = drawn[b].x - drawn[a].x;
      const dy = drawn[b].y - drawn[a].y;
      const key = `${drawn[a].outlineKey} | ${drawn[b].outlineKey} | ${dx},${dy} | ${distance}`;
      let near = caches.contacts.get(key);
      if (near === undefined) {
        near = touches(drawn[a].outline, drawn[b].outline, dx, dy, distance);
        caches.contacts.set(key, near, 2 * key.length + 32);
      }
      if (near) pairs.push([a, b]);
    }
    active.push(i);
  }
  return pairs;
}

function groups(count: number, pairs: readonly [number, number][]): number[][] {
  const owner = Array.from({ length: count }, (_, i) => i);
  const find = (i: number): number => (owner[i] === i ? i : (owner[i] = find(owner[i])));
  for (const [a, b] of pairs) {
    const [p, q] = [find(a), find(b)];
    owner[Math.max(p, q)] = Math.min(p, q);
  }
  const rows = new Map<number, number[]>();
  for (let i = 0; i < count; i++) {
    const root = find(i);
    const row = rows.get(root);
    if (row) row.push(i);
    else rows.set(root, [i]);
  }
  return [...rows.values()];
}

function clusterOf(parts: readonly Placed[], cutting: readonly Placed[], scale: DrawingScale): Cluster {
  const { bands } = scale;
  const { x, y } = parts[0];
  const memberOf = (p: Placed): Member => ({
    letter: p.letter,
    dx: p.x - x,
    dy: p.y - y,
    outline: p.outline,
    outlineKey: p.outlineKey,
  });
  const [members, cuts] = [parts.map(memberOf), cutting.map(memberOf)];
  const outward = (row: readonly Placed[]): number => row.reduce((most, p) => Math.max(most, p.outward), 0);
  const cutReach = CUT_GAP * OPENING_EM * emInSteps(scale) + Math.max(0, bands?.outward ?? 0) + outward(parts) + outward(cutting); // prettier-ignore
  const listed = (row: readonly Member[]): string => row.map((m) => `${m.outlineKey}+${m.dx},${m.dy}`).join(' & ');
  const key =
    listed(members) +
    (bands ? ` ~ ${Object.values(bands).join(' ')}` : '') +
    (cuts.length > 0 ? ` - ${listed(cuts)} by ${cutReach}` : '');
  return { key, x, y, members, cuts, cutReach };
}

/** The outline of a whole cluster about its origin, its members united; edges carry the member's place in the cluster. */
export function clusterOutline(cluster: Cluster, scale: DrawingScale): ClusterOutline {
  const full = unitedOutline(cluster, scale);
  if (!scale.bands) return { outline: withoutCuts(full, cluster, scale), isFull: false };
  const { rings, isFull } = hollow(full, scale.bands);
  return { outline: withoutCuts(condition(rings, emInSteps(scale)).outline, cluster, scale), isFull };
}

function withoutCuts(outline: Outline, { cuts, cutReach }: Cluster, scale: DrawingScale): Outline {
  if (cuts.length === 0) return outline;
  const covers = dilated(unite(cuts.flatMap((m) => placed(m.outline, m.dx, m.dy, 0))), cutReach);
  return condition(covered(toRings(outline), covers), emInSteps(scale)).outline;
}

export interface ClusterOutline {
  outline: Outline;
  /** hollow was asked for, and no room was left inside */
  isFull: boolean;
}

function unitedOutline(cluster: Cluster, scale: DrawingScale): Outline {
  if (cluster.members.length === 1) return cluster.members[0].outline;
  const rings = cluster.members.flatMap((m, i) => placed(m.outline, m.dx, m.dy, i));
  return condition(rings, emInSteps(scale)).outline;
}
