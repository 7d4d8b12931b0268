import { z } from 'zod';
import {
  angle,
  choice,
  count,
  data,
  extent,
  flag,
  fontAxis,
  freeCurve,
  hillCurve,
  length,
  measure,
  place,
  record,
  share,
  thousandths,
  turn,
  variants,
} from '../../fields/index.ts';
import { CONTOURS } from '../../contours/index.ts';
import { boundedRecord } from '../firstFault.ts';

const axes = boundedRecord(z.string().regex(/^[ -~]{4}$/), z.number(), 64);

export const FONT = {
  family: data(z.string().min(1).max(200), 'Zilla Slab'),
  weight: fontAxis(1, 1000, { usual: 700 }),
  italic: flag(false),
  axes: data<Record<string, number>>(axes, {}),
};

/** A size that follows what the words have to fill. */
export const FIT = {
  to: choice(['none', 'width', 'height', 'box']),
  widthMm: measure(200, { step: 5, moves: 'no' }),
  heightMm: measure(100, { step: 5, moves: 'no' }),
  /** never larger than the size that was asked for */
  onlyShrink: flag(false),
};

/** How letters stand on a bent line. */
const stand = () => choice(['turned', 'sheared']);

/** What the letters stand on. A circle has its middle at zero; degrees count clockwise from the top. */
export const WORD_LINES = {
  straight: {},
  circle: {
    radiusMm: measure(200, { step: 5 }),
    side: choice(['outside', 'center', 'inside']),
    startDegrees: turn({ step: 5 }),
    direction: choice(['clockwise', 'counter']),
    /** the arc that a line is spread over; 0: as long as it is */
    spreadDegrees: angle(0, 360, { step: 5 }),
    letters: stand(),
  },
  curve: {
    curve: freeCurve(hillCurve(200)),
    /** along the curve, from where the alignment puts the line */
    shiftMm: place(),
    /** letters are spread over the whole curve */
    spread: flag(false),
    letters: stand(),
  },
};

export const contour = () => variants(CONTOURS, 'full');
export const depthAnchor = () => choice(['back', 'middle', 'front']);

/** Room between two letters that stand side by side, on top of the font's. */
export const KERN_PAIR = {
  left: data(z.string().min(1).max(256), ''),
  right: data(z.string().min(1).max(256), ''),
  /** thousandths of the size */
  by: thousandths(-1000, 1000, { usual: 0, step: 5 }),
};

/** Of words, beside the graphemes themselves and what single letters have of their own. */
export const WORDS = {
  font: record(FONT),
  sizeMm: length(0.1, 10_000, { usual: 72, moves: 'no' }),
  /** what the size is the height of */
  sizeBy: choice(['capitals', 'xHeight', 'em']),
  fit: record(FIT),
  align: choice(['left', 'center', 'right', 'justify'], { usual: 'center' }),
  anchor: choice(['baseline', 'top', 'middle', 'bottom']),
  depthAnchor: depthAnchor(),
  tracking: thousandths(-500, 5000, { usual: 0, step: 5 }),
  leadingPercent: share(10, 1000, { usual: 100, step: 5, moves: 'rigid' }),
  /** of the font's own space */
  wordSpacePercent: share(0, 2000, { usual: 100, step: 5, moves: 'rigid' }),
  widthPercent: share(10, 1000, { usual: 100, step: 5, moves: 'no' }),
  heightPercent: share(10, 1000, { usual: 100, step: 5, moves: 'no' }),
  /** to the right */
  slantDegrees: angle(-60, 60, { usual: 0, moves: 'no' }),
  capitals: choice(['typed', 'upper', 'small']),
  kerning: flag(true),
  kernPairs: data(
    z.array(z.object({ left: KERN_PAIR.left.schema, right: KERN_PAIR.right.schema, by: KERN_PAIR.by.schema })).max(500),
    [],
  ),
  features: data<Record<string, number>>(
    boundedRecord(z.string().regex(/^[ -~]{4}$/), z.number().int().min(0).max(100), 200),
    {},
  ),
  language: data(
    z
      .string()
      .max(35)
      .regex(/^[A-Za-z0-9-]*$/),
    '',
  ),
  direction: choice(['ltr', 'rtl', 'auto'], { usual: 'auto' }),
  line: variants(WORD_LINES, 'straight'),
  letters: choice(['joined', 'apart']),
  contour: contour(),
};

const size = (usual: number) => length(0.01, 100_000, { usual, moves: 'no' });
const corners = (usual: number) => count(3, 200, { usual });

/** Shapes that are drawn here, each about 80 mm across; beside them there are paths of files. */
export const DRAWN_SHAPES = {
  rectangle: { widthMm: size(80), heightMm: size(50), cornerMm: extent(6, { moves: 'no' }) },
  ellipse: { widthMm: size(80), heightMm: size(80) },
  polygon: { sides: corners(6), radiusMm: size(40) },
  star: {
    points: corners(5),
    radiusMm: size(40),
    /** of the radius: where the notches lie */
    innerPercent: share(1, 100, { usual: 45, moves: 'no' }),
  },
};
/** What all of a file's paths have. */
export const PATHS = {
  /** what the size is of */
  by: choice(['width', 'height']),
  sizeMm: size(100),
};
