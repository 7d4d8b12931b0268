import { ByteCache, fail, LIMITS, ok, remark, type Remark, type Result, type RunContext } from '../base/index.ts';
import { resolveAt, wordsName, type Edge, type Piece, type Project } from '../document/index.ts';
import type { ScenePart } from '../io/index.ts';
import {
  assemble,
  buildLettering,
  letteringCaches,
  type BuiltCluster,
  type LetteringCaches,
  type LetteringStats,
} from '../lettering/index.ts';
import type { Transform } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { LARGEST_EXTENT_MM, type Bands } from '../outline/index.ts';
import {
  covers,
  findFamily,
  findFont,
  layoutWords,
  openFont,
  standIns,
  visiblePoints,
  type FontCatalogue,
  type FontFace,
  type FontFamily,
  type FontRef,
  type FontSet,
  type Kernels,
  type Layout,
  type Letter,
} from '../text/index.ts';

import { pieceTransform } from './placement.ts';

/** A piece as computed: its clusters with their letters, and what is to be told. Lengths in mm. */
export interface Evaluated {
  pieceId: string;
  clusters: BuiltCluster[];
  letters: Letter[];
  /** where the piece stands in the scene */
  transform: Transform;
  /** for what is drawn on letters */
  line: LineMeasures;
  remarks: Remark[];
  built: LetteringStats;
}

/** Heights that a caret needs, mm, in the piece's own space. */
export interface LineMeasures {
  /** of a line above its baseline, and (negative) below it */
  up: number;
  down: number;
  baselines: number[];
  /** depth of the front */
  front: number;
}

export interface EngineTools {
  kernels: Kernels;
  catalogue: FontCatalogue;
  /** bytes of a font by the hash of its file */
  loadFont(hash: string): Promise<Uint8Array | undefined>;
  cacheBytes: number;
  /** for the rare jitter only: the same seed always gives the same mesh */
  seed?: number;
}

const OPEN_FONTS = 24;

/** A piece as it was computed last; where it stands is no part of it. */
interface Kept {
  subject: string;
  evaluated: Evaluated;
}

/** Evaluates documents; holds everything that is worth keeping from one evaluation to the next. */
export class Engine {
  readonly #tools: EngineTools;
  readonly #lettering: LetteringCaches;
  readonly #faces = new ByteCache<FontFace>(OPEN_FONTS);
  /** by piece: among many, those that did not change cost nothing */
  readonly #kept = new ByteCache<Kept>(LIMITS.pieces);

  constructor(tools: EngineTools) {
    this.#tools = tools;
    this.#lettering = letteringCaches(tools.cacheBytes);
  }

  /** Computes one piece of a document at a time. Yields between clusters; fails with CANCELLED when told to stop. */
  async evaluate(project: Project, pieceId: string, context: RunContext, seconds = 0): Promise<Result<Evaluated>> {
    const resolved = resolveAt(project, seconds);
    const piece = resolved.pieces[pieceId];
    if (!piece) return fail('EDIT_MISPLACED', { what: 'piece', id: pieceId });
    const early = heldBack(piece);
    if (early)
      return ok({
        pieceId,
        clusters: [],
        letters: [],
        transform: pieceTransform(piece.placement, []),
        line: { up: piece.source.sizeMm, down: 0, baselines: [], front: frontOf(piece) },
        remarks: [early],
        built: { clusters: 0, wavefronts: 0, lifted: 0 },
      });
    const subject = JSON.stringify([piece.source, piece.body, project.faceBudget]);
    const kept = this.#kept.get(pieceId);
    if (kept?.subject === subject) return ok(asKept(kept.evaluated, piece));
    const fonts = await this.#openFonts(piece);
    if (!fonts.ok) return fonts;
    const built = await this.#build(resolved, piece, fonts.value, context);
    if (built.ok) this.#kept.set(pieceId, { subject, evaluated: built.value }, 1);
    return built;
  }

  async #build(project: Project, piece: Piece, fonts: FontSet, context: RunContext): Promise<Result<Evaluated>> {
    const words = piece.source;
    const { solid, faces } = piece.body;
    const layout = layoutWords(words.graphemes, fonts, words);
    if (!(layout.extentMm < LARGEST_EXTENT_MM)) {
      return fail('VALUE_OUT_OF_RANGE', {
        field: 'size of the words',
        value: `${Math.round(layout.extentMm)}`,
        min: 0,
        max: LARGEST_EXTENT_MM,
        unit: 'mm',
      });
    }
    const lettering = await buildLettering(
      layout,
      {
        depthMm: solid.depthMm,
        depthAnchor: words.depthAnchor,
        front: solid.front,
        back: backEdge(solid),
        toleranceMm: faces.toleranceMm,
        apart: words.letters === 'apart',
        bands: bandsOf(words.contour),
        seed: this.#tools.seed ?? 1,
        faceBudget: project.faceBudget,
      },
      { caches: this.#lettering, context },
    );
    if (!lettering) return fail('CANCELLED', {});
    return ok({
      pieceId: piece.id,
      clusters: lettering.clusters,
      letters: layout.letters,
      transform: pieceTransform(piece.placement, lettering.clusters),
      line: {
        ...lineHeights(fonts.primary, layout.emMm, words.heightPercent),
        baselines: layout.baselines,
        front: frontOf(piece),
      },
      remarks: [...layoutRemarks(layout, fonts.primary, words.line), ...lettering.remarks],
      built: lettering.built,
    });
  }

  /** The piece's font, and those that stand in for what it lacks, as far as the catalogue knows any. */
  async #openFonts(piece: Piece): Promise<Result<FontSet>> {
    const primary = await this.#openFace(piece.source.font);
    if (!primary.ok) return primary;
    const standIn = await this.#standIns(piece, primary.value);
    const own = new Map<number, FontFace>();
    for (const [id, { font }] of Object.entries(piece.source.own)) {
      const face = font && (await this.#openFace(font));
      if (face?.ok) own.set(Number(id), face.value);
    }
    const faceFor = ({ id, text }: { id: number; text: string }): FontFace => {
      const face = own.get(id);
      return face && hasAll(face, text) ? face : (standIn.get(text) ?? primary.value);
    };
    return ok({ primary: primary.value, faceFor });
  }

  /** By grapheme, for those that the piece's own font lacks. */
  async #standIns({ source: { font, graphemes } }: Piece, primary: FontFace): Promise<Map<string, FontFace>> {
    const chosen = new Map<string, FontFace>();
    for (const { text } of graphemes) {
      if (chosen.has(text) || hasAll(primary, text)) continue;
      for (const { family } of standInsFor(this.#tools.catalogue, font, text)) {
        const face = await this.#openFace({ ...font, family });
        if (!face.ok || !hasAll(face.value, text)) continue;
        chosen.set(text, face.value);
        break;
      }
      if (!chosen.has(text)) chosen.set(text, primary);
    }
    return chosen;
  }

  async #openFace(font: FontRef): Promise<Result<FontFace>> {
    const found = findFont(this.#tools.catalogue, font);
    if (!found) return fail('FONT_UNKNOWN', { name: font.family });
    const key = JSON.stringify([found.style.hash, found.axes]);
    const open = this.#faces.get(key);
    if (open) return ok(open);
    const bytes = await this.#tools.loadFont(found.style.hash);
    const name = `${font.family} ${found.style.name}`;
    if (!bytes) return fail('FONT_UNKNOWN', { name });
    const face = openFont(this.#tools.kernels, { bytes, hash: found.style.hash, name, axes: found.axes });
    if (face.ok) this.#faces.set(key, face.value, 1);
    return face;
  }
}

const hasAll = (face: FontFace, text: string): boolean =>
  text.trim() === '' || visiblePoints(text).every((point) => face.has(point));

function standInsFor(catalogue: FontCatalogue, font: FontRef, text: string): FontFamily[] {
  const own = findFamily(catalogue, font.family);
  return standIns(catalogue, own?.kind ?? 'sans').filter((family) => family !== own && covers(family, text));
}

const lineHeights = ({ metrics }: FontFace, emMm: number, heightPercent: number): { up: number; down: number } => {
  const mm = ((emMm / metrics.unitsPerEm) * heightPercent) / 100;
  return { up: metrics.ascender * mm, down: metrics.descender * mm };
};

/** What is told of a row of texts. */
const listed = (texts: readonly string[]): string => texts.slice(0, 40).join(' ');

function layoutRemarks(layout: Layout, primary: FontFace, line: Piece['source']['line']): Remark[] {
  const { missing, stoodIn, lacksSmallCapitals, lacksMm } = layout;
  return [
    ...(missing.length > 0 ? [remark('GLYPH_MISSING', { characters: listed(missing), font: primary.name })] : []),
    ...[...stoodIn].map(([font, texts]) => remark('FONT_STOOD_IN', { characters: listed(texts), font })),
    ...(lacksSmallCapitals ? [remark('SMALL_CAPITALS_MISSING', { font: primary.name })] : []),
    ...(lacksMm > 0 && line.kind === 'circle'
      ? [remark('CIRCLE_OVERFULL', { neededMm: Math.ceil(line.radiusMm + lacksMm) })]
      : []),
  ];
}

const asKept = (evaluated: Evaluated, { placement }: Piece): Evaluated => ({
  ...evaluated,
  transform: pieceTransform(placement, evaluated.clusters),
  built: { ...evaluated.built, wavefronts: 0, lifted: 0 },
});

/** Mm. */
function bandsOf(contour: Piece['source']['contour']): Bands | undefined {
  if (contour.kind === 'full') return undefined;
  const { wallMm, side, count, gapMm } = contour;
  return { outward: wallMm * { inside: 0, center: 0.5, outside: 1 }[side], wide: wallMm, count, gap: gapMm };
}

const backEdge = (solid: Piece['body']['solid']): Edge => (solid.backAsFront ? solid.front : solid.back);

const frontOf = ({ source, body }: Piece): number =>
  body.solid.depthMm * { back: 1, middle: 0.5, front: 0 }[source.depthAnchor];

/** Why a piece is not built at all, told instead of an error: the words are kept. */
function heldBack(piece: Piece): Remark | undefined {
  const { graphemes } = piece.source;
  if (graphemes.every((g) => g.text.trim() === '')) return remark('TEXT_EMPTY', {});
  if (graphemes.length > LIMITS.graphemesBuilt) {
    return remark('TEXT_TOO_LONG', { characters: graphemes.length, limit: LIMITS.graphemesBuilt });
  }
  return undefined;
}

/** What files are written from. */
export const scenePart = (piece: Piece, evaluated: Evaluated): ScenePart => ({
  name: wordsName(piece.source.graphemes),
  mesh: pieceMesh(evaluated),
  transform: evaluated.transform,
  slots: piece.slots,
  letters: evaluated.letters.map((letter) => letter.text),
});

/** One mesh of a whole piece. */
export const pieceMesh = (evaluated: Evaluated): PolygonMesh => assemble(evaluated.clusters);

/** Hashes of the font files that a document needs, as far as the catalogue knows; families that are unknown are left to evaluation to tell. */
export function assetsNeeded(project: Project, catalogue: FontCatalogue): string[] {
  const fonts = Object.values(project.pieces).flatMap(({ source: { font, graphemes, own: letters } }) => {
    const own = findFamily(catalogue, font.family);
    const lacking = own ? graphemes.filter((g) => g.text.trim() !== '' && !covers(own, g.text)) : [];
    const others = lacking.map((g) => standInsFor(catalogue, font, g.text)[0]).filter((family) => family !== undefined);
    const ofLetters = Object.values(letters).flatMap((letter) => letter.font ?? []);
    return [font, ...ofLetters, ...others.map(({ family }) => ({ ...font, family }))];
  });
  const hashes = fonts.map((font) => findFont(catalogue, font)?.style.hash);
  return [...new Set(hashes.filter((hash) => hash !== undefined))];
}
