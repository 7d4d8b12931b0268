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
import { LARGEST_EXTENT_MM } from '../outline/index.ts';
import {
  findFont,
  layoutWords,
  openFont,
  type FontCatalogue,
  type FontFace,
  type Kernels,
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
    const face = await this.#openFace(piece);
    if (!face.ok) return face;
    const built = await this.#build(resolved, piece, face.value, context);
    if (built.ok) this.#kept.set(pieceId, { subject, evaluated: built.value }, 1);
    return built;
  }

  async #build(project: Project, piece: Piece, face: FontFace, context: RunContext): Promise<Result<Evaluated>> {
    const words = piece.source;
    const { solid, faces } = piece.body;
    const layout = layoutWords(words.graphemes, face, words);
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
      face,
      {
        depthMm: solid.depthMm,
        depthAnchor: words.depthAnchor,
        front: solid.front,
        back: backEdge(solid),
        toleranceMm: faces.toleranceMm,
        apart: words.letters === 'apart',
        seed: this.#tools.seed ?? 1,
        faceBudget: project.faceBudget,
      },
      { caches: this.#lettering, context },
    );
    if (!lettering) return fail('CANCELLED', {});
    const missing =
      layout.missing.length > 0
        ? [remark('GLYPH_MISSING', { characters: layout.missing.slice(0, 40).join(' '), font: face.name })]
        : [];
    return ok({
      pieceId: piece.id,
      clusters: lettering.clusters,
      letters: layout.letters,
      transform: pieceTransform(piece.placement, lettering.clusters),
      line: {
        up: face.metrics.ascender * layout.mmPerUnit,
        down: face.metrics.descender * layout.mmPerUnit,
        baselines: layout.baselines,
        front: frontOf(piece),
      },
      remarks: [...missing, ...lettering.remarks],
      built: lettering.built,
    });
  }

  async #openFace(piece: Piece): Promise<Result<FontFace>> {
    const { font } = piece.source;
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

const asKept = (evaluated: Evaluated, { placement }: Piece): Evaluated => ({
  ...evaluated,
  transform: pieceTransform(placement, evaluated.clusters),
  built: { ...evaluated.built, wavefronts: 0, lifted: 0 },
});

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

/** Hashes of the font files that a document needs; families that are unknown are left to evaluation to tell. */
export function assetsNeeded(project: Project, catalogue: FontCatalogue): string[] {
  const hashes = Object.values(project.pieces).map((piece) => findFont(catalogue, piece.source.font)?.style.hash);
  return [...new Set(hashes.filter((hash) => hash !== undefined))];
}
