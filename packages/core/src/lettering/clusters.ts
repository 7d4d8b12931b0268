import { shortKeyOf, type Named } from '../base/index.ts';
import { OPENING_EM, bandsReach, boundingBox, type Outline } from '../outline/index.ts';
import { cornerReach, type Corners } from '../solid/index.ts';
import type { Letter } from '../text/index.ts';
import type { LetteringCaches } from './caches.ts';
import type { ClusterShape, OutlineAt } from './clusterOutline.ts';
import { emInSteps, letterOutline, type DrawingScale } from './letterOutline.ts';

/** Of an opening: how far a letter with a solid of its own is kept from its neighbours. */
const CUT_GAP = 1.5;

/** Letters whose outlines touch or overlap: the unit that is built and cached. Offsets are grid steps. */
export interface Cluster {
  /** what is built */
  shape: Named<ClusterShape>;
  /** of the first letter's origin, from the piece's origin */
  x: number;
  y: number;
  members: Member[];
}

export interface Member {
  /** place in the layout's row of letters */
  letter: number;
  /** from the cluster's origin */
  dx: number;
  dy: number;
  outline: Outline;
}

interface Placed {
  letter: number;
  outline: Named<Outline>;
  x: number;
  y: number;
  /** how far its solid reaches beyond the outline */
  outward: number;
}

/** Which letters never join others: all of them, or those with a solid of their own. */
export interface HowLettersStand {
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
  { apart, hasOwnSolid, outward, corners }: HowLettersStand,
): FoundClusters {
  const drawn: Placed[] = [];
  const tooLarge: number[] = [];
  letters.forEach((letter, index) => {
    const { key, of } = letterOutline(letter, scale, caches);
    if (of.isTooLarge) tooLarge.push(index);
    if (of.outline.x.length === 0) return;
    drawn.push({
      letter: index,
      x: Math.round(letter.x / scale.step),
      y: Math.round(letter.y / scale.step),
      outline: { key, of: of.outline },
      outward: outward(index),
    });
  });
  if (apart) return { clusters: drawn.map((d) => clusterOf([d], [], scale)), cutting: [], tooLarge };
  const pairs = touchingPairs(drawn, scale, caches, { atCorners: cornerReach(corners) });
  const numbers = (places: Iterable<number>): number[] =>
    [...new Set(places)].sort((a, b) => a - b).map((i) => drawn[i].letter);
  const isAlone = drawn.map((d) => hasOwnSolid(d.letter));
  const cuts = cutsOf(pairs, isAlone);
  const joining = pairs.filter(([a, b]) => !isAlone[a] && !isAlone[b]);
  const clusters = groups(drawn.length, joining).map((group) => {
    const cutting = new Set(group.flatMap((i) => cuts.get(i) ?? []));
    return clusterOf(
      group.map((i) => drawn[i]),
      [...cutting].map((i) => drawn[i]),
      scale,
    );
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
  { atCorners }: { atCorners: number },
): [number, number][] {
  const least = OPENING_EM * emInSteps(scale) + (scale.bands ? 2 * bandsReach(scale.bands) : 0);
  const furthest = drawn.reduce((most, d) => Math.max(most, d.outward), 0);
  const boxes = drawn.map((d) => boundingBox(d.outline.of));
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
      // letters of other lines, of which there may be thousands
      const [below, above] = [Math.max(boxes[a].minY, boxes[b].minY + dy), Math.min(boxes[a].maxY, boxes[b].maxY + dy)];
      if (below - distance > above + distance) continue;
      const [one, other] = [drawn[a].outline, drawn[b].outline];
      const { of: near } = caches.contacts.get({ one, other, dx, dy, distance }, undefined);
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
  const at = (p: Placed): OutlineAt => ({ outline: p.outline, dx: p.x - x, dy: p.y - y });
  const em = emInSteps(scale);
  const outward = (row: readonly Placed[]): number => row.reduce((most, p) => Math.max(most, p.outward), 0);
  const cutReach =
    cutting.length === 0
      ? 0
      : CUT_GAP * OPENING_EM * em + Math.max(0, bands?.outward ?? 0) + outward(parts) + outward(cutting);
  const shape: ClusterShape = { members: parts.map(at), cuts: cutting.map(at), cutReach, bands, em };
  const members = parts.map((p): Member => ({ letter: p.letter, dx: p.x - x, dy: p.y - y, outline: p.outline.of }));
  return { shape: { key: shortKeyOf('cluster', shape), of: shape }, x, y, members };
}
