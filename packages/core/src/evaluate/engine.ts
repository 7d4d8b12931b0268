import type { CuttingStep } from '../steps/index.ts';
import {
  ByteCache,
  fail,
  keyOf,
  LIMITS,
  ok,
  ownEntry,
  remark,
  spelled,
  type Remark,
  type Result,
  type RunContext,
} from '../base/index.ts';
import {
  cutsOf,
  isForm,
  isLettering,
  isModel,
  isWords,
  pieceName,
  resolveAt,
  type LetteringPiece,
  type Piece,
  type Project,
} from '../document/index.ts';
import { facesAsked, isAutomatic } from '../faces/index.ts';
import type { ReadModel } from '../io/index.ts';
import {
  buildLettering,
  clustersBox,
  letteringCaches,
  type BuiltCluster,
  type LetteringCaches,
  type LetteringStats,
  type NeedOf,
  type NeedReport,
} from '../lettering/index.ts';
import { faceCount } from '../mesh/index.ts';
import type { Need, ShapedMesh } from '../shape/index.ts';
import type { Layout } from '../text/index.ts';
import { cutterOf, forLaying } from './cutter.ts';
import { Cuts } from './cutting.ts';
import type { CutShape } from './cutShape.ts';
import { fontFacts } from './fontFacts.ts';
import { FontChest, type FontTools } from './fontChest.ts';
import { withoutSolid, type Evaluated } from './evaluated.ts';
import { EdgeLines } from './edgeLines.ts';
import { alongFound } from './foundLines.ts';
import { extentFault, heldBack } from './heldBack.ts';
import { frontOf, pieceShape } from './pieceShape.ts';
import { formCluster, isClosedBy, modelCluster } from './bodySource.ts';
import { layOut } from './layOut.ts';
import { meshMemos, type MeshMemos } from './meshMemos.ts';
import {
  AROUND,
  asSeenBy,
  circleThrough,
  forPanel,
  Grounds,
  missed,
  nothingUnder,
  ontoOf,
  standsOnIn,
  transformOf,
  type OntoTools,
  type Under,
} from './ground.ts';
import type { ShapedGroup } from './shapeClusters.ts';
import { runSteps, type StepRun } from './runSteps.ts';
import { shapeNeed } from './shapeNeed.ts';
import { needRemarks, shapeCrossings } from './shapeRemarks.ts';

export interface EngineTools extends FontTools {
  cacheBytes: number;
  /** bytes of a model by the hash of its file; left out: none is at hand */
  loadModel?(hash: string): Promise<Uint8Array | undefined>;
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
/** For what is laid onto models. */
const MODEL_SHARE = 0.1;
/** For what was cut. */
const CUT_SHARE = 0.2;
/** Of lines over the edges of models. */
const LINE_BYTES = 1e7;
/** Of models that were read: two of the largest. */
const MODEL_BYTES = 2e8;

/** Every piece, also as it is before it is cut and as it cuts. */
const KEPT = 3 * LIMITS.pieces;

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
  readonly #refined: MeshMemos;
  readonly #shaped: ByteCache<ShapedMesh>;
  readonly #models: ByteCache<ReadModel>;
  readonly #grounds: Grounds;
  readonly #edges: EdgeLines;
  readonly #cuts: Cuts;
  /** by piece: among many, those that did not change cost nothing */
  readonly #kept = new ByteCache<Kept>(KEPT);
  readonly #needs = new ByteCache<Need[]>(KEPT);

  constructor(tools: EngineTools) {
    this.#tools = tools;
    this.#lettering = letteringCaches(tools.cacheBytes * (1 - REFINED_SHARE - MODEL_SHARE - CUT_SHARE));
    this.#refined = meshMemos((tools.cacheBytes * REFINED_SHARE) / 2);
    this.#shaped = new ByteCache((tools.cacheBytes * REFINED_SHARE) / 2);
    this.#models = new ByteCache(MODEL_BYTES);
    this.#grounds = new Grounds(tools.cacheBytes * MODEL_SHARE);
    this.#edges = new EdgeLines(LINE_BYTES);
    this.#fonts = new FontChest(tools);
    this.#cuts = new Cuts(tools.cacheBytes * CUT_SHARE);
  }

  /** Computes one piece of a document at a time, and first those that it is laid onto. Yields between clusters; fails with CANCELLED when told to stop. */
  evaluate(
    project: Project,
    pieceId: string,
    context: RunContext,
    { seconds = 0, uv = false, crossings = false, preview = false }: EvaluateOptions = {},
  ): Promise<Result<Evaluated>> {
    const resolved = resolveAt(project, seconds);
    return this.#evaluate(resolved, pieceId, { context, seconds, uv, crossings, preview });
  }

  async #evaluate(project: Project, pieceId: string, run: Run): Promise<Result<Evaluated>> {
    const { uv, crossings, seconds } = run;
    const asked = ownEntry(project.pieces, pieceId);
    if (!asked) return fail('EDIT_MISPLACED', { what: 'piece', id: pieceId });
    const early = heldBack(asked);
    if (early) return ok(withoutSolid(asked, early));
    const under = await this.#underOf(project, asked, run);
    if (!under.ok) return under;
    const piece = { ...asked, steps: alongFound(asked.steps, under.value.lines) };
    const subject = spelled([uv, crossings, seconds, piece.source, piece.body, piece.steps, project.faceBudget, under.value.key, run.cut?.key, run.cut?.isSmooth]);
    const name = run.keptAs ?? pieceId;
    const kept = this.#kept.get(name);
    if (kept?.subject === subject) return ok(asKept(kept.evaluated, piece, under.value));
    const built = isLettering(piece)
      ? await this.#letter(project, piece, run, under.value)
      : await this.#body(project, piece, run, under.value);
    if (built.ok && !run.preview) this.#kept.set(name, { subject, evaluated: built.value }, 1);
    return built;
  } // prettier-ignore

  /** The pieces that a piece stands on, computed, and what is told of those it can't stand on. */
  async #underOf(project: Project, piece: Piece, run: Run): Promise<Result<Under>> {
    const asked = standsOnIn(piece);
    const last = asked.at(-1)?.stepId;
    const under: Under = { key: '', grounds: new Map(), last, lines: {}, cutters: new Map(), remarks: [] };
    for (const one of asked) {
      const { stepId, targetId } = one;
      const circle = circleThrough(project, piece.id, one);
      if (!ownEntry(project.pieces, targetId)) under.remarks.push(nothingUnder(piece, stepId));
      else if (circle) under.remarks.push(remark('ONTO_CYCLE', { stepId, pieces: circle.map((one) => one.name || pieceName(one)).join(', ') }));
      else {
        const ground = await this.#beside(forPanel(forLaying(project, piece.id, targetId), piece.id, one), targetId, run);
        if (!ground.ok) return ground;
        if (ground.value.clusters.length === 0) under.remarks.push(nothingUnder(piece, stepId));
        else under.grounds.set(stepId, asSeenBy(piece, stepId, this.#grounds.of(ground.value)));
      }
    }
    const found = this.#edges.of(piece, under);
    under.lines = found.lines;
    under.remarks.push(...found.remarks);
    for (const step of cutsOf(piece).filter((one) => one.on)) {
      const cutter = await cutterOf(project, piece, step, {
        evaluate: (state, id, how) => this.#beside(state, id, run, how),
        targetOf: (evaluated) => this.#grounds.of(evaluated).target,
        looks: !run.preview,
      });
      if (!cutter.ok) return cutter;
      if (cutter.value) under.cutters.set(step.id, cutter.value);
      else under.remarks.push(remark('CUT_NOTHING', { stepId: step.id }));
    }
    under.key = keyOf('under', [[...under.grounds, ...under.cutters].map(([id, { key }]) => [id, key]), under.remarks]);
    return ok(under);
  } // prettier-ignore

  /** Another piece that this one needs, as it is in some state of the document. */
  #beside(project: Project, pieceId: string, run: Run, other: Partial<Run> = {}): Promise<Result<Evaluated>> {
    const keptAs = `${pieceId} in ${
      ownEntry(project.pieces, pieceId)
        ?.steps.map(({ id }) => id)
        .join(' ') ?? ''
    }`;
    return this.#evaluate(project, pieceId, { ...run, uv: false, crossings: false, cut: undefined, keptAs, ...other });
  }

  async #cut(clusters: readonly BuiltCluster[], step: CuttingStep, under: Under): Promise<ShapedGroup | undefined> {
    const cutter = under.cutters.get(step.id);
    return cutter ? this.#cuts.cut(clusters, step, cutter, this.#tools.kernels.loadCarver) : { clusters: [...clusters], remarks: [] };
  } // prettier-ignore

  /** A form or a model, then its steps. */
  async #body(project: Project, piece: Piece, run: Run, under: Under): Promise<Result<Evaluated>> {
    const around = under.grounds.get(AROUND);
    const remarks: Remark[] = [];
    let cluster: BuiltCluster | undefined;
    let painted: Evaluated['paints'];
    if (isForm(piece)) cluster = formCluster(piece, around?.box);
    else if (isModel(piece)) {
      const loadModel = this.#tools.loadModel ?? (() => Promise.resolve(undefined));
      const model = await modelCluster(piece, {
        models: this.#models,
        loadModel,
        loadUnpacker: this.#tools.kernels.loadUnpacker,
      });
      if (!model.ok) return model;
      const { openEdges, badEdges, joinMm, paints, levels, ...read } = model.value;
      painted = paints && { key: `paints ${read.key}`, ...paints };
      if (openEdges + badEdges > 0 && !isClosedBy(piece.steps, joinMm))
        remarks.push(
          remark('MODEL_OPEN', { openEdges, badEdges, isClosed: piece.source.closed, ...(joinMm && { joinMm }) }),
        );
      if (paints?.leftOut || levels > 1)
        remarks.push(remark('MODEL_LEFT_OUT', { pictures: paints?.leftOut ?? 0, levels: levels - 1 }));
      cluster = read;
    }
    return this.#finish(project, piece, {
      ...run,
      under,
      remarks,
      clusters: cluster ? [cluster] : [],
      paints: painted,
      layout: { letters: [], baselines: [], emMm: 0, capMm: 0 },
      heights: { up: 0, down: 0 },
      built: { clusters: 1, wavefronts: 0, lifted: 0 },
      need: undefined,
    });
  }

  /** What a font means for solids, measured on words in it. */
  fontFacts(wish: Parameters<typeof fontFacts>[1]): ReturnType<typeof fontFacts> {
    return fontFacts(this.#fonts, wish);
  }

  async #letter(project: Project, piece: LetteringPiece, run: Run, under: Under): Promise<Result<Evaluated>> {
    const laid = await layOut(piece, this.#fonts);
    if (!laid.ok) return laid;
    const { layout } = laid.value;
    const tooLarge = extentFault(piece, layout);
    if (tooLarge) return tooLarge;
    const { toleranceMm } = piece.body.faces;
    const lettering = await buildLettering(
      layout,
      {
        ...(run.cut ? run.cut.change(pieceShape(piece)) : pieceShape(piece)),
        depthAnchor: run.cut?.behindMm === undefined ? piece.source.depthAnchor : { behindMm: run.cut.behindMm },
        toleranceMm,
        apart: isWords(piece) && piece.source.letters === 'apart',
        uv: run.uv,
        seed: this.#tools.seed ?? 1,
        needOf: this.#needOf(piece, layout, run, under),
        faceBudget: project.faceBudget,
      },
      { caches: this.#lettering, context: run.context },
    );
    if (!lettering) return fail('CANCELLED', {});
    const remarks = [...laid.value.remarks, ...lettering.remarks, ...needRemarks(lettering.need, project.faceBudget)];
    return this.#finish(project, piece, { ...run, ...laid.value, ...lettering, under, remarks });
  }

  /** The steps, and where all of it stands. */
  async #finish(project: Project, piece: Piece, built: BuiltPiece): Promise<Result<Evaluated>> {
    const { clusters, layout, heights, under, remarks, context } = built;
    const run = await this.#steps(project, piece, built);
    if (!run) return fail('CANCELLED', {});
    const crossing = built.crossings
      ? shapeCrossings(piece, run.clusters, { letters: layout.letters, context, told: run.remarks })
      : [];
    return ok({
      pieceId: piece.id,
      clusters: run.clusters,
      letters: layout.letters,
      transform: transformOf(piece, run.clusters, under),
      line: { ...heights, baselines: layout.baselines, front: frontOf(piece) },
      remarks: [...remarks, ...under.remarks, ...run.remarks, ...missed(under, run.onto, piece), ...crossing],
      need: built.need,
      onto: run.onto,
      paints: built.paints,
      ground: run.onto && under.grounds.get(run.onto.stepId)?.target,
      lines: under.lines,
      flat: clusters.length > 0 ? clustersBox(clusters) : undefined,
      built: built.built,
      bodyFaces: clusters.reduce((sum, { mesh }) => sum + faceCount(mesh), 0),
      stepFaces: run.faces,
    });
  }

  /** A preview takes what the last exact evaluation needed, as long as that was of as many letters. */
  #needOf(piece: LetteringPiece, layout: Layout, run: Run, under: Under): NeedOf | undefined {
    const { toleranceMm } = piece.body.faces;
    const { seconds, preview } = run;
    if (piece.body.faces.shaped === 'own') return undefined;
    const onto = ontoOf(this.#ontoTools(piece, layout, run, under), true);
    const exact = shapeNeed(piece.steps, { letters: layout.letters, toleranceMm, seconds, onto });
    if (!exact) return undefined;
    return (boxes, members) => {
      const name = run.keptAs ?? piece.id;
      const last = preview ? this.#needs.get(name) : undefined;
      const needs = last?.length === boxes.length ? last : exact(boxes, members);
      this.#needs.set(name, needs, 1);
      return needs;
    };
  }

  #ontoTools(
    { steps, body }: Piece,
    { baselines, emMm, capMm }: LaidLines,
    { preview, cut }: Run,
    { grounds }: Under,
  ): OntoTools {
    return {
      grounds,
      steps,
      baselines,
      capMm,
      middle: emMm * MIDDLE_OF_EM,
      toleranceMm: body.faces.toleranceMm,
      maps: this.#grounds.maps,
      rough: preview,
      isCutter: cut !== undefined,
      behindMm: cut?.behindMm,
      heldMm: cut?.heldMm,
      isSmooth: cut?.isSmooth === true,
      drape: cut?.drape,
      together: [],
    };
  }

  #steps(project: Project, piece: Piece, built: BuiltPiece): Promise<StepRun | undefined> {
    const { layout, seconds, preview, context, under } = built;
    const { toleranceMm } = piece.body.faces;
    const keepsFaces = piece.body.faces.shaped === 'own';
    const isFine = !keepsFaces && (!isLettering(piece) || isAutomatic(facesAsked(piece.body.faces)));
    return runSteps(built.clusters, piece.steps, {
      refined: this.#refined,
      shaped: this.#shaped,
      loadSimplifier: this.#tools.kernels.loadSimplifier,
      faceBudget: project.faceBudget,
      context,
      letters: layout.letters,
      seconds,
      toleranceMm: isFine && !preview ? toleranceMm : undefined,
      drawnMm: toleranceMm,
      keepsFaces,
      onto: this.#ontoTools(piece, layout, built, under),
      rough: preview,
      cut: (row, step) => this.#cut(row, step, under),
    });
  }
}

/** From a baseline to the middle of the lower-case letters, of the em. */
const MIDDLE_OF_EM = 0.25;

/** An evaluation under way. */
interface Run extends Required<EvaluateOptions> {
  context: RunContext;
  /** as it cuts another piece, instead of as it looks */
  cut?: CutShape;
  /** what it is remembered as, where not as the piece itself */
  keptAs?: string;
}

type LaidLines = Pick<Layout, 'baselines' | 'emMm' | 'capMm'>;

/** A piece before its steps. */
interface BuiltPiece extends Run {
  under: Under;
  remarks: Remark[];
  clusters: BuiltCluster[];
  layout: LaidLines & Pick<Layout, 'letters'>;
  heights: { up: number; down: number };
  built: LetteringStats;
  need?: NeedReport;
  paints?: Evaluated['paints'];
}

const asKept = (evaluated: Evaluated, piece: Piece, under: Under): Evaluated => ({
  ...evaluated,
  transform: transformOf(piece, evaluated.clusters, under),
  built: { ...evaluated.built, wavefronts: 0, lifted: 0 },
});
