import type { Pen } from '../../outline/index.ts';
import { drawEllipse, drawRectangle } from '../shapes.ts';
import { svgLength, numbersOf } from './numbers.ts';
import { drawPathData } from './pathData.ts';
import type { SvgNode } from './xmlTree.ts';
import type { Viewport } from './viewports.ts';

/** Draws one of SVG's shapes (SVG 2, chapters 9 and 10). False: not well formed. */
export type DrawShape = (node: SvgNode, pen: Pen, room: Viewport) => boolean;

/** Lengths of attributes along x, along y, and of neither (of the diagonal's share). */
function lengths({ attributes }: SvgNode, { width, height }: Viewport) {
  const diagonal = Math.sqrt((width * width + height * height) / 2);
  const of = (whole: number) => (name: string) =>
    attributes[name] === undefined ? 0 : (svgLength(attributes[name], whole) ?? NaN);
  return { x: of(width), y: of(height), r: of(diagonal) };
}

const allFinite = (...values: number[]): boolean => values.every(Number.isFinite);

const rect: DrawShape = (node, pen, room) => {
  const l = lengths(node, room);
  const [x, y, width, height] = [l.x('x'), l.y('y'), l.x('width'), l.y('height')];
  const isRound = (name: string): boolean => !['auto', undefined].includes(node.attributes[name]);
  const rx = isRound('rx') ? l.x('rx') : l.y('ry');
  const ry = isRound('ry') ? l.y('ry') : l.x('rx');
  if (!allFinite(x, y, width, height, rx, ry) || width < 0 || height < 0) return false;
  if (width > 0 && height > 0)
    drawRectangle(pen, [x, y, width, height], [Math.min(rx, width / 2), Math.min(ry, height / 2)]);
  return true;
};

const circle: DrawShape = (node, pen, room) => {
  const l = lengths(node, room);
  const [cx, cy, r] = [l.x('cx'), l.y('cy'), l.r('r')];
  if (!allFinite(cx, cy, r) || r < 0) return false;
  if (r > 0) drawEllipse(pen, [cx, cy], [r, r]);
  return true;
};

const ellipse: DrawShape = (node, pen, room) => {
  const l = lengths(node, room);
  const [cx, cy, rx, ry] = [l.x('cx'), l.y('cy'), l.x('rx'), l.y('ry')];
  if (!allFinite(cx, cy, rx, ry) || rx < 0 || ry < 0) return false;
  if (rx > 0 && ry > 0) drawEllipse(pen, [cx, cy], [rx, ry]);
  return true;
};

const line: DrawShape = (node, pen, room) => {
  const l = lengths(node, room);
  const [x1, y1, x2, y2] = [l.x('x1'), l.y('y1'), l.x('x2'), l.y('y2')];
  if (!allFinite(x1, y1, x2, y2)) return false;
  pen.moveTo(x1, y1);
  pen.lineTo(x2, y2);
  return true;
};

const points =
  (closes: boolean): DrawShape =>
  ({ attributes: { points: text = '' } }, pen) => {
    if (/[^-+.,e\d\s]/i.test(text)) return false;
    const values = numbersOf(text);
    for (let i = 0; i + 1 < values.length; i += 2)
      if (i === 0) pen.moveTo(values[0], values[1]);
      else pen.lineTo(values[i], values[i + 1]);
    if (closes && values.length >= 4) pen.close();
    return values.length % 2 === 0;
  };

export const SHAPES: ReadonlyMap<string, DrawShape> = new Map<string, DrawShape>([
  ['path', ({ attributes: { d = '' } }, pen) => d.trim() === '' || drawPathData(d, pen)],
  ['rect', rect],
  ['circle', circle],
  ['ellipse', ellipse],
  ['line', line],
  ['polyline', points(false)],
  ['polygon', points(true)],
]);
