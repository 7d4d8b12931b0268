import type { Remark } from '../base/index.ts';
import { remark } from '../base/index.ts';
import { cos, PI, sin } from '../math/index.ts';
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

/** Builds the section with its back at z = 0; edges deeper than the body are scaled to it and told. */
export function buildSection(options: SectionOptions): { section: Section; remarks: Remark[] } {
  const { depthMm, step } = options;
  const front = options.front.kind === 'plain' ? undefined : options.front;
  const back = options.back.kind === 'plain' ? undefined : options.back;
  const asked = (front?.deepMm ?? 0) + (back?.deepMm ?? 0);
  const scale = asked > depthMm ? depthMm / asked : 1;
  const depth = Math.round(depthMm / step);
  const frontRows = edgeRows(front, scale, step);
  const backRows = edgeRows(back, scale, step);
  const section: Section = { inset: [], z: [], part: [] };
  const add = (inset: number, z: number, part: SectionPart): void => {
    const last = section.inset.length - 1;
    if (last >= 0 && section.inset[last] === inset && section.z[last] === z) return;
    if (last >= 0) section.part.push(part);
    section.inset.push(inset);
    section.z.push(z);
  };
  for (const row of frontRows) add(row.inset, depth - row.down, 'frontEdge');
  for (const [i, row] of backRows.reverse().entries()) add(row.inset, row.down, i === 0 ? 'wall' : 'backEdge');
  const remarks = scale < 1 ? [remark('EDGES_SCALED', { askedMm: asked, takenMm: depthMm })] : [];
  return { section: withPassedLayers(section), remarks };
}

/** From the rim of the cap (inset = width, down = 0) to the outline (inset = 0, down = deep). */
function edgeRows(edge: EdgeShape | undefined, scale: number, step: number): { inset: number; down: number }[] {
  if (!edge) return [{ inset: 0, down: 0 }];
  const width = Math.round(edge.inMm / step);
  const deep = Math.round((edge.deepMm * scale) / step);
  const rows: { inset: number; down: number }[] = [];
  const steps = edge.kind === 'chamfer' ? 1 : edge.steps;
  for (let i = 0; i <= steps; i++) {
    const angle = ((i / steps) * PI) / 2;
    const round = edge.kind === 'round';
    const inset = i === steps ? 0 : Math.round(width * (round ? 1 - sin(angle) : 1 - i / steps));
    const down = i === steps ? deep : Math.round(deep * (round ? 1 - cos(angle) : i / steps));
    const isClose = (): boolean => rows.length > 0 && rows[rows.length - 1].inset - inset < SMALLEST_LAYER;
    if (isClose() && i < steps) continue;
    while (isClose()) rows.pop(); // the outline's own layer stays
    rows.push({ inset, down });
  }
  return rows;
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
