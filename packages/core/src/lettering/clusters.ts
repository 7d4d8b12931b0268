import { OPENING_EM, boundingBox, condition, hollow, placed, touches, type Outline } from '../outline/index.ts';
import type { Letter } from '../text/index.ts';
import type { LetteringCaches } from './caches.ts';
import { emInSteps, letterOutline, outlineKey, type DrawingScale } from './letterOutline.ts';

/** Letters whose outlines touch or overlap: the unit that is built and cached. Offsets are grid steps. */
export interface Cluster {
  key: string;
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
  outlineKey: string;
}

interface Placed extends Omit<Member, 'dx' | 'dy'> {
  x: number;
  y: number;
}

/** Letters with ink -> clusters. With `apart` every letter is one of its own; `crossing` then names those that touch another. */
export function findClusters(
  letters: readonly Letter[],
  scale: DrawingScale,
  caches: LetteringCaches,
  apart: boolean,
): { clusters: Cluster[]; crossing: number[] } {
  const drawn: Placed[] = [];
  letters.forEach((letter, index) => {
    const { outline } = letterOutline(letter, scale, caches);
    if (outline.x.length === 0) return;
    drawn.push({
      letter: index,
      x: Math.round(letter.x / scale.step),
      y: Math.round(letter.y / scale.step),
      outline,
      outlineKey: outlineKey(letter, scale),
    });
  });
  const pairs = touchingPairs(drawn, scale, caches);
  if (apart) {
    const crossing = [...new Set(pairs.flat())].sort((a, b) => a - b).map((i) => drawn[i].letter);
    return { clusters: drawn.map((d) => clusterOf([d], scale)), crossing };
  }
  return {
    clusters: groups(drawn.length, pairs).map((group) =>
      clusterOf(
        group.map((i) => drawn[i]),
        scale,
      ),
    ),
    crossing: [],
  };
}

/** Sweep over the letters' boxes from left to right; near ones are compared edge by edge, once for each pair of shapes and offset. */
function touchingPairs(drawn: readonly Placed[], scale: DrawingScale, caches: LetteringCaches): [number, number][] {
  // bands that reach outwards meet sooner
  const distance = OPENING_EM * emInSteps(scale) + 2 * Math.max(0, scale.bands?.outward ?? 0);
  const boxes = drawn.map((d) => boundingBox(d.outline));
  const order = drawn.map((_, i) => i).sort((i, j) => drawn[i].x + boxes[i].minX - drawn[j].x - boxes[j].minX || i - j);
  const pairs: [number, number][] = [];
  let active: number[] = [];
  for (const i of order) {
    active = active.filter((j) => drawn[j].x + boxes[j].maxX + distance >= drawn[i].x + boxes[i].minX);
    for (const j of active) {
      const [a, b] = i < j ? [i, j] : [j, i];
      const dx = drawn[b].x - drawn[a].x;
      const dy = drawn[b].y - drawn[a].y;
      const key = `${drawn[a].outlineKey} | ${drawn[b].outlineKey} | ${dx},${dy}`;
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

function clusterOf(parts: readonly Placed[], { bands }: DrawingScale): Cluster {
  const { x, y } = parts[0];
  const members = parts.map((p) => ({
    letter: p.letter,
    dx: p.x - x,
    dy: p.y - y,
    outline: p.outline,
    outlineKey: p.outlineKey,
  }));
  const drawn = members.map((m) => `${m.outlineKey}+${m.dx},${m.dy}`).join(' & ');
  return { key: bands ? `${drawn} ~ ${Object.values(bands).join(' ')}` : drawn, x, y, members };
}

/** The outline of a whole cluster about its origin, its members united; edges carry the member's place in the cluster. */
export function clusterOutline(cluster: Cluster, scale: DrawingScale): ClusterOutline {
  const full = unitedOutline(cluster, scale);
  if (!scale.bands) return { outline: full, isFull: false };
  const { rings, isFull } = hollow(full, scale.bands);
  return { outline: condition(rings, emInSteps(scale)).outline, isFull };
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
