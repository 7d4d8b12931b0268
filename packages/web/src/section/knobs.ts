import {
  isWire,
  isDrawn,
  isPlain,
  isLettering,
  LIMITS,
  type AskedSection,
  type Edge,
  type PartFrame,
  type Piece,
  type Side,
  heldAtMiddle,
} from '@fictile/core';

export type SectionPart = 'front' | 'side' | 'back';
export const SECTION_PARTS: readonly SectionPart[] = ['front', 'side', 'back'];

/** Mm in from the outline and down from the front. */
export interface SectionPlace {
  inMm: number;
  downMm: number;
}

type Points = Edge['points'];

/** Something on the section to take hold of: the ends of an edge, the depth of a side, a point that was drawn. */
export interface SectionKnob extends SectionPlace {
  part: SectionPart;
  kind: 'rim' | 'foot' | 'amount' | 'point';
  /** of a point, among its part's */
  index: number;
  smooth: boolean;
}

/** What the section of a part is changed by. */
export type KnobChange = { part: 'front' | 'back'; values: Partial<Edge> } | { part: 'side'; values: Partial<Side> };

/** Where it is changed: a back edge that follows the front is changed there. */
export const partAtWork = ({ body }: Piece, part: SectionPart): SectionPart =>
  part === 'back' && body.solid.backAsFront ? 'front' : part;

/** The edge or side that a part is. */
export const shapeOf = (piece: Piece, part: SectionPart): Edge | Side => piece.body.solid[partAtWork(piece, part)];

const placeOf = (frame: PartFrame, inward: number, down: number): SectionPlace => ({
  inMm: frame.inMm + frame.wideMm * inward,
  downMm: frame.downMm + frame.longMm * down,
});

export function knobsOf(piece: Piece, { frames }: AskedSection, part: SectionPart): SectionKnob[] {
  const frame = frames[part];
  const shape = shapeOf(piece, part);
  const knob = (kind: SectionKnob['kind'], inward: number, down: number): SectionKnob => ({
    ...{ part, kind, index: -1, smooth: false },
    ...placeOf(frame, inward, down),
  });
  const points = isDrawn(shape) ? shape.points : [];
  const drawn = points.map((p, index): SectionKnob => ({ ...knob('point', p.in, p.down), index, smooth: p.smooth }));
  if (part === 'side') return heldAtMiddle(shape.kind) ? [knob('amount', 1, 0.5)] : drawn;
  // a wire's section is as large as its thickness says
  if (!isLettering(piece) || isWire(piece.source.contour)) return drawn;
  return isPlain(shape) ? [] : [knob('rim', 1, 0), ...drawn, knob('foot', 0, 1)];
}

/** What a knob that is put to a place changes; undefined where nothing can follow. */
export function knobMoved(
  piece: Piece,
  { frames }: AskedSection,
  knob: SectionKnob,
  { to }: { to: SectionPlace },
): KnobChange | undefined {
  const part = partAtWork(piece, knob.part);
  const frame = frames[knob.part];
  if (knob.kind === 'point') return pointMoved(piece, part, knob.index, sharesAt(frame, to));
  if (knob.kind === 'amount')
    return { part: 'side', values: { amountMm: rounded(to.inMm - frame.inMm, frame.wideMm) } };
  if (part === 'side') return undefined;
  if (knob.kind === 'rim') return { part, values: { inMm: rounded(to.inMm - frame.inMm, frame.wideMm) } };
  return { part, values: { deepMm: rounded((to.downMm - frame.downMm) * Math.sign(frame.longMm), frame.longMm) } };
}

/** In steps that suit what was there. */
function rounded(mm: number, before: number): number {
  const step = 10 ** (Math.floor(Math.log10(Math.max(Math.abs(before), 0.1))) - 1) / 2;
  return Math.min(1000, Math.max(0, Math.round(Math.round(mm / step) * step * 1e4) / 1e4));
}

/** Of a part's width and of its depth. */
export interface Shares {
  in: number;
  down: number;
}

const hundredths = (value: number): number => Math.round(value * 100) / 100 + 0;

/** A part without width keeps its points' own. */
export const sharesAt = (frame: PartFrame, { inMm, downMm }: SectionPlace): Partial<Shares> => ({
  ...(frame.wideMm > 0 ? { in: hundredths((inMm - frame.inMm) / frame.wideMm) } : {}),
  ...(frame.longMm !== 0 ? { down: hundredths((downMm - frame.downMm) / frame.longMm) } : {}),
});

const within = (point: Points[number]): Points[number] => ({
  ...point,
  in: Math.min(LIMITS.profileReach, Math.max(-LIMITS.profileReach, point.in)),
  down: Math.min(1, Math.max(0, point.down)),
});

export function pointMoved(piece: Piece, part: SectionPart, index: number, to: Partial<Points[number]>): KnobChange {
  const points = shapeOf(piece, part).points.map((p, i) => (i === index ? within({ ...p, ...to }) : p));
  return { part, values: { points } };
}

export const pointDropped = (piece: Piece, part: SectionPart, index: number): KnobChange => ({
  part,
  values: { points: shapeOf(piece, part).points.filter((_, i) => i !== index) },
});

const ENDS: Readonly<Record<'edge' | 'side', readonly [Shares, Shares]>> = {
  edge: [
    { in: 1, down: 0 },
    { in: 0, down: 1 },
  ],
  side: [
    { in: 0, down: 0 },
    { in: 0, down: 1 },
  ],
};

const way = (piece: Piece, part: SectionPart): Shares[] => {
  const [first, last] = ENDS[part === 'side' ? 'side' : 'edge'];
  return [first, ...shapeOf(piece, part).points, last];
};

/** A point more, on the piece of the line that lies nearest to a place; gives its index too. */
export function pointAdded(piece: Piece, part: SectionPart, at: Shares): { change: KnobChange; index: number } {
  const index = nearestPiece(way(piece, part), at);
  const points = [...shapeOf(piece, part).points];
  points.splice(index, 0, within({ in: hundredths(at.in), down: hundredths(at.down), smooth: true }));
  return { change: { part, values: { points } }, index };
}

/** The middle of the piece after a point, or of the longest. */
export function middleAfter(piece: Piece, part: SectionPart, index: number): Shares {
  const all = way(piece, part);
  const spans = all.slice(1).map((p, i) => Math.hypot(p.in - all[i].in, p.down - all[i].down));
  const i = index >= 0 ? index + 1 : spans.indexOf(Math.max(...spans));
  return { in: (all[i].in + all[i + 1].in) / 2, down: (all[i].down + all[i + 1].down) / 2 };
}

function nearestPiece(all: readonly Shares[], at: Shares): number {
  const distances = all.slice(1).map((b, i) => {
    const a = all[i];
    const [dx, dy] = [b.in - a.in, b.down - a.down];
    const square = dx * dx + dy * dy;
    const t = square > 0 ? Math.min(1, Math.max(0, ((at.in - a.in) * dx + (at.down - a.down) * dy) / square)) : 0;
    return Math.hypot(a.in + t * dx - at.in, a.down + t * dy - at.down);
  });
  return distances.indexOf(Math.min(...distances));
}
