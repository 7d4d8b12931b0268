import type * as HarfBuzz from 'harfbuzzjs';
import { fail, LIMITS, ok, type Carver, type LoadUnpacker, type Result, type Simplifier } from '../base/index.ts';
import { CurveBuilder, type CurveTable } from '../outline/index.ts';
import { wholeTables } from './wholeTables.ts';

/** The loaded WASM modules, handed in by whoever runs core (packages/kernels). */
export interface Kernels {
  hb: typeof HarfBuzz;
  /** meshoptimizer's, loaded when a mesh is first reduced */
  loadSimplifier?: () => Promise<Simplifier>;
  /** meshoptimizer's decoder, loaded when a packed model is first read */
  loadUnpacker?: LoadUnpacker;
  /** manifold-3d, loaded when something is first cut */
  loadCarver?: () => Promise<Carver>;
}

export interface FontMetrics {
  unitsPerEm: number;
  ascender: number;
  descender: number;
  lineGap: number;
  /** OS/2 where that is plausible, else height of H, else 0.7 em */
  capHeight: number;
  /** OS/2 where that is plausible, else height of x, else 0.5 em */
  xHeight: number;
}

export interface ShapedGlyph {
  glyph: number;
  /** offset in the shaped text (UTF-16) of the cluster it belongs to */
  cluster: number;
  advance: number;
  offsetX: number;
  offsetY: number;
}

export interface TextShapeOptions {
  direction: 'ltr' | 'rtl';
  /** ISO 15924; undefined: guessed */
  script?: string;
  language: string;
  /** OpenType features by tag; 0 is off */
  features: Readonly<Record<string, number>>;
}

/** A font at one place of its axes: shaping and outlines in font units. */
export interface FontFace {
  /** says which font this is in cache keys: hash of the bytes and the axes' values */
  readonly key: string;
  readonly name: string;
  readonly metrics: FontMetrics;
  /** whether there is a glyph, with ink if the character is one that shows */
  has(codePoint: number): boolean;
  /** whether its substitutions know an OpenType feature */
  hasFeature(tag: string): boolean;
  shape(text: string, options: TextShapeOptions): ShapedGlyph[];
  curves(glyph: number): CurveTable;
}

export interface FontSource {
  bytes: Uint8Array;
  /** hash of the bytes */
  hash: string;
  name: string;
  /** values of variation axes by tag; the others stay at their default */
  axes: Readonly<Record<string, number>>;
}

const SIGNATURES: readonly number[] = [0x00010000, 0x4f54544f, 0x74727565, 0x74746366]; // 1.0, OTTO, true, ttcf

/**
 * Opens a font. HarfBuzz gives an empty face for what it can't read, so signatures and glyph counts are checked here.
 */
export function openFont(kernels: Kernels, source: FontSource): Result<FontFace> {
  const { bytes, name } = source;
  if (bytes.length > LIMITS.fontBytes) return fail('FONT_BROKEN', { name, why: 'too-large' });
  if (bytes.length < 12) return fail('FONT_BROKEN', { name, why: 'signature' });
  const signature = new DataView(bytes.buffer, bytes.byteOffset).getUint32(0);
  if (signature === 0x774f4632) return fail('FONT_PACKED', { name, format: 'woff2' });
  if (signature === 0x774f4646) return fail('FONT_PACKED', { name, format: 'woff' });
  if (!SIGNATURES.includes(signature)) return fail('FONT_BROKEN', { name, why: 'signature' });
  // HarfBuzz passes over tables that end beyond the file: a font cut short would be set wholly in another
  const whole = wholeTables(bytes, name);
  if (!whole.ok) return whole;
  const { hb } = kernels;
  const face = new hb.Face(new hb.Blob(bytes));
  if (!face.referenceTable('head') || !face.referenceTable('maxp')) return fail('FONT_BROKEN', { name, why: 'tables' });
  if (face.collectUnicodes().length === 0) return fail('FONT_BROKEN', { name, why: 'no-glyphs' });
  const font = new hb.Font(face);
  font.setScale(face.upem, face.upem);
  const axes = Object.entries(source.axes).filter(([tag]) => tag in face.getAxisInfos());
  if (axes.length > 0) font.setVariations(axes.map(([tag, value]) => new hb.Variation(tag, value)));
  const place = axes.map(([tag, value]) => `${tag}=${value}`).sort();
  return ok(new OpenFont(hb, face, { font, name, key: [source.hash, ...place].join(':') }));
}

class OpenFont implements FontFace {
  readonly key: string;
  readonly name: string;
  readonly metrics: FontMetrics;
  readonly #hb: Kernels['hb'];
  readonly #font: HarfBuzz.Font;
  readonly #features: ReadonlySet<string>;
  readonly #has = new Map<number, boolean>();
  readonly #pen: HarfBuzz.DrawFuncs;

  constructor(
    hb: Kernels['hb'],
    face: HarfBuzz.Face,
    { font, name, key }: { font: HarfBuzz.Font; name: string; key: string },
  ) {
    this.#hb = hb;
    this.#font = font;
    this.name = name;
    this.key = key;
    this.#pen = penFor(hb);
    this.metrics = readMetrics(hb, face, font);
    this.#features = new Set(face.getTableFeatureTags('GSUB'));
  }

  hasFeature(tag: string): boolean {
    return this.#features.has(tag);
  }

  has(codePoint: number): boolean {
    let known = this.#has.get(codePoint);
    if (known === undefined) {
      known = this.#shows(codePoint);
      this.#has.set(codePoint, known);
    }
    return known;
  }

  #shows(codePoint: number): boolean {
    const glyph = this.#font.nominalGlyph(codePoint);
    if (glyph === undefined) return false;
    // some fonts name characters that they have left blank
    if (/\p{White_Space}|\p{Default_Ignorable_Code_Point}/u.test(String.fromCodePoint(codePoint))) return true;
    const extents = this.#font.glyphExtents(glyph);
    if (extents === undefined || extents.width === 0 || extents.height === 0) return false;
    // extents can be what the file claims, without any outline
    return this.curves(glyph).degree.length > 0;
  }

  shape(text: string, options: TextShapeOptions): ShapedGlyph[] {
    const hb = this.#hb;
    const buffer = new hb.Buffer();
    buffer.setClusterLevel(hb.ClusterLevel.MONOTONE_GRAPHEMES);
    buffer.addText(text);
    buffer.setDirection(options.direction === 'rtl' ? hb.Direction.RTL : hb.Direction.LTR);
    if (options.script) buffer.setScript(options.script);
    if (options.language !== '') buffer.setLanguage(options.language);
    buffer.guessSegmentProperties();
    const features = Object.entries(options.features).map(([tag, value]) => new hb.Feature(tag, value));
    hb.shape(this.#font, buffer, features);
    return buffer.getGlyphInfosAndPositions().map((g) => ({
      glyph: g.codepoint,
      cluster: g.cluster,
      advance: g.xAdvance ?? 0,
      offsetX: g.xOffset ?? 0,
      offsetY: g.yOffset ?? 0,
    }));
  }

  curves(glyph: number): CurveTable {
    const builder = new CurveBuilder();
    this.#font.drawGlyph(glyph, this.#pen, builder);
    return builder.finish();
  }
}

function penFor(hb: Kernels['hb']): HarfBuzz.DrawFuncs {
  const pen = new hb.DrawFuncs();
  const builder = (data: unknown): CurveBuilder => data as CurveBuilder;
  pen.setMoveToFunc((x, y, data) => builder(data).moveTo(x, y));
  pen.setLineToFunc((x, y, data) => builder(data).lineTo(x, y));
  pen.setQuadraticToFunc((cx, cy, x, y, data) => builder(data).quadraticTo(cx, cy, x, y));
  pen.setCubicToFunc((ax, ay, bx, by, x, y, data) => builder(data).cubicTo(ax, ay, bx, by, x, y));
  pen.setClosePathFunc((data) => builder(data).close());
  return pen;
}

/** Some fonts name heights that are a quarter of what they draw: sizes would come out four times too large. */
const isLike = (named: number, drawn: number): boolean => named > 0.6 * drawn && named < 1.67 * drawn;

function readMetrics(hb: Kernels['hb'], face: HarfBuzz.Face, font: HarfBuzz.Font): FontMetrics {
  const { ascender, descender, lineGap } = font.hExtents();
  const heightOf = (tag: HarfBuzz.MetricsTag, character: number, share: number): number => {
    const fromTable = font.getMetricPosition(tag) ?? 0;
    const glyph = font.nominalGlyph(character);
    const height = glyph === undefined ? 0 : (font.glyphExtents(glyph)?.yBearing ?? 0);
    if (fromTable > 0 && (height <= 0 || isLike(fromTable, height))) return fromTable;
    return height > 0 ? height : share * face.upem;
  };
  return {
    unitsPerEm: face.upem,
    ascender,
    descender,
    lineGap,
    capHeight: heightOf(hb.MetricsTag.CAP_HEIGHT, 0x48, 0.7),
    xHeight: heightOf(hb.MetricsTag.X_HEIGHT, 0x78, 0.5),
  };
}
