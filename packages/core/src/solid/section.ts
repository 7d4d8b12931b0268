import type { Remark } from '../base/index.ts';
import { remark } from '../base/index.ts';
import { cos, PI, sin } from '../math/index.ts';
import { sectionIsSimple } from './sectionIsSimple.ts';
import { SMALLEST_LAYER } from './wavefront/index.ts';

export type EdgeKind = 'plain' | 'chamfer' | 'round';

/** One edge as asked for, mm. */
export type EdgeShape = UsualEdge | DrawnEdge;

export interface UsualEdge {
  kind: EdgeKind;
  inMm: number;
  deepMm: number;
  steps: number;
}

/** Row by row from the rim of the cap to the outline: how far in, and how far from the cap. Ever less in, ever further down. */
export interface DrawnEdge {
  kind: 'drawn';
  rows: readonly { inMm: number; downMm: number }[];
}

const deepOf = (edge: EdgeShape | undefined): number => {
  if (edge?.kind !== 'drawn') return edge?.deepMm ?? 0;
  return edge.rows[edge.rows.length - 1].downMm;
};

export type SectionPart = 'frontEdge' | 'wall' | 'backEdge';

/**
 * The solid's profile: a polyline in (inset, z) from the front's rim round front edge, wall and back edge to the back's rim. The skin of the
 * solid is all points whose (distance to the outline, z) lies on it. Whole grid steps. Every piece lies between two neighbouring
 * layers or keeps its inset.
 */
export interface Section {
  inset: number[];
  z: number[];
  /** part of the piece that begins at each vertex; one fewer than vertices */
  part: SectionPart[];
}

export interface SectionOptions {
  depthMm: number;
  front: EdgeShape;
  back: EdgeShape;
  /** grid step, mm */
  step: number;
}

/**
 * Builds the section with its back at z = 0. Edges deeper than the body are scaled to it and told; edges finer than the grid, or of a body
 * so thin that its rows fall together on the grid, are left plain and told.
 */
export function buildSection(options: SectionOptions): { section: Section; remarks: Remark[] } {
  const { depthMm, step } = options;
  const front = options.front.kind === 'plain' ? undefined : options.front;
  const back = options.back.kind === 'plain' ? undefined : options.back;
  const asked = deepOf(front) + deepOf(back);
  const scale = asked > depthMm ? depthMm / asked : 1;
  const depth = Math.max(SMALLEST_LAYER, Math.round(depthMm / step));
  const frontRows = edgeRows(front, { scale, step, room: depth });
  const room = depth - frontRows[frontRows.length - 1].down;
  const backRows = onLayersOf(frontRows, edgeRows(back, { scale, step, room }));
  const section = withPassedLayers(joinRows(frontRows, backRows, depth));
  const isFit = sectionIsSimple(section);
  const remarks: Remark[] = scale < 1 ? [remark('EDGES_SCALED', { askedMm: asked, takenMm: depthMm })] : [];
  if (!isFit || (front && frontRows.length === 1) || (back && backRows.length === 1))
    remarks.push(remark('EDGE_TOO_FINE', { leastMm: SMALLEST_LAYER * step }));
  return { section: isFit ? section : joinRows([NO_EDGE], [NO_EDGE], depth), remarks };
}

function joinRows(frontRows: readonly Row[], backRows: readonly Row[], depth: number): Section {
  const section: Section = { inset: [], z: [], part: [] };
  const add = (inset: number, z: number, part: SectionPart): void => {
    const last = section.inset.length - 1;
    if (last >= 0 && section.inset[last] === inset && section.z[last] === z) return;
    if (last >= 0) section.part.push(part);
    section.inset.push(inset);
    section.z.push(z);
  };
  for (const row of frontRows) add(row.inset, depth - row.down, 'frontEdge');
  for (const [i, row] of backRows.toReversed().entries()) add(row.inset, row.down, i === 0 ? 'wall' : 'backEdge');
  return section;
}

interface Row {
  inset: number;
  /** from the cap towards the middle */
  down: number;
}

const NO_EDGE: Row = { inset: 0, down: 0 };

interface EdgeRoom {
  /** what the edge's depth is multiplied by to fit the body */
  scale: number;
  step: number;
  /** grid steps that are left for its depth */
  room: number;
}

/**
 * From the rim of the cap (inset = width, down = 0) to the outline (inset = 0, down = deep). An edge finer than the grid bears is none: one row.
 */
function edgeRows(edge: EdgeShape | undefined, { scale, step, room }: EdgeRoom): Row[] {
  if (!edge) return [NO_EDGE];
  const inSteps = profile(edge).map(({ inMm, downMm }) => ({
    inset: Math.round(inMm / step),
    down: Math.min(room, Math.round((downMm * scale) / step)),
  }));
  const last = inSteps[inSteps.length - 1];
  if (inSteps[0].inset < SMALLEST_LAYER || last.down < 1) return [NO_EDGE];
  const rows = [inSteps[0]];
  for (const row of inSteps.slice(1, -1)) {
    // rows too close to the one before, or to the outline's own, are left out
    if (rows[rows.length - 1].inset - row.inset >= SMALLEST_LAYER && row.inset >= SMALLEST_LAYER) rows.push(row);
  }
  return [...rows, { inset: 0, down: last.down }];
}

/** An edge's rows from the rim to the outline, mm. */
function profile(edge: EdgeShape): DrawnEdge['rows'] {
  if (edge.kind === 'drawn') return edge.rows;
  const { inMm, deepMm } = edge;
  const steps = edge.kind === 'round' ? edge.steps : 1;
  return Array.from({ length: steps + 1 }, (_, i) => {
    if (i === 0) return { inMm, downMm: 0 };
    if (i === steps) return { inMm: 0, downMm: deepMm };
    const angle = ((i / steps) * PI) / 2;
    return { inMm: inMm * (1 - sin(angle)), downMm: deepMm * (1 - cos(angle)) };
  });
}

/**
 * Half of a regular polygon's profile with flat sides in front and outside, as an edge: what makes a wire of a band that is `thickMm` wide and
 * deep. `sides`: a multiple of four.
 */
export function wireEdge(thickMm: number, sides: number): EdgeShape {
  if (sides === 4) return { kind: 'plain', inMm: 0, deepMm: 0, steps: 1 };
  const radius = thickMm / 2;
  const half = PI / sides;
  const round = radius / cos(half);
  const rows = Array.from({ length: sides / 4 }, (_, i) => {
    const angle = half + (2 * PI * i) / sides;
    return { inMm: Math.max(0, radius - round * sin(angle)), downMm: Math.max(0, radius - round * cos(angle)) };
  });
  return { kind: 'drawn', rows };
}

/** Layers may not lie closer than SMALLEST_LAYER: where a row of one edge comes so close to one of the other's, it takes that one's inset. */
function onLayersOf(others: readonly Row[], rows: readonly Row[]): Row[] {
  const snapped = rows.map(({ inset, down }) => {
    const near = others.find((other) => Math.abs(other.inset - inset) < SMALLEST_LAYER);
    return { inset: near?.inset ?? inset, down };
  });
  const isLast = (i: number): boolean => i === snapped.length - 1;
  return snapped.filter((row, i) => isLast(i) || i === 0 || row.inset !== snapped[i - 1].inset);
}

/** Layers that a section needs: its insets above zero, ascending. */
export function sectionLayers(section: Section): number[] {
  return [...new Set(section.inset)].filter((inset) => inset > 0).sort((a, b) => a - b);
}

/** Puts a vertex wherever a piece passes a layer of another part of the section. */
function withPassedLayers(section: Section): Section {
  const layers = sectionLayers(section);
  const out: Section = { inset: [section.inset[0]], z: [section.z[0]], part: [] };
  for (let s = 0; s + 1 < section.inset.length; s++) {
    const from = section.inset[s];
    const to = section.inset[s + 1];
    const passed = layers.filter((inset) => inset > Math.min(from, to) && inset < Math.max(from, to));
    if (from > to) passed.reverse();
    for (const inset of [...passed, to]) {
      const share = to === from ? 1 : (inset - from) / (to - from);
      out.inset.push(inset);
      out.z.push(section.z[s] + Math.round(share * (section.z[s + 1] - section.z[s])));
      out.part.push(section.part[s]);
    }
  }
  return out;
}

/** Cosine of the turn at each vertex of the section, the flat front and back counted as its continuation. */
export function sectionCosines(section: Section): number[] {
  const n = section.inset.length;
  const x = [section.inset[0] + 1, ...section.inset, section.inset[n - 1] + 1];
  const y = [section.z[0], ...section.z, section.z[n - 1]];
  return section.inset.map((_, i) => {
    const ux = x[i + 1] - x[i];
    const uy = y[i + 1] - y[i];
    const vx = x[i + 2] - x[i + 1];
    const vy = y[i + 2] - y[i + 1];
    return (ux * vx + uy * vy) / Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
  });
}
