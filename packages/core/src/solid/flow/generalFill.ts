import { atan2, cos, lengthOf, sin } from '../../math/index.ts';
import { triangulateInside } from '../../mesh/index.ts';
import { pairTriangles } from './pairTriangles.ts';
import type { FlowPatch } from './patch.ts';

/** Loops of points, the inside to their left; every loop of an even number of points. */
export interface Loops {
  x: readonly number[];
  y: readonly number[];
  /** first point of each loop, and the number of points at the end */
  start: readonly number[];
}

/** Of the step: how far inner points stay away from the boundary. */
const CLEARANCE = 0.62;
/** A pair of triangles with less than this is no quad. */
const LEAST_QUAD = 0.3;

/**
 * Fills any region with quads alone: every second boundary point and a grid turned to the boundary's main direction are
 * triangulated (constrained Delaunay), pairs of triangles joined, and every face cut into quads at the middles of its
 * edges; on the boundary those middles are the points left out. Undefined when the coarse boundary crosses itself.
 */
export function generalFill({ x, y, start }: Loops): FlowPatch | undefined {
  const coarse: number[] = [];
  const [from, to]: number[][] = [[], []];
  const middle = new Map<number, number>();
  for (let l = 0; l + 1 < start.length; l++) {
    const count = start[l + 1] - start[l];
    if (count % 2 === 1 || count < 6) return undefined;
    const first = coarse.length;
    for (let i = 0; i < count; i += 2) {
      from.push(coarse.length);
      to.push(i + 2 < count ? coarse.length + 1 : first);
      coarse.push(start[l] + i);
    }
  }
  const px = coarse.map((i) => x[i]);
  const py = coarse.map((i) => y[i]);
  for (let i = 0; i < from.length; i++) middle.set(edgeKey(from[i], to[i]), coarse[from[i]] + 1);
  const step = from.reduce((sum, a, i) => sum + lengthOf(px[to[i]] - px[a], py[to[i]] - py[a]), 0) / from.length;
  gridInside({ px, py, from, to, step });
  const triangles = triangulateInside(px, py, from, to);
  if (!triangles) return undefined;
  const faces = pairTriangles(px, py, triangles, LEAST_QUAD);
  return refined({ x: [...x], y: [...y], fixed: x.length, quads: [] }, { px, py, coarse, faces, middle });
}

const edgeKey = (a: number, b: number): number => Math.min(a, b) * 0x1000000 + Math.max(a, b);

interface Coarse {
  px: number[];
  py: number[];
  from: readonly number[];
  to: readonly number[];
  step: number;
}

/** Adds points of a square grid that lie inside, away from the boundary. */
function gridInside({ px, py, from, to, step }: Coarse): void {
  const turn = mainDirection(px, py, from, to);
  const [c, s] = [cos(turn), sin(turn)];
  const count = px.length;
  const u = px.map((x, i) => (x * c + py[i] * s) / step);
  const v = px.map((x, i) => (py[i] * c - x * s) / step);
  const least = (z: readonly number[]): number => z.reduce((a, b) => Math.min(a, b), Infinity);
  const most = (z: readonly number[]): number => z.reduce((a, b) => Math.max(a, b), -Infinity);
  const [u0, v0] = [least(u), least(v)];
  for (let j = 1; v0 + j < most(v); j++) {
    for (let i = 1; u0 + i < most(u); i++) {
      const [gu, gv] = [u0 + i, v0 + j];
      if (!isClearInside(u, v, { from, to, gu, gv })) continue;
      px.push((gu * c - gv * s) * step);
      py.push((gu * s + gv * c) * step);
    }
  }
  if (px.length === count) addMiddle(px, py, { from, to, step });
}

/** A region too small for the grid may have room for one point. */
function addMiddle(px: number[], py: number[], { from, to, step }: Pick<Coarse, 'from' | 'to' | 'step'>): void {
  const mean = (z: readonly number[]): number => from.reduce((sum, a) => sum + z[a], 0) / from.length;
  const [mx, my] = [mean(px), mean(py)];
  const scaled = (z: readonly number[]): number[] => z.map((value) => value / step);
  if (from.length < 5 || !isClearInside(scaled(px), scaled(py), { from, to, gu: mx / step, gv: my / step })) return;
  px.push(mx);
  py.push(my);
}

function isClearInside(
  u: readonly number[],
  v: readonly number[],
  { from, to, gu, gv }: { from: readonly number[]; to: readonly number[]; gu: number; gv: number },
): boolean {
  let isInside = false;
  for (let k = 0; k < from.length; k++) {
    const [a, b] = [from[k], to[k]];
    const [du, dv] = [u[b] - u[a], v[b] - v[a]];
    const [eu, ev] = [gu - u[a], gv - v[a]];
    const t = Math.min(1, Math.max(0, (eu * du + ev * dv) / (du * du + dv * dv)));
    if (lengthOf(eu - t * du, ev - t * dv) < CLEARANCE) return false;
    if (v[a] > gv !== v[b] > gv && gu < u[a] + ((gv - v[a]) / dv) * du) isInside = !isInside;
  }
  return isInside;
}

/**
 * The direction, within a quarter turn, that most of the boundary runs along or across: its fourth power, weighted by
 * length.
 */
function mainDirection(
  px: readonly number[],
  py: readonly number[],
  from: readonly number[],
  to: readonly number[],
): number {
  let [re, im] = [0, 0];
  for (let i = 0; i < from.length; i++) {
    const [dx, dy] = [px[to[i]] - px[from[i]], py[to[i]] - py[from[i]]];
    const l = lengthOf(dx, dy);
    if (l === 0) continue;
    const [a, b] = [(dx * dx - dy * dy) / (l * l), (2 * dx * dy) / (l * l)];
    re += l * (a * a - b * b);
    im += l * 2 * a * b;
  }
  return re === 0 && im === 0 ? 0 : atan2(im, re) / 4;
}

/** Cuts every face into quads at its middle and the middles of its edges. */
function refined(
  patch: FlowPatch,
  {
    px,
    py,
    coarse,
    faces,
    middle,
  }: { px: number[]; py: number[]; coarse: number[]; faces: number[][]; middle: Map<number, number> },
): FlowPatch {
  const { x, y, quads } = patch;
  const add = (ax: number, ay: number): number => {
    x.push(ax);
    return y.push(ay) - 1;
  };
  const point = px.map((ax, i) => (i < coarse.length ? coarse[i] : add(ax, py[i])));
  const middleOf = (a: number, b: number): number => {
    const key = edgeKey(a, b);
    let found = middle.get(key);
    if (found === undefined) {
      found = add((px[a] + px[b]) / 2, (py[a] + py[b]) / 2);
      middle.set(key, found);
    }
    return found;
  };
  for (const face of faces) {
    const mean = (z: readonly number[]): number => face.reduce((sum, p) => sum + z[p], 0) / face.length;
    const centre = add(mean(px), mean(py));
    face.forEach((p, i) => {
      const [before, after] = [face[(i + face.length - 1) % face.length], face[(i + 1) % face.length]];
      quads.push(point[p], middleOf(p, after), centre, middleOf(before, p));
    });
  }
  return patch;
}
