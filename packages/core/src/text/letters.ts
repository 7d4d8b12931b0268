import type { CurveForm, KnotCurve, VertexRing } from '../outline/index.ts';
import type { FontFace } from './fontFace.ts';
import type { Grapheme } from './graphemes.ts';

/** Words round a circle about zero. Degrees count clockwise from the top. */
export interface CircleLine {
  kind: 'circle';
  radiusMm: number;
  side: 'outside' | 'center' | 'inside';
  /** where the line begins, has its middle, or ends, by the alignment */
  startDegrees: number;
  direction: 'clockwise' | 'counter';
  /** the arc that the line is spread over; 0: as long as it is */
  spreadDegrees: number;
  letters: 'turned' | 'sheared';
}

/** Words along a curve in their own plane. */
export interface CurveLine {
  kind: 'curve';
  curve: KnotCurve;
  /** along the curve, from where the alignment puts the line */
  shiftMm: number;
  /** letters are spread over the whole curve */
  spread: boolean;
  letters: 'turned' | 'sheared';
}

/** Room between two letters that stand side by side. */
export interface KernPair {
  left: string;
  right: string;
  /** thousandths of the size */
  by: number;
}

export interface Fit {
  to: 'none' | 'width' | 'height' | 'box';
  widthMm: number;
  heightMm: number;
  /** never larger than the size that was asked for */
  onlyShrink: boolean;
}

export interface LayoutOptions {
  sizeMm: number;
  /** what the size is the height of */
  sizeBy: 'capitals' | 'xHeight' | 'em';
  fit: Fit;
  align: 'left' | 'center' | 'right' | 'justify';
  /** what lies at y = 0, by the font's metrics */
  anchor: 'baseline' | 'top' | 'middle' | 'bottom';
  /** extra space after each letter, thousandths of the size */
  tracking: number;
  /** of the font's own space */
  wordSpacePercent: number;
  /** distance of lines, percent of the font's line height */
  leadingPercent: number;
  widthPercent: number;
  heightPercent: number;
  /** to the right */
  slantDegrees: number;
  capitals: 'typed' | 'upper' | 'small';
  kerning: boolean;
  kernPairs: readonly KernPair[];
  features: Readonly<Record<string, number>>;
  language: string;
  direction: 'ltr' | 'rtl' | 'auto';
  line: { kind: 'straight' } | CircleLine | CurveLine;
  /** by the id of a letter's first grapheme */
  own: Readonly<Record<string, OwnPlace>>;
}

/** How one letter stands apart from what its line does to it. */
export interface OwnPlace {
  moveMm: readonly [number, number];
  /** about its middle, counter-clockwise */
  turnDegrees: number;
  /** about the middle of its foot */
  scalePercent: number;
  leftOut: boolean;
}

/** The font of a piece, and those that stand in for what it lacks. */
export interface FontSet {
  primary: FontFace;
  faceFor(grapheme: Grapheme): FontFace;
}

export interface PlacedGlyph {
  face: FontFace;
  glyph: number;
  /** from the letter's origin before its form, mm */
  x: number;
  y: number;
}

/** An outline that is no glyph: a drawing's. */
export interface DrawnShape {
  /** says which one it is, for caches */
  key: string;
  /** on the grid about the letter's origin, before its form */
  rings: readonly VertexRing[];
}

/** A shaped cluster: what a person picks as one letter (a ligature is one, a base with its marks is one). */
export interface Letter {
  /** id of its first grapheme */
  id: number;
  text: string;
  line: number;
  word: number;
  /** origin on the baseline, mm */
  x: number;
  y: number;
  /** along the baseline, mm */
  advance: number;
  /** how its drawing is stretched, leant and turned about the origin */
  form: CurveForm;
  /** of the baseline under it, radians counter-clockwise */
  turn: number;
  isRightToLeft: boolean;
  glyphs: PlacedGlyph[];
  /** instead of glyphs */
  shape?: DrawnShape;
}

export interface Layout {
  /** line by line, in the order they are seen */
  letters: Letter[];
  /** height of each line's baseline, mm; lines without letters too */
  baselines: number[];
  /** characters that no font has a glyph for, each once */
  missing: string[];
  /** what other fonts stood in for, by their names */
  stoodIn: Map<string, string[]>;
  /** small capitals were asked of a font that has none */
  lacksSmallCapitals: boolean;
  /** by how much a circle's radius is too small, or a curve too short, for the longest line, mm */
  lacksMm: number;
  /** of capitals; 0 of what has none */
  capMm: number;
  /** the em of every font, mm */
  emMm: number;
  /** after fitting */
  sizeMm: number;
  /** farthest reach of any letter from the origin, mm, an upper bound */
  extentMm: number;
}
