import type { Remark } from '../base/index.ts';
import { remark } from '../base/index.ts';
import { cos, PI, sin } from '../math/index.ts';
import { sectionIsSimple } from './sectionIsSimple.ts';
import { SMALLEST_LAYER } from './wavefront/index.ts';

export type EdgeKind = 'plain' | 'chamfer' | 'round';

/** One edge as asked for, mm. */
export interface EdgeShape {
  kind: EdgeKind;
  inMm: number;
  deepMm: number;
  steps: number;
}

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
  const asked = (front?.deepMm ?? 0) + (back?.deepMm ?? 0);
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
  const width = edge ? Math.round(edge.inMm / step) : 0;
  const deep = edge ? Math.min(room, Math.round((edge.deepMm * scale) / step)) : 0;
  if (!edge || width < SMALLEST_LAYER || deep < 1) return [NO_EDGE];
  const rows = [{ inset: width, down: 0 }];
  const steps = edge.kind === 'round' ? edge.steps : 1;
  for (let i = 1; i < steps; i++) {
    const angle = ((i / steps) * PI) / 2;
    const inset = Math.round(width * (1 - sin(angle)));
    const down = Math.round(deep * (1 - cos(angle)));
    // rows too close to the one before, or to the outline's own, are left out
    if (rows[rows.length - 1].inset - inset >= SMALLEST_LAYER && inset >= SMALLEST_LAYER) rows.push({ inset, down });
  }
  return [...rows, { inset: 0, down: deep }];
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
