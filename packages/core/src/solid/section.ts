import { remark, type Remark } from '../base/index.ts';
import { cos, PI, sin } from '../math/index.ts';
import { edgeProfile, sideProfile, type EdgeKind, type SideKind } from './profiles.ts';
import { sectionIsSimple } from './sectionIsSimple.ts';
import { SMALLEST_LAYER } from './wavefront/index.ts';

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

/** What lies between the edges. */
export interface SideShape {
  kind: SideKind;
  /** how far it goes in, mm */
  amountMm: number;
  /** of each half of a curved one */
  steps: number;
  /** a straight one is cut into so many along the depth */
  divisions: number;
}

export const STRAIGHT_SIDE: SideShape = { kind: 'straight', amountMm: 0, steps: 1, divisions: 1 };

export type SectionPart = 'frontEdge' | 'wall' | 'backEdge';

/**
 * The solid's profile: a polyline in (inset, z) from the front's rim round front edge, wall and back edge to the back's rim. The skin of the
 * solid is all points whose (distance to the outline, z) lies on it. Whole grid steps. Every piece lies between two neighbouring
 * layers or keeps its inset; insets may go back and forth.
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
  side?: SideShape;
  /** grid step, mm */
  step: number;
}

/** A point of the section in mm: how far in, and how far below the front. */
interface Row {
  inMm: number;
  downMm: number;
  part: SectionPart;
}

/**
 * Builds the section with its back at z = 0. Edges deeper than the body are scaled to it and told; edges finer than the grid, or of a body
 * so thin that its rows fall together on the grid, are left plain and told.
 */
export function buildSection(options: SectionOptions): { section: Section; remarks: Remark[] } {
  const { depthMm, step, side = STRAIGHT_SIDE } = options;
  const edges = [options.front, options.back].map((edge) => ({ edge, rows: edgeRows(edge) }));
  const asked = edges.reduce((sum, { rows }) => sum + deepOf(rows), 0);
  // what ends level with the outline needs a wall to end on
  const most = edges.some(({ edge }) => endsLevel(edge)) ? WALL_SHARE * depthMm : depthMm;
  const scale = asked > most ? most / asked : 1;
  const remarks: Remark[] = scale < 1 ? [remark('EDGES_SCALED', { askedMm: asked, takenMm: most })] : [];
  const depth = Math.max(SMALLEST_LAYER, Math.round(depthMm / step));
  const [front, back] = edges.map(({ edge, rows }) => {
    const width = Math.round((rows[0]?.inMm ?? 0) / step);
    const isFit = rows.length === 0 || (width >= SMALLEST_LAYER && Math.round((deepOf(rows) * scale) / step) >= 1);
    if (!isFit) remarks.push(remark('EDGE_TOO_FINE', { leastMm: SMALLEST_LAYER * step }));
    return isFit && edge.kind !== 'plain' ? rows.map((row) => ({ ...row, downMm: row.downMm * scale })) : [];
  });
  const room = depthMm - deepOf(front) - deepOf(back);
  const hasRoom = side.kind === 'straight' || room / step > SMALLEST_LAYER * sideRows(side).length;
  if (!hasRoom) remarks.push(remark('SIDE_LEFT_STRAIGHT', { roomMm: Math.max(0, room) }));
  const rows = joined(front, back, { side: hasRoom ? side : STRAIGHT_SIDE, depthMm });
  const section = withPassedLayers(onGrid(rows, step, depth));
  if (sectionIsSimple(section)) return { section, remarks: once(remarks) };
  remarks.push(remark('EDGE_TOO_FINE', { leastMm: SMALLEST_LAYER * step }));
  const plain: Section = { inset: [0, 0], z: [depth, 0], part: ['wall'] };
  return { section: plain, remarks: once(remarks) };
}

/** Of the depth: what edges that end level leave for the wall at most. */
const WALL_SHARE = 0.95;
const LEVEL: readonly EdgeShape['kind'][] = ['cove', 'step', 'ogee', 'bead'];
const endsLevel = ({ kind }: EdgeShape): boolean => LEVEL.includes(kind);

/** Both edges can be too fine: that is told once. */
const once = (remarks: readonly Remark[]): Remark[] =>
  remarks.filter(({ code }, i) => remarks.findIndex((other) => other.code === code) === i);

type EdgeRow = Omit<Row, 'part'>;

const deepOf = (rows: readonly EdgeRow[]): number => (rows.length === 0 ? 0 : rows[rows.length - 1].downMm);

/** From the rim to the outline, mm; none where there is no edge. */
function edgeRows(edge: EdgeShape): EdgeRow[] {
  if (edge.kind === 'drawn') return [...edge.rows];
  if (edge.kind === 'plain') return [];
  return edgeProfile(edge.kind, edge.steps).map(([inward, down]) => ({
    inMm: edge.inMm * inward,
    downMm: edge.deepMm * down,
  }));
}

/** Front edge, side and back edge in one row from the front's rim to the back's. */
function joined(
  front: readonly EdgeRow[],
  back: readonly EdgeRow[],
  { side, depthMm }: { side: SideShape; depthMm: number },
): Row[] {
  const from = deepOf(front);
  const to = depthMm - deepOf(back);
  const profile = sideRows(side).map(([inward, along]) => ({
    inMm: side.amountMm * inward,
    downMm: from + (to - from) * along,
    part: 'wall' as const,
  }));
  const [foot] = profile;
  const base = foot.inMm;
  const atFront = front.slice(0, -1).map((row): Row => ({ ...row, inMm: row.inMm + base, part: 'frontEdge' }));
  // the part named is that of the piece after a point: the back edge begins at the side's last
  const last: Row = { ...profile[profile.length - 1], part: 'backEdge' };
  const atBack = back
    .slice(0, -1)
    .map(({ inMm, downMm }): Row => ({ inMm: inMm + base, downMm: depthMm - downMm, part: 'backEdge' }))
    .reverse();
  return [...atFront, ...profile.slice(0, -1), last, ...atBack];
}

function sideRows({ kind, steps, divisions }: SideShape): readonly (readonly [number, number])[] {
  if (kind !== 'straight') return sideProfile(kind, steps);
  return Array.from({ length: divisions + 1 }, (_, i): [number, number] => [0, i / divisions]);
}

/**
 * Rows of the grid. Layers may not lie closer than SMALLEST_LAYER: insets that come closer to one already taken, the outline's own and the largest
 * first, become that one. Points that fall together are one.
 */
function onGrid(rows: readonly Row[], step: number, depth: number): Section {
  const insets = rows.map((row) => Math.round(row.inMm / step));
  const layers = layersOf(insets);
  const section: Section = { inset: [], z: [], part: [] };
  let part: SectionPart | undefined;
  rows.forEach((row, i) => {
    const inset = layers.get(insets[i]) as number;
    const isEnd = i === 0 || i === rows.length - 1;
    const z = isEnd ? (i === 0 ? depth : 0) : Math.max(0, Math.min(depth, depth - Math.round(row.downMm / step)));
    const last = section.inset.length - 1;
    if (last >= 0 && section.inset[last] === inset && section.z[last] === z) {
      part = row.part;
      return;
    }
    if (last >= 0) section.part.push(part as SectionPart);
    section.inset.push(inset);
    section.z.push(z);
    part = row.part;
  });
  return section;
}

/** Every inset as the layer that it lies on. */
function layersOf(insets: readonly number[]): Map<number, number> {
  const wanted = [...new Set(insets)];
  const largest = Math.max(...wanted);
  // the rims' widths are kept; what comes between gives way
  const order = [0, largest, insets[0], insets[insets.length - 1], ...wanted.sort((a, b) => b - a)];
  const taken: number[] = [];
  for (const inset of order) if (!taken.some((layer) => Math.abs(layer - inset) < SMALLEST_LAYER)) taken.push(inset);
  const nearest = (inset: number): number =>
    taken.reduce((best, layer) => (Math.abs(layer - inset) < Math.abs(best - inset) ? layer : best));
  return new Map(wanted.map((inset) => [inset, nearest(inset)]));
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

/** Layers that a section needs: its insets above zero, ascending. */
export function sectionLayers(section: Section): number[] {
  return [...new Set(section.inset)].filter((inset) => inset > 0).sort((a, b) => a - b);
}

/** Puts a vertex wherever a piece passes a layer of another part of the section. */
function withPassedLayers(section: Section): Section {
  const layers = [0, ...sectionLayers(section)];
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
