import type { DrawingElement, DrawingShape } from '../document/index.ts';
import {
  covered,
  CurveBuilder,
  curveBounds,
  dilated,
  drawKnots,
  flatten,
  isTangled,
  OPENING_EM,
  polyline,
  transformCurves,
  unite,
  uniteLoops,
  type CurveBox,
  type CurveTable,
  type CurveForm,
  type VertexRing,
} from '../outline/index.ts';
import { lengthOf } from '../math/index.ts';
import { drawPath } from './pathText.ts';
import { drawCorners, drawEllipse, drawRectangle } from './shapes.ts';
import { dashed, strokePieces, type StrokeShape } from './stroke.ts';

/** What of a drawing has one colour and can be seen: rings on the grid about the middle of the drawing's foot. */
export interface Figure {
  /** of its colour */
  id: number;
  name: string;
  rings: VertexRing[];
}

export interface FigureScale {
  /** grid step, mm */
  step: number;
  toleranceMm: number;
  /** a wire along all lines instead of what they bound, mm */
  wire: { thickMm: number; ends: 'round' | 'square' } | undefined;
}

/** A painted element in its own place, in mm with y up. */
interface Painted {
  colour: number;
  curves: CurveTable;
  closed: readonly boolean[];
  /** of curves in mm; strokes are widened before they are transformed */
  paint: { kind: 'fill'; rule: 'nonzero' | 'evenodd' } | { kind: 'stroke'; element: DrawingElement };
  form: CurveForm;
  move: readonly [number, number];
}

type Point = readonly [number, number];

/** Of a drawing's larger side: how finely strokes are measured. */
const MEASURE_TOLERANCE = 1e-4;
const MOST_DASHES = 20_000;
/** Of a path's length: how far from one line counts as on it. */
const FLAT_SHARE = 1e-9;

/** The box around all that is painted, in the drawing's own units; undefined where nothing is. */
export function paintedBox(elements: readonly DrawingElement[]): CurveBox | undefined {
  const painted = elements.map((element) => paintedElement(element, AS_DRAWN));
  const rough = joinedBox(painted.map((p) => curveBounds(p.curves)));
  if (!rough) return undefined;
  const tolerance = MEASURE_TOLERANCE * Math.max(rough.maxX - rough.minX, rough.maxY - rough.minY, 1e-9);
  return joinedBox(painted.map((p) => boxOf(p, tolerance)));
}

/** Size of a drawing, mm. */
export function drawingSize(shape: DrawingShape): { widthMm: number; heightMm: number } {
  const box = joinedBox(paint(shape, false).map((p) => boxOf(p, MEASURE_TOLERANCE)));
  return box ? { widthMm: box.maxX - box.minX, heightMm: box.maxY - box.minY } : { widthMm: 0, heightMm: 0 };
}

/**
 * A drawing -> its figures, in the order of its colours. Where later paint lies on another colour, that colour is cut
 * back to a hair's gap beside it, so that solids grown from the figures never meet.
 */
export function drawFigures(shape: DrawingShape, scale: FigureScale, em: number): Figure[] {
  const layers: { colour: number; rings: VertexRing[] }[] = [];
  for (const painted of paint(shape, scale.wire !== undefined)) {
    const last = layers[layers.length - 1];
    const rings = ringsOf(painted, scale);
    if (last?.colour === painted.colour) last.rings.push(...rings);
    else layers.push({ colour: painted.colour, rings });
  }
  const seen = layers.length > 1 ? cutBack(layers, (1.5 * OPENING_EM * em) / scale.step) : layers;
  return coloursOf(shape).map(({ id, name }) => {
    const own = seen.filter((layer) => layer.colour === id).flatMap((layer) => layer.rings);
    return { id, name, rings: own };
  });
}

export const coloursOf = (shape: DrawingShape): { id: number; name: string }[] =>
  shape.kind === 'paths' ? shape.colours : [{ id: 1, name: '' }];

/** From the top down: what other colours were painted above takes its place away. */
function cutBack(layers: readonly { colour: number; rings: VertexRing[] }[], gap: number): typeof layers {
  const above = new Map<number, VertexRing[]>();
  const seen = layers.toReversed().map(({ colour, rings }) => {
    if (isTangled(rings)) return { colour, rings };
    const others = [...above].filter(([other]) => other !== colour).flatMap(([, covers]) => covers);
    const united = unite(rings);
    above.set(colour, [...(above.get(colour) ?? []), ...dilated(united, gap)]);
    return { colour, rings: others.length > 0 ? covered(united, others) : rings };
  });
  return seen.reverse();
}

function ringsOf(painted: Painted, { step, toleranceMm, wire }: FigureScale): VertexRing[] {
  if (wire) {
    const line = transformCurves(painted.curves, painted.form, painted.move);
    const ends = wire.ends === 'round' ? 'round' : 'butt';
    const shape: StrokeShape = {
      ...{ width: wire.thickMm, join: 'round', cap: ends, miterLimit: 4 },
      tolerance: toleranceMm,
    };
    return onGrid(widened({ ...painted, curves: line }, shape), step);
  }
  if (painted.paint.kind === 'stroke') return onGrid(strokeLoops(painted, painted.paint.element, toleranceMm), step);
  const curves = transformCurves(painted.curves, painted.form, painted.move);
  const rings = flatten(curves, { scale: 1 / step, tolerance: toleranceMm / step, letter: 0 });
  // what is too tangled to be built is left as it is: it is told of by whoever builds
  return painted.paint.rule === 'evenodd' && !isTangled(rings) ? unite(rings, 'evenodd') : rings;
}

function onGrid(loops: readonly Point[][], step: number): VertexRing[] {
  const places = loops.map((loop) => loop.map(([x, y]) => ({ x: Math.round(x / step), y: Math.round(y / step) })));
  return isTangled(places) ? places.map(asDrawn) : uniteLoops(places);
}

/** Edges of no curve. */
const asDrawn = (loop: readonly { x: number; y: number }[]): VertexRing =>
  loop.map((place) => ({ ...place, curve: -1, t0: 0, t1: 1, letter: 0, corner: 1 }));

/** The pieces of an element's stroke, mm. */
function strokeLoops(painted: Painted, { paint }: DrawingElement, toleranceMm: number): Point[][] {
  if (paint.kind !== 'stroke') return [];
  const [a, b, c, d] = painted.form;
  // the largest stretch of the form is at most the root of the sum of squares
  const stretch = Math.sqrt(a * a + b * b + c * c + d * d);
  const shape: StrokeShape = { ...paint, tolerance: toleranceMm / stretch };
  const isMirrored = a * d - b * c < 0;
  return widened(painted, shape, paint).map((piece) => {
    const placed = piece.map(([x, y]): Point => [a * x + b * y + painted.move[0], c * x + d * y + painted.move[1]]);
    return isMirrored ? placed.reverse() : placed;
  });
}

function widened(
  { curves, closed }: Pick<Painted, 'curves' | 'closed'>,
  shape: StrokeShape,
  dash?: { dashes: readonly number[]; dashOffset: number },
): Point[][] {
  return closed.flatMap((isClosed, contour) => {
    const points = polyline(curves, contour, { tolerance: shape.tolerance, closed: isClosed });
    const line = {
      points: points.map(({ x, y }): Point => [x, y]),
      corners: points.map((p) => p.corner),
      closed: isClosed,
    };
    const lines = dash && dash.dashes.length > 0 ? dashed(line, dash.dashes, dash.dashOffset, MOST_DASHES) : [line];
    return lines.flatMap((part) => strokePieces(part, shape));
  });
}

function boxOf(painted: Painted, tolerance: number): CurveBox | undefined {
  if (painted.paint.kind === 'fill') {
    const box = curveBounds(transformCurves(painted.curves, painted.form, painted.move));
    // what is filled and flat paints nothing
    return box && box.maxX > box.minX && box.maxY > box.minY ? box : undefined;
  }
  const points = strokeLoops(painted, painted.paint.element, tolerance).flat();
  if (points.length === 0) return undefined;
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const [x, y] of points) {
    box.minX = Math.min(box.minX, x);
    box.maxX = Math.max(box.maxX, x);
    box.minY = Math.min(box.minY, y);
    box.maxY = Math.max(box.maxY, y);
  }
  return box;
}

function joinedBox(boxes: readonly (CurveBox | undefined)[]): CurveBox | undefined {
  return boxes.reduce((a, b) => {
    if (!a || !b) return a ?? b;
    return {
      minX: Math.min(a.minX, b.minX),
      minY: Math.min(a.minY, b.minY),
      maxX: Math.max(a.maxX, b.maxX),
      maxY: Math.max(a.maxY, b.maxY),
    };
  }, undefined);
}

/** All elements where they stand, the middle of the foot at zero. What is filled is closed, but for wires. */
function paint(shape: DrawingShape, keepsOpen: boolean): Painted[] {
  if (shape.kind !== 'paths') return [drawn(shape, keepsOpen)];
  const box = paintedBox(shape.elements);
  if (!box) return [];
  const side = shape.by === 'width' ? box.maxX - box.minX : box.maxY - box.minY;
  const scale = side > 0 ? shape.sizeMm / side : 1;
  const move: Point = [(-(box.minX + box.maxX) / 2) * scale, -box.minY * scale];
  return shape.elements.map((element) => paintedElement(element, { scale, move, keepsOpen }));
}

interface ElementPlace {
  scale: number;
  /** after scaling */
  move: Point;
  keepsOpen: boolean;
}

const AS_DRAWN: ElementPlace = { scale: 1, move: [0, 0], keepsOpen: false };

/** With y turned up, then scaled and moved. */
function paintedElement(element: DrawingElement, { scale, move: [dx, dy], keepsOpen }: ElementPlace): Painted {
  const [a, b, c, d, e, f] = element.transform;
  const builder = new CurveBuilder({ keepsOpen: keepsOpen || element.paint.kind === 'stroke' });
  drawPath(element.path, builder);
  const curves = builder.finish();
  return {
    colour: element.colour,
    curves,
    closed: builder.closed,
    paint: element.paint.kind === 'stroke' ? { kind: 'stroke', element } : element.paint,
    form: [a * scale, c * scale, -b * scale, -d * scale],
    move: [e * scale + dx, -f * scale + dy],
  };
}

/** Whether all of a path lies on one line: filled, it paints nothing. */
export function isFlat(path: string): boolean {
  const builder = new CurveBuilder();
  drawPath(path, builder);
  const { control, degree } = builder.finish();
  const points = Array.from(degree, (d, i) =>
    Array.from({ length: d + 1 }, (_, k): Point => [control[i * 8 + 2 * k], control[i * 8 + 2 * k + 1]]),
  ).flat();
  if (points.length === 0) return true;
  const [x, y] = points[0];
  // in shares of the path's reach, which may be as large as numbers go
  const reach = points.reduce((most, [px, py]) => Math.max(most, Math.abs(px - x), Math.abs(py - y)), 0);
  if (reach === 0) return true;
  const shares = points.map(([px, py]): Point => [(px - x) / reach, (py - y) / reach]);
  const [fx, fy] = shares.reduce((far, p) => (lengthOf(...p) > lengthOf(...far) ? p : far));
  return shares.every(([px, py]) => Math.abs(fx * py - fy * px) <= FLAT_SHARE);
}

type OwnShape = Exclude<DrawingShape, { kind: 'paths' }>;

function drawn(shape: OwnShape, keepsOpen: boolean): Painted {
  const { curves, closed } = outlineOf(shape, keepsOpen);
  const box = curveBounds(curves);
  // a free shape stays where it is drawn: its zero would run away from the hand
  const move: Point = box && shape.kind !== 'free' ? [-(box.minX + box.maxX) / 2, -box.minY] : [0, 0];
  return { colour: 1, curves, closed, paint: { kind: 'fill', rule: 'nonzero' }, form: [1, 0, 0, 1], move };
}

/** How each shape is drawn. */
const DRAWN: { readonly [K in OwnShape['kind']]: (shape: Extract<OwnShape, { kind: K }>, to: CurveBuilder) => void } = {
  rectangle({ widthMm, heightMm, cornerMm }, to) {
    const corner = Math.min(cornerMm, widthMm / 2, heightMm / 2);
    drawRectangle(to, [0, 0, widthMm, heightMm], [corner, corner]);
  },
  ellipse: ({ widthMm, heightMm }, to) => drawEllipse(to, [0, 0], [widthMm / 2, heightMm / 2]),
  polygon: ({ sides, radiusMm }, to) => drawCorners(to, sides, [radiusMm]),
  star: ({ points, radiusMm, innerPercent }, to) =>
    drawCorners(to, points, [radiusMm, (radiusMm * innerPercent) / 100]),
  free: ({ curve }, to) => drawKnots(to, curve),
};

function outlineOf(shape: OwnShape, keepsOpen: boolean): { curves: CurveTable; closed: readonly boolean[] } {
  const builder = new CurveBuilder({ keepsOpen });
  (DRAWN[shape.kind] as (shape: OwnShape, to: CurveBuilder) => void)(shape, builder);
  return { curves: builder.finish(), closed: builder.closed };
}
