import type { AskedSection } from '@fictile/core';
import type { SectionPlace, SectionPart } from './knobs.ts';

export const WIDE = 300;
export const HIGH = 176;
/** Room around the section, pixels: for what is written there. */
const ROOM = { left: 74, right: 46, top: 22, bottom: 24 };

/** The part of the section that is shown, and where on the drawing. */
export interface Frame {
  pixelsAMm: number;
  toPixels: (place: SectionPlace) => [x: number, y: number];
  toMm: (x: number, y: number) => SectionPlace;
}

interface FrameBox {
  in: [number, number];
  down: [number, number];
}

/** What is at work fills at least this share of the drawing one way; else the whole section is shown. */
const LEAST_SHARE = 0.3;
/** Of its own size: how much is seen around a part that has the drawing to itself. */
const AROUND = 0.35;

/** The whole section where its part at work is large enough in it, else that part with what is around it. */
export function frameOf({ rows, frames }: AskedSection, part: SectionPart): Frame {
  const [wide, high] = [WIDE - ROOM.left - ROOM.right, HIGH - ROOM.top - ROOM.bottom];
  const whole = boxOf(rows);
  const own = partBox(rows, frames[part]);
  const scale = (box: FrameBox): number => Math.min(wide / spanOf(box.in), high / spanOf(box.down));
  const least = Math.max((scale(whole) * spanOf(own.in)) / wide, (scale(whole) * spanOf(own.down)) / high);
  const shown = least >= LEAST_SHARE || part === 'side' ? whole : grown(own, whole);
  const pixelsAMm = scale(shown);
  const left = ROOM.left - shown.in[0] * pixelsAMm;
  const top = ROOM.top + (high - spanOf(shown.down) * pixelsAMm) / 2 - shown.down[0] * pixelsAMm;
  return {
    pixelsAMm,
    toPixels: ({ inMm, downMm }) => [left + inMm * pixelsAMm, top + downMm * pixelsAMm],
    toMm: (x, y) => ({ inMm: (x - left) / pixelsAMm, downMm: (y - top) / pixelsAMm }),
  };
}

const spanOf = ([from, to]: [number, number]): number => Math.max(to - from, 1e-6);

function boxOf(places: readonly SectionPlace[]): FrameBox {
  const ins = places.map((p) => p.inMm);
  const downs = places.map((p) => p.downMm);
  return { in: [Math.min(...ins), Math.max(...ins)], down: [Math.min(...downs), Math.max(...downs)] };
}

/** Of a part: its frame, and what goes beyond it. */
function partBox(
  rows: AskedSection['rows'],
  { inMm, downMm, wideMm, longMm }: AskedSection['frames']['front'],
): FrameBox {
  const [from, to] = [Math.min(downMm, downMm + longMm), Math.max(downMm, downMm + longMm)];
  const inside = rows.filter((row) => row.downMm >= from && row.downMm <= to);
  return boxOf([...inside, { inMm, downMm: from }, { inMm: inMm + wideMm, downMm: to }]);
}

function grown(own: FrameBox, whole: FrameBox): FrameBox {
  const room = AROUND * Math.max(spanOf(own.in), spanOf(own.down));
  return {
    in: [own.in[0], Math.min(own.in[1] + room, Math.max(whole.in[1], own.in[1]))],
    down: [Math.max(own.down[0] - room, whole.down[0]), Math.min(own.down[1] + room, whole.down[1])],
  };
}
