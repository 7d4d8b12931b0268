import { fitCubic } from 'fit-curve';
import { cos, PI } from '../../math/index.ts';
import type { Pen } from '../../outline/index.ts';
import type { PixelContour } from './contours.ts';

type Point = [number, number];

export interface FitOptions {
  /** directions that change by more within a few pixels make a corner, degrees */
  cornerDegrees: number;
  /** how far a curve may lie from the contour, pixels */
  strayPx: number;
}

/** Pixels along the contour on each side of a place: over so much its direction is taken. */
const REACH = 4;
/** Pixels: so far a corner is moved at most to where two straight sides meet. */
const ROUNDED = 4;
/** A loop without corners is fitted in so many stretches. */
const STRETCHES = 4;

/**
 * A contour as lines and cubic curves from corner to corner (Schneider, "An algorithm for automatically fitting
 * digitized curves", Graphics Gems 1990, from the package fit-curve). Softening has rounded the corners: where two
 * straight sides meet they are sharp again.
 */
export function drawContour(contour: PixelContour, { cornerDegrees, strayPx }: FitOptions, pen: Pen): void {
  const points = distinct(contour);
  if (points.length < 3) return;
  const corners = cornersOf(points, cos((cornerDegrees * PI) / 180));
  const isSmooth = corners.length === 0;
  const ends = isSmooth ? evenly(points.length) : corners;
  const stretches = ends.map((from, i) => stretchOf(points, from, ends[(i + 1) % ends.length]));
  const lines = stretches.map((stretch) => (isSmooth ? undefined : lineOf(stretch, strayPx)));
  const cornerAt = (i: number): Point => {
    const [before, after] = [lines[(i + lines.length - 1) % lines.length], lines[i % lines.length]];
    const at = stretches[i % stretches.length][0];
    const met = before && after ? meeting(before, after) : footOn(before ?? after, at);
    return met && distance(met, at) < ROUNDED ? met : at;
  };
  const direction = (i: number): Point =>
    unit(points[(i + points.length - 1) % points.length], points[(i + 1) % points.length]);
  pen.moveTo(...cornerAt(0));
  stretches.forEach((stretch, i) => {
    const end = cornerAt(i + 1);
    if (lines[i]) return pen.lineTo(...end);
    const last = stretch.length - 1;
    const own: Point[] = [cornerAt(i), ...stretch.slice(1, last), end];
    const from = isSmooth ? direction(ends[i]) : unit(own[0], own[1]);
    const to = isSmooth ? direction(ends[(i + 1) % ends.length]) : unit(own[last - 1], own[last]);
    for (const [, a, b, c] of fitCubic(own, from, [0 - to[0], 0 - to[1]], strayPx * strayPx))
      pen.cubicTo(a[0], a[1], b[0], b[1], c[0], c[1]);
  });
  pen.close();
}

function distinct(contour: PixelContour): Point[] {
  const points = Array.from({ length: contour.length / 2 }, (_, i): Point => [contour[2 * i], contour[2 * i + 1]]);
  return points.filter((at, i) => distance(at, points[(i + points.length - 1) % points.length]) > 0);
}

const evenly = (count: number): number[] => {
  const stretches = Math.min(STRETCHES, count);
  return Array.from({ length: stretches }, (_, i) => Math.floor((i * count) / stretches));
};

/** From one place of a loop on to another, both included; the whole loop where they are the same. */
function stretchOf(points: readonly Point[], from: number, to: number): Point[] {
  const count = ((to - from + points.length - 1) % points.length) + 1;
  return Array.from({ length: count + 1 }, (_, i) => points[(from + i) % points.length]);
}

/** Places where the direction changes most among their neighbours, and by more than is asked. */
function cornersOf(points: readonly Point[], cosine: number): number[] {
  const count = points.length;
  if (count < 2 * REACH + 1) return [];
  const turns = points.map((at, i) => {
    const [before, after] = [unit(points[(i - REACH + count) % count], at), unit(at, points[(i + REACH) % count])];
    return before[0] * after[0] + before[1] * after[1];
  });
  return turns.flatMap((turn, i) => {
    if (turn >= cosine) return [];
    for (let by = 1; by <= REACH; by++)
      if (turns[(i + by) % count] < turn || turns[(i - by + count) % count] <= turn) return [];
    return [i];
  });
}

type Line = [Point, Point];

/** What a stretch runs along if it is straight, its rounded ends left out. */
function lineOf(stretch: readonly Point[], stray: number): Line | undefined {
  const trim = Math.min(REACH, Math.floor((stretch.length - 2) / 2));
  const inner = stretch.slice(trim, stretch.length - trim);
  const [a, b] = [inner[0], inner[inner.length - 1]];
  const [u, v] = unit(a, b);
  return inner.every(([x, y]) => Math.abs((x - a[0]) * v - (y - a[1]) * u) <= stray) ? [a, b] : undefined;
}

/** The place of a line that is closest. */
function footOn(line: Line | undefined, at: Point): Point | undefined {
  if (!line) return undefined;
  const [[a, b], [u, v]] = [line, unit(...line)];
  const along = (at[0] - a[0]) * u + (at[1] - a[1]) * v;
  return distance(a, b) > 0 ? [a[0] + along * u, a[1] + along * v] : undefined;
}

/** Where two lines meet; undefined where they run alike. */
function meeting([a, b]: Line, [c, d]: Line): Point | undefined {
  const [[u, v], [s, t]] = [unit(a, b), unit(c, d)];
  const across = u * t - v * s;
  if (Math.abs(across) < 1e-3) return undefined;
  const along = ((c[0] - a[0]) * t - (c[1] - a[1]) * s) / across;
  return [a[0] + along * u, a[1] + along * v];
}

const distance = (a: Point, b: Point): number =>
  Math.sqrt((a[0] - b[0]) * (a[0] - b[0]) + (a[1] - b[1]) * (a[1] - b[1]));

function unit(a: Point, b: Point): Point {
  const long = distance(a, b);
  return long > 0 ? [(b[0] - a[0]) / long, (b[1] - a[1]) / long] : [0, 0];
}
