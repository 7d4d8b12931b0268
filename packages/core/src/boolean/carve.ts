import type { Carver } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { joinedSkin } from './imprint.ts';
import { bringIn, type Fault } from './bringIn.ts';
import type { Prepared } from './prepare.ts';
import { Held, type KernelSolid } from './kernel.ts';
import { ownPlaces } from './ownPlaces.ts';
import { pairCutTriangles } from './pairUp.ts';
import { partsOf, type CutPart } from './parts.ts';
import { readOut, type CutTriangles } from './readOut.ts';
import { rebuild, type RegionOf, type Settled } from './rebuild.ts';
import { ringAround } from './ringAround.ts';
import { sortOut, type Sorted } from './sortOut.ts';
import { sourceOf, type CutSource } from './source.ts';
import { cutCrosses, tidyCut, type CutCrossing, type Tidied } from './tidy.ts';

/**
 * What becomes of two solids: the first without the second, both as one, what they share, or the first with the
 * second's outline as edges in its faces.
 */
export type CarveOperation = 'subtract' | 'join' | 'intersect' | 'imprint';

export interface CarveJob {
  /** each a closed solid of its own, in the body's space; they may overlap */
  cutters: readonly PolygonMesh[];
  operation: CarveOperation;
  /**
   * of each face in the result, by the number of the cutter that it comes from; INSIDE: a face of the body inside an
   * imprint
   */
  regionOf(by: number | undefined, region: Parameters<RegionOf>[1]): ReturnType<RegionOf>;
  /** parts that came loose are left out */
  dropsLoose: boolean;
  /** borders of cut faces may move by so much, mm, where that clears slivers away */
  cleanMm: number;
  /** a ring of quads so wide goes along the cut line, in the body's faces; 0: none. Mm */
  ringMm?: number;
  /** edges that rounding to 32 bit would collapse are collapsed by the kernel first */
  simplifies?: boolean;
  /** whether faces cross where it was cut is looked for */
  looks?: boolean;
}

export interface Carved {
  mesh: PolygonMesh;
  /**
   * difference of both sides of the volume identity, as a share of the cutters' volume, or a tenth of the body's where
   * that is more
   */
  volumeError: number;
  /** cutters of which nothing is in the result, or nothing but parts of their own */
  apart: number[];
  /** of those: that lie wholly inside the body, as a hollow or swallowed by it */
  inside: number[];
  /** parts besides the largest that were there before and hang on to no cutter alone */
  loose: number;
  /** faces that came back as they were */
  whole: number;
  tidied: Tidied;
  /** edges of the cut line, and those with a quad beside them; undefined where no ring was asked for */
  ring: { edges: number; quads: number } | undefined;
  /**
   * faces that were cut, or that cut, cross: as they are, or only once they are rounded to 32 bit; undefined where none
   * does or nobody looked
   */
  crosses: CutCrossing | undefined;
}

/** Stands for the number of a cutter where a face of the body lies inside an imprint. */
export const INSIDE = -1;

/** One boolean operation with everything that tells whether it went well (method and figures: docs/geometry.md). */
export function carve(carver: Carver, body: Prepared, job: CarveJob): Carved | Fault {
  const held = new Held();
  try {
    return carveHeld(carver, body, { ...job, held });
  } finally {
    held.free();
  }
}

function carveHeld(
  carver: Carver,
  { source: body, frame, solid, parts }: Prepared,
  job: CarveJob & { held: Held },
): Carved | Fault {
  const { held } = job;
  const cutters = job.cutters.map((mesh) => sourceOf(carver, mesh, frame));
  const tools: KernelSolid[] = [];
  for (const cutter of cutters) {
    const tool = bringIn(carver, cutter, held);
    if ('why' in tool) return { why: 'cutter' };
    tools.push(tool);
  }
  const tool = tools.length === 1 ? tools[0] : held.keep(carver.Manifold.union(tools));
  const { result: plain, other, volumeError } = operate(solid, tool, job);
  const result = job.simplifies ? held.keep(plain.simplify(SIMPLIFY * frame.diagonal)) : plain;
  if (result.status() !== 'NoError') return { why: 'kernel' };
  if (result.isEmpty()) return { why: 'empty' };
  const cut = readOut(result, held);
  const sifted = sift(cut, partsOf(cut), { job, body, cutters, before: parts });
  if (job.operation !== 'imprint') return told(built(cut, job, { body, cutters, sifted }), volumeError);
  const inside = { ...body, id: carver.Manifold.reserveIDs(1) };
  const skin = joinedSkin({ inside: readOut(other, held), outside: cut }, body, {
    insideId: inside.id,
    near: NEAR * frame.diagonal,
  });
  const all = Array.from(skin.source, (_, t) => t);
  return told(built(skin, job, { body, cutters, inside, sifted: { ...sifted, loose: 0, kept: all } }), volumeError);
}

const told = (made: Omit<Carved, 'volumeError'> | Fault, volumeError: number): Carved | Fault =>
  'why' in made ? made : { ...made, volumeError };

/** Of the body's volume: so much of it counts as much as a cutter. */
const BODY_SHARE = 0.1;

/** Of the diagonal: four steps of a 32-bit float. */
const SIMPLIFY = 4 * 6e-8;

/** The operation, and how far the volumes of all parts are from adding up. */
function operate(
  body: KernelSolid,
  tool: KernelSolid,
  { operation, held }: Pick<CarveJob, 'operation'> & { held: Held },
): { result: KernelSolid; other: KernelSolid; volumeError: number } {
  // the kernel's own tolerance may shift a whole face of the body: of its volume that is more than of a letter's
  const scale = Math.max(Math.abs(tool.volume()), BODY_SHARE * Math.abs(body.volume()), 1e-300);
  const by = (off: number): number => Math.abs(off) / scale;
  if (operation === 'join') {
    const [both, shared] = [body.add(tool), body.intersect(tool)].map((one) => held.keep(one));
    return {
      result: both,
      other: shared,
      volumeError: by(body.volume() + tool.volume() - shared.volume() - both.volume()),
    };
  }
  const [shared, rest] = body.split(tool).map((one) => held.keep(one));
  const volumeError = by(body.volume() - shared.volume() - rest.volume());
  return operation === 'intersect'
    ? { result: shared, other: rest, volumeError }
    : { result: rest, other: shared, volumeError };
}

function built(
  cut: CutTriangles,
  job: CarveJob,
  {
    body,
    cutters,
    inside,
    sifted,
  }: { body: CutSource; cutters: readonly CutSource[]; inside?: CutSource; sifted: Sifted },
): Omit<Carved, 'volumeError'> | Fault {
  const sources = new Map([body, ...cutters, ...(inside ? [inside] : [])].map((source) => [source.id, source]));
  const sorted = sortOut(cut, sources, sifted.kept);
  const { cut: cleared, ...tidied } = tidyCut(cut, sorted, sources, { byMm: job.cleanMm });
  const numberOf = new Map(cutters.map(({ id }, i) => [id, i]));
  if (inside) numberOf.set(inside.id, INSIDE);
  const alone = new Set(sifted.apart.map((i) => cutters[i]));
  const plain = { cut: cleared, sorted: { ...sorted, touched: tidied.triangles }, ring: undefined };
  const looked = (one: Ringed): Ringed & Settled & Pick<Carved, 'crosses'> => {
    const settled = {
      ...one,
      sorted: pairCutTriangles(one.cut, one.sorted, sources),
      places: ownPlaces(one.cut, sources),
    };
    return { ...settled, crosses: job.looks ? cutCrosses(settled, body, alone) : undefined };
  };
  let settled = looked(ringed(plain, sources, { body, widthMm: job.ringMm ?? 0 }));
  // what a ring makes cross goes without one
  if (settled.ring && settled.crosses) settled = { ...looked(plain), ring: { ...settled.ring, quads: 0 } };
  const { mesh, isClosed } = rebuild(settled, sources, ({ id }, region) => job.regionOf(numberOf.get(id), region));
  if (!isClosed) return { why: 'kernel' };
  return {
    mesh,
    apart: sifted.apart,
    inside: sifted.inside,
    loose: sifted.loose,
    whole: sorted.whole.length,
    tidied,
    ring: settled.ring,
    crosses: settled.crosses,
  };
}

interface Ringed {
  cut: CutTriangles;
  sorted: Sorted;
  ring: Carved['ring'];
}

function ringed(
  plain: Ringed,
  sources: ReadonlyMap<number, CutSource>,
  job: { body: CutSource; widthMm: number },
): Ringed {
  if (job.widthMm === 0) return plain;
  const { cut, faces, edges, quads } = ringAround(plain.cut, plain.sorted, sources, job);
  return { cut, sorted: { ...plain.sorted, made: faces }, ring: { edges, quads } };
}

/** Of the diagonal: so near points of the cut line are one, whatever became of their last bits in either half. */
const NEAR = 1e-7;

interface Sifted {
  /** triangles that stay */
  kept: number[];
  /** cutters that left no line on the body, and of those the ones that lie wholly inside it */
  apart: number[];
  inside: number[];
  loose: number;
}

/** Parts that stay, cutters that stand alone or left nothing, and how many parts came loose. */
function sift(
  { source }: CutTriangles,
  parts: readonly CutPart[],
  { job, body, cutters, before }: { job: CarveJob; body: CutSource; cutters: readonly CutSource[]; before: number },
): Sifted {
  const touching = new Set<number>();
  const hollows = new Set<number>();
  const seen = new Set<number>();
  const ofBody: CutPart[] = [];
  for (const part of parts) {
    const ids = new Set<number>();
    for (const t of part.triangles) ids.add(source[t]);
    for (const id of ids) seen.add(id);
    if (!ids.has(body.id)) {
      if (part.volume < 0) for (const id of ids) hollows.add(id);
      continue;
    }
    if (part.volume > 0) ofBody.push(part);
    for (const id of ids) touching.add(id);
  }
  // all but the largest
  const looseParts = job.operation === 'subtract' ? ofBody.sort((a, b) => b.volume - a.volume).slice(1) : [];
  const loose = Math.max(0, looseParts.length - (before - 1));
  const dropped = new Set(job.dropsLoose && before === 1 ? looseParts : []);
  const apart = cutters.flatMap(({ id }, i) => (touching.has(id) ? [] : [i]));
  return {
    kept: parts
      .filter((part) => !dropped.has(part))
      .flatMap((part) => part.triangles)
      .sort((a, b) => a - b),
    apart,
    inside: apart.filter((i) => hollows.has(cutters[i].id) || (job.operation === 'join' && !seen.has(cutters[i].id))),
    loose,
  };
}
