import { remark, type Remark } from '../../base/index.ts';
import { SMALLEST_LAYER } from '../wavefront/index.ts';
import { sectionCrossing, sectionTouch, type SectionCrossing } from './crossing.ts';
import { deepOf, edgeRows, endsLevel, sideRows, WALL_SHARE } from './edgeRows.ts';
import { onGrid } from './onGrid.ts';
import type { SectionRow, Section, SectionPart } from './section.ts';
import { STRAIGHT_SIDE, type EdgeRow, type EdgeShape, type SideShape, type Swell } from './shapes.ts';
import { swellRows } from './swellRows.ts';

export interface SectionOptions {
  /** of the body, edges included, swelling not */
  depthMm: number;
  front: EdgeShape;
  back: EdgeShape;
  side?: SideShape;
  /** how far the whole section lies further in (or, below zero, out) than drawn */
  shiftMm?: number;
  frontSwell?: Swell;
  backSwell?: Swell;
  /** grid step, mm */
  step: number;
}

export interface BuiltSection {
  section: Section;
  remarks: Remark[];
}

/**
 * Builds the section with the lowest point of its back at z = 0. Edges deeper than the body are scaled to it and told;
 * edges finer than the grid, or of a body so thin that its rows fall together on the grid, are left plain and told;
 * what crosses itself is replaced by something simple and told with its place.
 */
export function buildSection(options: SectionOptions): BuiltSection {
  const remarks: Remark[] = [];
  let asked: Shapes = { front: options.front, back: options.back, side: options.side ?? STRAIGHT_SIDE };
  // each round makes something simpler; without anything drawn nothing crosses but what rounding brings together
  for (;;) {
    const { section, remarks: told, place } = attempt(asked, options);
    const crossing = sectionCrossing(section) ?? sectionTouch(section);
    if (!crossing) return { section, remarks: once([...remarks, ...told]) };
    const simpler = simplified(asked, partsAt(crossing, section));
    if (!simpler) return plain(options, [...remarks, ...told]);
    remarks.push(remark('SECTION_CROSSES', { ...place(crossing.inset, crossing.z), instead: simpler.instead }));
    asked = simpler.shapes;
  }
}

/** Where a part's own shares lie: a point of it is (inMm + wideMm * in, downMm + longMm * down). */
export interface PartFrame {
  inMm: number;
  downMm: number;
  wideMm: number;
  /** below zero for the back edge, which is drawn from the back */
  longMm: number;
}

/** A section before anything gives way to what crosses, mm. */
export interface AskedSection {
  rows: SectionRow[];
  frames: Readonly<Record<'front' | 'side' | 'back', PartFrame>>;
  crossing: { inMm: number; downMm: number } | undefined;
}

/** The section as it is asked for, to be looked at and drawn. */
export function askedSection(options: SectionOptions): AskedSection {
  const { front, back, side = STRAIGHT_SIDE } = options;
  const { section, rows, frames, place } = attempt({ front, back, side }, options);
  const crossing = sectionCrossing(section);
  return { rows, frames, crossing: crossing && place(crossing.inset, crossing.z) };
}

interface Shapes {
  front: EdgeShape;
  back: EdgeShape;
  side: SideShape;
}

interface SectionAttempt extends BuiltSection, Pick<AskedSection, 'rows' | 'frames'> {
  /** grid steps of the section -> mm in from the outline and down from the front */
  place: (inset: number, z: number) => { inMm: number; downMm: number };
}

function attempt(shapes: Shapes, options: SectionOptions): SectionAttempt {
  const { depthMm, step, shiftMm = 0 } = options;
  const remarks: Remark[] = [];
  const [front, back] = fittedEdges(shapes, options, remarks);
  const side = fittedSide(shapes.side, depthMm - deepOf(front) - deepOf(back), step, remarks);
  const body = joined(front, back, { side, depthMm, shiftMm });
  const rims = [body[0], body[body.length - 1]];
  const swells = [
    swell(options.frontSwell, front, body[0].inMm, step),
    swell(options.backSwell, back, rims[1].inMm, step),
  ];
  const [above, below] = swells.map((rows) => (rows.length === 0 ? 0 : rows[0].upMm));
  const rows: SectionRow[] = [
    ...swells[0].map(({ inMm, upMm }): SectionRow => ({ inMm, downMm: 0 - upMm, part: 'front' })),
    ...body.slice(0, -1),
    { ...rims[1], part: 'back' },
    ...swells[1].map(({ inMm, upMm }): SectionRow => ({ inMm, downMm: depthMm + upMm, part: 'back' })).reverse(),
  ];
  const depth = Math.max(SMALLEST_LAYER, Math.round((depthMm + above + below) / step));
  const top = Math.round(above / step);
  const section = onGrid(rows, { step, depth, above: top, kept: rims.map((row) => row.inMm) });
  return {
    section,
    remarks,
    rows,
    frames: framesOf(shapes, body, { front, back, depthMm, shiftMm }),
    place: (inset, z) => ({ inMm: inset * step, downMm: (depth - top - z) * step }),
  };
}

interface Fitted {
  front: readonly EdgeRow[];
  back: readonly EdgeRow[];
  depthMm: number;
  shiftMm: number;
}

function framesOf({ side, ...edges }: Shapes, body: readonly SectionRow[], fitted: Fitted): AskedSection['frames'] {
  const { front, back, depthMm, shiftMm } = fitted;
  const [deepFront, deepBack] = [deepOf(front), deepOf(back)];
  const base = body[Math.max(0, front.length - 1)].inMm;
  const wideOf = (edge: EdgeShape): number => ('inMm' in edge ? edge.inMm : 0);
  return {
    front: { inMm: base, downMm: 0, wideMm: wideOf(edges.front), longMm: deepFront },
    side: { inMm: shiftMm, downMm: deepFront, wideMm: side.amountMm, longMm: depthMm - deepFront - deepBack },
    back: { inMm: base, downMm: depthMm, wideMm: wideOf(edges.back), longMm: 0 - deepBack },
  };
}

/** Rows of both edges, from rim to foot, scaled to the body. */
function fittedEdges(shapes: Shapes, { depthMm, step }: SectionOptions, remarks: Remark[]): [EdgeRow[], EdgeRow[]] {
  const edges = [shapes.front, shapes.back].map((edge) => ({ edge, rows: edgeRows(edge) }));
  const asked = edges.reduce((sum, { rows }) => sum + deepOf(rows), 0);
  // what ends level with the outline needs a wall to end on
  const most = edges.some(({ edge, rows }) => endsLevel(edge, rows)) ? WALL_SHARE * depthMm : depthMm;
  const scale = asked > most ? most / asked : 1;
  if (scale < 1) remarks.push(remark('EDGES_SCALED', { askedMm: asked, takenMm: most }));
  return edges.map(({ rows }) => {
    const width = Math.abs(Math.round((rows[0]?.inMm ?? 0) / step));
    const isFit = rows.length === 0 || (width >= SMALLEST_LAYER && Math.round((deepOf(rows) * scale) / step) >= 1);
    if (!isFit) remarks.push(remark('EDGE_TOO_FINE', { leastMm: SMALLEST_LAYER * step }));
    return isFit ? rows.map((row) => ({ ...row, downMm: row.downMm * scale })) : [];
  }) as [EdgeRow[], EdgeRow[]];
}

function fittedSide(side: SideShape, room: number, step: number, remarks: Remark[]): SideShape {
  const hasRoom = side.kind === 'straight' || room / step > SMALLEST_LAYER * sideRows(side, room).length;
  if (hasRoom) return side;
  remarks.push(remark('SIDE_LEFT_STRAIGHT', { roomMm: Math.max(0, room) }));
  return STRAIGHT_SIDE;
}

/** Front edge, side and back edge in one row from the front's rim to the back's. */
function joined(
  front: readonly EdgeRow[],
  back: readonly EdgeRow[],
  { side, depthMm, shiftMm }: { side: SideShape; depthMm: number; shiftMm: number },
): SectionRow[] {
  const from = deepOf(front);
  const to = depthMm - deepOf(back);
  const profile = sideRows(side, to - from).map(([inward, along]) => ({
    inMm: side.amountMm * inward + shiftMm,
    downMm: from + (to - from) * along,
    part: 'wall' as const,
  }));
  const base = profile[0].inMm;
  const atFront = front.slice(0, -1).map((row): SectionRow => ({ ...row, inMm: row.inMm + base, part: 'frontEdge' }));
  // the part named is that of the piece after a point: the back edge begins at the side's last
  const last: SectionRow = { ...profile[profile.length - 1], part: 'backEdge' };
  const atBack = back
    .slice(0, -1)
    .map(({ inMm, downMm }): SectionRow => ({ inMm: inMm + base, downMm: depthMm - downMm, part: 'backEdge' }))
    .reverse();
  return [...atFront, ...profile.slice(0, -1), last, ...atBack];
}

/** Rows above a rim, none where nothing swells or nothing would be left of it on the grid. */
function swell(
  asked: Swell | undefined,
  edge: readonly EdgeRow[],
  rimMm: number,
  step: number,
): { inMm: number; upMm: number }[] {
  if (!asked || Math.round(asked.mm / step) < SMALLEST_LAYER * (asked.steps + 1)) return [];
  const [rim, ...rest] = edge.length === 0 ? [{ inMm: 0, downMm: 0 }] : edge;
  const shift = rimMm - rim.inMm;
  const rows = swellRows(asked, [{ ...rim, inMm: rimMm }, ...rest.map((row) => ({ ...row, inMm: row.inMm + shift }))]);
  return rows.length > 0 && (rows[0].inMm - rimMm) / step > SMALLEST_LAYER * (asked.steps + 1) ? rows : [];
}

/** What the pieces that cross belong to; the flat front and back are part of nothing. */
const partsAt = ({ pieces }: SectionCrossing, { part }: Section): SectionPart[] => pieces.flatMap((i) => part[i] ?? []);

interface Simpler {
  shapes: Shapes;
  instead: 'side' | 'front' | 'back';
}

/** The drawn thing that takes part in a crossing gives way: a side becomes straight, an edge a chamfer. */
function simplified(shapes: Shapes, parts: readonly SectionPart[]): Simpler | undefined {
  const { front, back, side } = shapes;
  const has = (part: SectionPart): boolean => parts.includes(part);
  const isAny = parts.length === 0;
  if (front.kind === 'drawn' && (isAny || has('frontEdge') || has('front')))
    return { instead: 'front', shapes: { ...shapes, front: { ...front, kind: 'chamfer' } } };
  if (back.kind === 'drawn' && (isAny || has('backEdge') || has('back')))
    return { instead: 'back', shapes: { ...shapes, back: { ...back, kind: 'chamfer' } } };
  if (side.kind === 'drawn') return { instead: 'side', shapes: { ...shapes, side: { ...side, kind: 'straight' } } };
  // it takes part without being told so: by a rounding at its end
  if (front.kind === 'drawn') return simplified(shapes, ['frontEdge']);
  return back.kind === 'drawn' ? simplified(shapes, ['backEdge']) : undefined;
}

/** Rows that rounding brought together on so fine a body. */
function plain({ depthMm, step, shiftMm = 0 }: SectionOptions, remarks: readonly Remark[]): BuiltSection {
  const depth = Math.max(SMALLEST_LAYER, Math.round(depthMm / step));
  const shift = Math.round(shiftMm / step);
  const inset = Math.abs(shift) < SMALLEST_LAYER ? 0 : shift;
  const section: Section = { inset: [inset, inset], z: [depth, 0], part: ['wall'] };
  return { section, remarks: once([...remarks, remark('EDGE_TOO_FINE', { leastMm: SMALLEST_LAYER * step })]) };
}

/** Both edges can be too fine: that is told once. */
const once = (remarks: readonly Remark[]): Remark[] =>
  remarks.filter(({ code }, i) => remarks.findIndex((other) => other.code === code) === i);
