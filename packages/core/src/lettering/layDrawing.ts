import { keyOf } from '../base/index.ts';
import type { Drawing } from '../document/index.ts';
import { drawFigures, drawingSize, type Figure, type FigureScale } from '../drawing/index.ts';
import type { VertexRing } from '../outline/index.ts';
import { standsApart, type Layout, type Letter } from '../text/index.ts';
import { drawingScale, type LetteringOptions } from './buildLettering.ts';

/**
 * A drawing -> a layout whose letters are its colours, each about its own lower left corner. Zero is the middle of the
 * drawing's foot.
 */
export function layDrawing(
  drawing: Drawing,
  options: Pick<LetteringOptions, 'solid' | 'ownSolids' | 'toleranceMm' | 'bands'>,
  wire: FigureScale['wire'],
): Layout {
  const { widthMm, heightMm } = drawingSize(drawing.shape);
  const emMm = Math.max(widthMm, heightMm, 1e-3);
  const reach = 2 * (emMm + (wire?.thickMm ?? 0));
  const moved = Object.values(drawing.own).map(
    ({ moveMm: [x, y], scalePercent }) => Math.abs(x) + Math.abs(y) + (reach * scalePercent) / 100,
  );
  const extentMm = reach + Math.max(0, ...moved);
  const { step } = drawingScale({ extentMm, emMm }, options);
  const largest = Math.max(100, ...Object.values(drawing.own).map((own) => own.scalePercent)) / 100;
  const scale: FigureScale = { step, toleranceMm: options.toleranceMm / largest, wire };
  const key = keyOf('figures', [drawing.shape, scale]);
  const letters = drawFigures(drawing.shape, scale, emMm).map((figure, i) => letterOf(figure, i, { key, step }));
  return {
    ...{ letters: letters.map(({ letter, heightMm: high }) => standsApart(letter, drawing, high)), baselines: [] },
    ...{ missing: [], stoodIn: new Map(), lacksSmallCapitals: false, lacksMm: 0 },
    ...{ emMm, sizeMm: emMm, extentMm, capMm: 0 },
  };
}

function letterOf(
  { id, name, rings }: Figure,
  index: number,
  { key, step }: { key: string; step: number },
): { letter: Letter; heightMm: number } {
  const xs = rings.flatMap((ring) => ring.map((v) => v.x));
  const ys = rings.flatMap((ring) => ring.map((v) => v.y));
  const least = (values: readonly number[]): number => values.reduce((a, b) => Math.min(a, b), Infinity);
  const most = (values: readonly number[]): number => values.reduce((a, b) => Math.max(a, b), -Infinity);
  const [left, foot] = rings.length > 0 ? [least(xs), least(ys)] : [0, 0];
  const [width, height] = rings.length > 0 ? [most(xs) - left, most(ys) - foot] : [0, 0];
  const about = (ring: VertexRing): VertexRing => ring.map((v) => ({ ...v, x: v.x - left, y: v.y - foot }));
  const letter: Letter = {
    ...{ id, text: name, line: 0, word: index, x: left * step, y: foot * step, advance: width * step },
    ...{ form: [1, 0, 0, 1], turn: 0, isRightToLeft: false, glyphs: [] },
    shape: { key: keyOf('figure', [key, id]), rings: rings.map(about) },
  };
  return { letter, heightMm: height * step };
}
