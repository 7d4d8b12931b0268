import { writeFileSync } from 'node:fs';
import {
  buildSection,
  condition,
  flatWavefront,
  gridStep,
  lift,
  seededRandom,
  sectionEnds,
  sectionLayers,
  type FontFace,
  type Vertex,
  type VertexRing,
} from '@fictile/core';
import { glyphRings } from './fonts.ts';
import { median, quantile } from './statistics.ts';
import { growthPlot } from './growthPlot.ts';
import { extrude, shapesOf } from './three.ts';
import type { Say } from './figures.ts';

const POINTS = [60, 125, 250, 500, 1000, 1500, 2000, 4000];
/** Hard ones: bowls, crossings, flourishes. */
const CHARACTERS = 'gB&RS8';
const FONTS = ['Work Sans', 'Zilla Slab', 'Bodoni Moda', 'Pacifico', 'UnifrakturCook'];
const SIZE_MM = 72;
const DEPTH_MM = 18;
const EDGE = { inMm: 4.3, deepMm: 3, steps: 4 } as const;
/**
 * How far points are pushed about, as those of a font that was traced are: of the height of capitals at most, and of
 * the way to the next point.
 */
const ROUGHNESS = 0.002;
const ROUGHNESS_OF_SPAN = 0.25;
/** Points at which a slow letter is judged. */
const JUDGED_AT = 1500;

export interface Growth {
  points: number;
  oursMs: number[];
  theirsMs: number[];
}

/**
 * Letters roughened to so many points, built by us and by the general library in turn. `plot`: a file for the picture.
 */
export function benchGrowth(
  faces: readonly FontFace[],
  yardstickMs: number,
  say: Say,
  { plot }: { plot?: string } = {},
): void {
  const tried = faces.filter((face) => FONTS.includes(face.name));
  measure(tried, 250); // compiles both sides' code
  const rows = POINTS.map((points) => measure(tried, points));
  for (const { points, oursMs, theirsMs } of rows)
    say(
      `${String(points).padStart(5)} points: ours ${median(oursMs).toFixed(2)} ms, ` +
        `three ${median(theirsMs).toFixed(2)} ms, ours / three ${(median(oursMs) / median(theirsMs)).toFixed(2)}`,
    );
  say(
    `slope on log-log: ours ${slope(rows, (row) => row.oursMs).toFixed(2)}, ` +
      `three ${slope(rows, (row) => row.theirsMs).toFixed(2)}`,
  );
  const judged = rows.find((row) => row.points === JUDGED_AT) as Growth;
  const slow = quantile(judged.oursMs, 0.95);
  say.put(
    'growth: slope',
    slope(rows, (row) => row.oursMs),
    '',
    { n: rows.length },
  );
  say.put(`growth: p95 at ${JUDGED_AT} points`, slow, 'ms', { n: judged.oursMs.length });
  for (const { points, oursMs, theirsMs } of rows)
    say.put(`growth: ours to three at ${points} points, time`, median(oursMs) / median(theirsMs), 'times', {
      bar: 2,
      n: oursMs.length,
    });
  say(`p95 at ${JUDGED_AT} points: ${slow.toFixed(1)} ms = ${(slow / yardstickMs).toFixed(2)} yardsticks`);
  if (plot)
    writeFileSync(
      plot,
      growthPlot(rows.map((row) => ({ points: row.points, ours: median(row.oursMs), theirs: median(row.theirsMs) }))),
    );
}

function measure(faces: readonly FontFace[], points: number): Growth {
  const random = seededRandom(points);
  const row: Growth = { points, oursMs: [], theirsMs: [] };
  const step = gridStep(200);
  for (const face of faces) {
    for (const character of CHARACTERS) {
      const { rings: clean, em } = glyphRings(face, character, { sizeMm: SIZE_MM, step, toleranceMm: 0.01 });
      const rings = roughened(
        clean,
        points,
        (span) => (random() - 0.5) * 2 * Math.min((ROUGHNESS * SIZE_MM) / step, ROUGHNESS_OF_SPAN * span),
      );
      const front = { kind: 'round' as const, ...EDGE };
      const start = performance.now();
      const { outline } = condition(rings, em);
      const { section } = buildSection({ depthMm: DEPTH_MM, front, back: front, step });
      const options = { layers: sectionLayers(section), capInsets: sectionEnds(section), em, seed: 1 };
      lift(flatWavefront(outline, options), { section, step });
      row.oursMs.push(performance.now() - start);
      const shapes = shapesOf(outline, step);
      const theirStart = performance.now();
      extrude(shapes, { depth: DEPTH_MM, inset: EDGE.inMm, deep: EDGE.deepMm, steps: EDGE.steps }).dispose();
      row.theirsMs.push(performance.now() - theirStart);
    }
  }
  return row;
}

/** Rings cut evenly into so many points together, each pushed about. */
function roughened(rings: readonly VertexRing[], points: number, push: (span: number) => number): VertexRing[] {
  const lengths = rings.map((ring) => ring.reduce((sum, v, i) => sum + span(v, ring[(i + 1) % ring.length]), 0));
  const whole = lengths.reduce((a, b) => a + b, 0);
  return rings.map((ring, r) =>
    evenly(ring, Math.max(8, Math.round((points * lengths[r]) / whole)), lengths[r]).map((v) => ({
      ...v,
      x: Math.round(v.x + push(whole / points)),
      y: Math.round(v.y + push(whole / points)),
      corner: 1 as const,
    })),
  );
}

const span = (a: Vertex, b: Vertex): number => Math.hypot(b.x - a.x, b.y - a.y);

function evenly(ring: VertexRing, count: number, whole: number): Vertex[] {
  const out: Vertex[] = [];
  let i = 0;
  let passed = 0;
  for (let k = 0; k < count; k++) {
    const at = (whole * k) / count;
    while (passed + span(ring[i], ring[(i + 1) % ring.length]) < at) {
      passed += span(ring[i], ring[(i + 1) % ring.length]);
      i++;
    }
    const [a, b] = [ring[i], ring[(i + 1) % ring.length]];
    const share = (at - passed) / (span(a, b) || 1);
    out.push({ ...a, x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share, t0: 0, t1: 1, curve: k });
  }
  return out;
}

/** Least squares of log time over log points, from where times are more than their setting up. */
function slope(rows: readonly Growth[], of: (row: Growth) => number[]): number {
  const pairs = rows.filter((row) => row.points >= 125).map((row) => [Math.log(row.points), Math.log(median(of(row)))]);
  const mean = (k: number): number => pairs.reduce((sum, pair) => sum + pair[k], 0) / pairs.length;
  const [x0, y0] = [mean(0), mean(1)];
  return (
    pairs.reduce((sum, [x, y]) => sum + (x - x0) * (y - y0), 0) / pairs.reduce((sum, [x]) => sum + (x - x0) ** 2, 0)
  );
}
