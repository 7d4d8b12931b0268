import {
  buildSection,
  checkMesh,
  condition,
  emptyMesh,
  flatWavefront,
  gridStep,
  lift,
  seededRandom,
  sectionEnds,
  sectionLayers,
  type EdgeShape,
  type FontFace,
  type PolygonMesh,
  type SideShape,
} from '@fictile/core';
import { BASIC_LATIN, glyphRings } from './fonts.ts';
import { measureFaces, type FaceFigures } from './faceFigures.ts';

/** One letter with one section. */
export interface SolidCase {
  font: string;
  character: string;
  /** of the height of capitals */
  widthPercent: number;
  kind: (typeof KINDS)[number];
  outward: boolean;
  side: (typeof SIDES)[number];
}

export interface Verdict extends FaceFigures {
  case: SolidCase;
  sound: boolean;
  rung: string;
  /** what the section told; nothing else may stand in silently */
  told: string[];
}

export const CAPITALS_MM = 72;
const DEPTH_MM = 18;
const DEEP_MM = 4;
const STEPS = 4;
const TOLERANCE_MM = 0.05;
const WIDTHS = [0.5, 2, 6, 12, 30, 100];
const KINDS = ['chamfer', 'round', 'cove', 'drawn'] as const;
const SIDES = ['straight', 'waist'] as const;

/** In, out beyond the outline, in again: straight and smooth. */
const MIXED = [
  { in: 0.8, down: 0.15, smooth: true },
  { in: -0.25, down: 0.35, smooth: true },
  { in: 0.2, down: 0.6, smooth: false },
  { in: -0.1, down: 0.85, smooth: true },
];

/** Cases that failed once, each mended since: they are judged first in every run. */
const ONCE_FAILED: readonly SolidCase[] = [
  // two serifs as far apart as twice the outermost layer: their fronts met exactly where the section turns back
  { font: 'Zilla Slab', character: 'm', widthPercent: 6, kind: 'cove', outward: true, side: 'waist' },
];

/** Every case of some fonts is a number below this. */
export const countOf = (fonts: readonly string[]): number =>
  ONCE_FAILED.length + fonts.length * BASIC_LATIN.length * WIDTHS.length * KINDS.length * 2 * SIDES.length;

/**
 * A prime beyond all their counts: going on by it passes every case once, and any part of the way is spread over all of
 * them.
 */
const STRIDE = 15_485_863;

/** Every case: fonts, letters, widths, kinds, sides and both directions, well mixed. */
export function* allCases(fonts: readonly string[]): Generator<SolidCase> {
  yield* ONCE_FAILED;
  const count = countOf(fonts) - ONCE_FAILED.length;
  for (let i = 0; i < count; i++) yield caseAt(fonts, (i * STRIDE) % count);
}

function caseAt(fonts: readonly string[], index: number): SolidCase {
  let rest = index;
  const one = <T>(row: readonly T[]): T => {
    const at = rest % row.length;
    rest = (rest - at) / row.length;
    return row[at];
  };
  return {
    font: one(fonts),
    character: one(BASIC_LATIN),
    widthPercent: one(WIDTHS),
    kind: one(KINDS),
    outward: one([false, true]),
    side: one(SIDES),
  };
}

export function* sampledCases(fonts: readonly string[], count: number, seed: number): Generator<SolidCase> {
  yield* ONCE_FAILED;
  const random = seededRandom(seed);
  const one = <T>(row: readonly T[]): T => row[Math.floor(random() * row.length)];
  for (let i = 0; i < count; i++)
    yield {
      font: one(fonts),
      character: one(BASIC_LATIN),
      widthPercent: one(WIDTHS),
      kind: one(KINDS),
      outward: random() < 0.5,
      side: one(SIDES),
    };
}

export function judgeCase(face: FontFace, asked: SolidCase): Verdict {
  const { mesh, rung, told } = buildCase(face, asked);
  const report = checkMesh(mesh);
  const { closed, manifold, outward, crossingFaces, degenerate } = report;
  const isEmpty = mesh.region.length === 0;
  return {
    case: asked,
    sound: isEmpty ? rung === 'first-try' : closed && manifold && outward && crossingFaces === 0 && degenerate === 0,
    rung,
    told,
    ...measureFaces(mesh),
  };
}

export function buildCase(face: FontFace, asked: SolidCase): { mesh: PolygonMesh; rung: string; told: string[] } {
  const step = gridStep(400);
  const { rings, em } = glyphRings(face, asked.character, { sizeMm: CAPITALS_MM, step, toleranceMm: TOLERANCE_MM });
  const { outline } = condition(rings, em);
  const inMm = (CAPITALS_MM * asked.widthPercent) / 100;
  const edge: EdgeShape = { kind: asked.kind, inMm, deepMm: DEEP_MM, steps: STEPS, points: MIXED } as EdgeShape;
  const side: SideShape = { kind: asked.side, amountMm: 3, steps: STEPS, divisions: 1 };
  const shiftMm = asked.outward ? 0 - inMm : 0;
  const { section, remarks } = buildSection({ depthMm: DEPTH_MM, front: edge, back: edge, side, shiftMm, step });
  const flat = flatWavefront(outline, { layers: sectionLayers(section), capInsets: sectionEnds(section), em, seed: 1 });
  const fits = flat.partition.layers.length === sectionLayers(section).length + 1;
  if (!fits) return { mesh: emptyMesh(), rung: flat.rung.kind, told: [] };
  return { mesh: lift(flat, { section, step }), rung: flat.rung.kind, told: remarks.map((r) => r.code) };
}
