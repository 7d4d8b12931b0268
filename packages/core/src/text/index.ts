export { lineAround, wordAround } from './around.ts';
export { caretStops, nearestStop } from './caret.ts';
export type { CaretLetter, CaretStop } from './caret.ts';
export { findFamily, findFont } from './catalogue.ts';
export type { FontAxis, FontCatalogue, FontFamily, FontInstance, FontRef, FontStyle } from './catalogue.ts';
export { covers, standIns, visiblePoints } from './coverage.ts';
export { describeFont, familiesOf, fontAxes, rangesText } from './describeFont.ts';
export type { FontDescription } from './describeFont.ts';
export { featuresText, parseFeatures } from './featureList.ts';
export { openFont } from './fontFace.ts';
export type { FontFace, FontMetrics, FontSource, Kernels, ShapedGlyph, TextShapeOptions } from './fontFace.ts';
export { formedGlyph, glyphCurves } from './glyphCurves.ts';
export { splitGraphemes } from './graphemes.ts';
export type { Grapheme } from './graphemes.ts';
export { inkBox, layoutWords } from './layout.ts';
export { standsApart } from './standsApart.ts';
export type {
  CircleLine,
  CurveLine,
  DrawnShape,
  Fit,
  KernPair,
  FontSet,
  Layout,
  LayoutOptions,
  Letter,
  OwnPlace,
  PlacedGlyph,
} from './letters.ts';
export { standInsByWord } from './wholeWords.ts';
export { readSfnt, writeSfnt } from './sfnt.ts';
export type { SfntTables } from './sfnt.ts';
export { BOX_GLYPH } from './shapeLine.ts';
export { unpackFonts } from './unpackFont.ts';
export type { UnpackWoff2 } from './unpackFont.ts';
