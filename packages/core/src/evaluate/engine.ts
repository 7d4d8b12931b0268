import { ByteCache, fail, LIMITS, ok, remark, type Remark, type Result, type RunContext } from '../base/index.ts';
import { isWords, pieceName, resolveAt, type DrawingPiece, type Piece, type Project } from '../document/index.ts';
import type { ScenePart } from '../io/index.ts';
import {
  assemble,
  buildLettering,
  clustersBox,
  isAutomatic,
  layDrawing,
  letteringCaches,
  type BuiltCluster,
  type LetteringCaches,
  type LetteringStats,
  type NeedOf,
  type NeedReport,
} from '../lettering/index.ts';
import type { Transform } from '../math/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import { LARGEST_EXTENT_MM } from '../outline/index.ts';
import type { Box3, Need, ShapedMesh } from '../shape/index.ts';
import { layoutWords, type FontFace, type Layout, type Letter } from '../text/index.ts';
import { fontFacts } from './fontFacts.ts';
import { FontChest, type FontTools } from './fontChest.ts';
import { layoutRemarks } from './layoutRemarks.ts';
import { facesOf, frontOf, pieceShape } from './pieceShape.ts';
import { pieceTransform } from './placement.ts';
import { runSteps, type StepRun } from './runSteps.ts';
import { shapeNeed } from './shapeNeed.ts';
import { needRemarks, shapeCrossings } from './shapeRemarks.ts';

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
  /** what shape steps need of the faces, and what they have; undefined where nothing is shaped */
  need?: NeedReport;
  /** around the piece before any step, in its own space; undefined where nothing is built */
  flat?: Box3;
  built: LetteringStats;
  /** faces before any step, and after each that was taken */
  bodyFaces: number;
  stepFaces: StepRun['faces'];
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

export interface EngineTools extends FontTools {
  cacheBytes: number;
  /** for the rare jitter only: the same seed always gives the same mesh */
  seed?: number;
}

export interface EvaluateOptions {
  /** of the document's time; 0 unless said otherwise */
  seconds?: number;
  /** with texture coordinates, which only files need */
  uv?: boolean;
  /** looks for faces that shape steps have made cross, and tells */
  crossings?: boolean;
  /** while a value is dragged: faces as fine as they were needed last, none cut where it strays, folds not looked for */
  preview?: boolean;
}

/** Of the cache's bytes: for meshes that steps have made. */
const REFINED_SHARE = 0.3;

/** A piece as it was computed last; where it stands is no part of it. */
interface Kept {
  subject: string;
  evaluated: Evaluated;
}

/** Evaluates documents; holds everything that is worth keeping from one evaluation to the next. */
export class Engine {
  readonly #tools: EngineTools;
  readonly #lettering: LetteringCaches;
  readonly #fonts: FontChest;
  readonly #refined: ByteCache<PolygonMesh>;
  readonly #shaped: ByteCache<ShapedMesh>;
  /** by piece: among many, those that did not change cost nothing */
  readonly #kept = new ByteCache<Kept>(LIMITS.pieces);
  readonly #needs = new ByteCache<Need[]>(LIMITS.pieces);

  constructor(tools: EngineTools) {
    this.#tools = tools;
    this.#lettering = letteringCaches(tools.cacheBytes * (1 - REFINED_SHARE));
    this.#refined = new ByteCache((tools.cacheBytes * REFINED_SHARE) / 2);
    this.#shaped = new ByteCache((tools.cacheBytes * REFINED_SHARE) / 2);
    this.#fonts = new FontChest(tools);
  }

  /** Computes one piece of a document at a time. Yields between clusters; fails with CANCELLED when told to stop. */
  async evaluate(
    project: Project,
    pieceId: string,
    context: RunContext,
    { seconds = 0, uv = false, crossings = false, preview = false }: EvaluateOptions = {},
  ): Promise<Result<Evaluated>> {
    const resolved = resolveAt(project, seconds);
    const piece = resolved.pieces[pieceId];
    if (!piece) return fail('EDIT_MISPLACED', { what: 'piece', id: pieceId });
    const early = heldBack(piece);
    if (early) return ok(withoutSolid(piece, early));
    const subject = JSON.stringify([uv, crossings, seconds, piece.source, piece.body, piece.steps, project.faceBudget]);
    const kept = this.#kept.get(pieceId);
    if (kept?.subject === subject) return ok(asKept(kept.evaluated, piece));
    const laid = await this.#lay(piece);
    if (!laid.ok) return laid;
    const built = await this.#build(resolved, piece, { ...laid.value, uv, crossings, seconds, preview }, context);
    if (built.ok && !preview) this.#kept.set(pieceId, { subject, evaluated: built.value }, 1);
    return built;
  }

  /** What a font means for solids, measured on words in it. */
  fontFacts(wish: Parameters<typeof fontFacts>[1]): ReturnType<typeof fontFacts> {
    return fontFacts(this.#fonts, wish);
  }

  async #lay(piece: Piece): Promise<Result<Laid>> {
    if (!isWords(piece)) return ok(layPiece(piece as DrawingPiece));
    const words = piece.source;
    const fonts = await this.#fonts.open(words);
    if (!fonts.ok) return fonts;
    const layout = layoutWords(words.graphemes, fonts.value, words);
    const { primary } = fonts.value;
    return ok({
      layout,
      heights: lineHeights(primary, layout.emMm, words.heightPercent),
      remarks: layoutRemarks(layout, primary, words.line),
    });
  }

  async #build(
    project: Project,
    piece: Piece,
    laid: Laid & Required<EvaluateOptions>,
    context: RunContext,
  ): Promise<Result<Evaluated>> {
    const { layout, heights, remarks } = laid;
    if (!(layout.extentMm < LARGEST_EXTENT_MM)) {
      return fail('VALUE_OUT_OF_RANGE', {
        field: isWords(piece) ? 'size of the words' : 'size of the drawing',
        value: `${Math.round(layout.extentMm)}`,
        min: 0,
        max: LARGEST_EXTENT_MM,
        unit: 'mm',
      });
    }
    const { toleranceMm } = piece.body.faces;
    const lettering = await buildLettering(
      layout,
      {
        ...pieceShape(piece),
        depthAnchor: piece.source.depthAnchor,
        toleranceMm,
        apart: isWords(piece) && piece.source.letters === 'apart',
        uv: laid.uv,
        seed: this.#tools.seed ?? 1,
        needOf: this.#needOf(piece, layout.letters, laid),
        faceBudget: project.faceBudget,
      },
      { caches: this.#lettering, context },
    );
    const run = lettering && (await this.#refine(lettering.clusters, piece, { ...laid, context, faceBudget: project.faceBudget })); // prettier-ignore
    if (!lettering || !run) return fail('CANCELLED', {});
    const crossing = laid.crossings ? shapeCrossings(piece, run.clusters, { letters: layout.letters, context }) : [];
    return ok({
      pieceId: piece.id,
      clusters: run.clusters,
      letters: layout.letters,
      transform: pieceTransform(piece.placement, run.clusters),
      line: { ...heights, baselines: layout.baselines, front: frontOf(piece) },
      remarks: [...remarks, ...lettering.remarks, ...needRemarks(lettering.need, project.faceBudget), ...run.remarks, ...crossing], // prettier-ignore
      need: lettering.need,
      flat: lettering.clusters.length > 0 ? clustersBox(lettering.clusters) : undefined,
      built: lettering.built,
      bodyFaces: lettering.clusters.reduce((sum, { mesh }) => sum + faceCount(mesh), 0),
      stepFaces: run.faces,
    });
  }

  /** A preview takes what the last exact evaluation needed, as long as that was of as many letters. */
  #needOf(
    piece: Piece,
    letters: readonly Letter[],
    { seconds, preview }: Required<EvaluateOptions>,
  ): NeedOf | undefined {
    const exact = shapeNeed(piece.steps, { letters, toleranceMm: piece.body.faces.toleranceMm, seconds });
    if (!exact) return undefined;
    return (boxes, members) => {
      const last = preview ? this.#needs.get(piece.id) : undefined;
      const needs = last?.length === boxes.length ? last : exact(boxes, members);
      this.#needs.set(piece.id, needs, 1);
      return needs;
    };
  }

  #refine(
    clusters: BuiltCluster[],
    { steps, body }: Piece,
    { layout, seconds, preview, context, faceBudget }: Laid & Required<EvaluateOptions> & { context: RunContext; faceBudget: number }, // prettier-ignore
  ): Promise<StepRun | undefined> {
    const { loadSimplifier } = this.#tools.kernels;
    return runSteps(clusters, steps, {
      cache: this.#refined,
      shaped: this.#shaped,
      loadSimplifier,
      faceBudget,
      context,
      letters: layout.letters,
      seconds,
      toleranceMm: isAutomatic(facesOf(body.faces)) && !preview ? body.faces.toleranceMm : undefined,
      rough: preview,
    });
  }
}

/** What a piece's letters or figures are and where they stand, before they are built. */
interface Laid {
  layout: Layout;
  heights: { up: number; down: number };
  remarks: Remark[];
}

/** Of a drawing's larger side: marks on its figures are as if for letters of that height. */
const MARK_SHARE = 0.3;

function layPiece(piece: DrawingPiece): Laid {
  const { source, body } = piece;
  const wire = source.contour.kind === 'wire' ? source.contour : undefined;
  const layout = layDrawing(source, { ...pieceShape(piece), toleranceMm: body.faces.toleranceMm }, wire);
  return { layout, heights: { up: layout.emMm * MARK_SHARE, down: 0 }, remarks: [] };
}

/** A piece of which only what is told of it can be shown. */
const withoutSolid = (piece: Piece, why: Remark): Evaluated => ({
  pieceId: piece.id,
  clusters: [],
  letters: [],
  transform: pieceTransform(piece.placement, []),
  line: { up: isWords(piece) ? piece.source.sizeMm : 0, down: 0, baselines: [], front: frontOf(piece) },
  remarks: [why],
  built: { clusters: 0, wavefronts: 0, lifted: 0 },
  bodyFaces: 0,
  stepFaces: [],
});

const lineHeights = ({ metrics }: FontFace, emMm: number, heightPercent: number): { up: number; down: number } => {
  const mm = ((emMm / metrics.unitsPerEm) * heightPercent) / 100;
  return { up: metrics.ascender * mm, down: metrics.descender * mm };
};

const asKept = (evaluated: Evaluated, { placement }: Piece): Evaluated => ({
  ...evaluated,
  transform: pieceTransform(placement, evaluated.clusters),
  built: { ...evaluated.built, wavefronts: 0, lifted: 0 },
});

/** Why a piece is not built at all, told instead of an error: the words are kept. */
function heldBack(piece: Piece): Remark | undefined {
  if (!isWords(piece)) return undefined;
  const { graphemes } = piece.source;
  if (graphemes.every((g) => g.text.trim() === '')) return remark('TEXT_EMPTY', {});
  if (graphemes.length > LIMITS.graphemesBuilt) {
    return remark('TEXT_TOO_LONG', { characters: graphemes.length, limit: LIMITS.graphemesBuilt });
  }
  return undefined;
}

/** What files are written from. */
export const scenePart = (piece: Piece, evaluated: Evaluated): ScenePart => ({
  name: pieceName(piece),
  mesh: pieceMesh(evaluated),
  transform: evaluated.transform,
  slots: piece.slots,
  letters: evaluated.letters.map(({ id, text, x, y, turn }) => ({
    text,
    finish: piece.source.own[id]?.finish ?? null,
    origin: { x, y, turn },
  })),
});

/** One mesh of a whole piece. */
export const pieceMesh = (evaluated: Evaluated): PolygonMesh => assemble(evaluated.clusters);
