import { ByteCache, fail, keptBy, ok, ownEntry, spelled, type Result, type RunContext } from '../base/index.ts';
import {
  isAlike,
  isLettering,
  resolveAt,
  originalOf,
  type Group,
  type Piece,
  type Project,
} from '../document/index.ts';
import type { SceneGroup } from '../io/index.ts';
import { afterwards, type Transform } from '../math/index.ts';
import { groupTransform } from './placement.ts';
import type { SceneTree } from './scenePart.ts';
import { bodyPiece } from './bodyPiece.ts';
import { KnownOfRun, standingAsCopy } from './copyPiece.ts';
import {
  engineParts,
  KEPT_PIECES,
  type EngineParts,
  type EngineTools,
  type EvaluateOptions,
  type EvaluateRun,
} from './engineParts.ts';
import { withoutSolid, type Evaluated } from './evaluated.ts';
import { fontFacts } from './fontFacts.ts';
import { frameAlong } from './frames.ts';
import { alongFound } from './foundLines.ts';
import { transformOf, type Under } from './ground.ts';
import { heldBack } from './heldBack.ts';
import { letterPiece } from './letterPiece.ts';
import { pulledPiece, pullSubject } from './pull.ts';
import type { Pull } from './pullable.ts';
import { underOf } from './underPiece.ts';

export type { EngineTools, EvaluateOptions } from './engineParts.ts';

/** A piece as it was computed last; where it stands is no part of it. */
interface Kept {
  subject: string;
  evaluated: Evaluated;
  /** where values of its last steps only move what it has */
  pull?: { subject: string; of: Pull };
}

/** Evaluates documents; holds everything that is worth keeping from one evaluation to the next. */
export class Engine {
  readonly #parts: EngineParts;
  /** by piece: among many, those that did not change cost nothing */
  readonly #kept = new ByteCache<Kept>(KEPT_PIECES);
  readonly #known = new KnownOfRun();

  constructor(tools: EngineTools) {
    this.#parts = engineParts(tools);
  }

  /**
   * Computes one piece of a document at a time, and first those that it is laid onto. Yields between clusters; fails
   * with CANCELLED when told to stop.
   */
  evaluate(
    project: Project,
    pieceId: string,
    context: RunContext,
    { seconds = 0, uv = false, crossings = false, preview = false }: EvaluateOptions = {},
  ): Promise<Result<Evaluated>> {
    const resolved = resolveAt(project, seconds);
    const run = { context, seconds, uv, crossings, preview };
    const make = (): Promise<Result<Evaluated>> => this.#evaluate(resolved, pieceId, run);
    return followedIn(resolved.pieces).has(pieceId)
      ? this.#known.source({ project: resolved, pieceId }, run, make)
      : make();
  }

  /** Where a group stands counts from there: from what it hangs on, or the group that it is in. */
  async groupFrame(
    project: Project,
    group: Group,
    context: RunContext,
    { seconds = 0, preview = false }: Pick<EvaluateOptions, 'seconds' | 'preview'> = {},
  ): Promise<Result<Transform>> {
    const run = { context, seconds, preview, uv: false, crossings: false };
    const found = await frameAlong(resolveAt(project, seconds), group, {
      beside: (state, id, other) => this.#beside(state, id, run, other),
    });
    return found.ok ? ok(found.value.frame) : found;
  }

  /** All groups as they stand. */
  async tree(project: Project, context: RunContext): Promise<Result<SceneTree>> {
    const tree = new Map<string, SceneGroup & { within: string }>();
    for (const group of Object.values(project.groups)) {
      const frame = await this.groupFrame(project, group, context);
      if (!frame.ok) return frame;
      const { id, name, within, placement } = group;
      const transform = afterwards(frame.value, groupTransform(placement));
      tree.set(id, { id, name, within, transform, pivotMm: placement.pivotMm });
    }
    return ok(tree);
  }

  /** What a font means for solids, measured on words in it. */
  fontFacts(wish: Parameters<typeof fontFacts>[1]): ReturnType<typeof fontFacts> {
    return fontFacts(this.#parts.fonts, wish);
  }

  async #evaluate(project: Project, pieceId: string, run: EvaluateRun): Promise<Result<Evaluated>> {
    const asked = ownEntry(project.pieces, pieceId);
    if (!asked) return fail('EDIT_MISPLACED', { what: 'piece', id: pieceId });
    const source = run.cut ? undefined : originalOf(project, asked);
    if (source && isAlike(source, asked)) return this.#copied(project, asked, source, { run });
    const early = heldBack(asked);
    if (early) return ok(withoutSolid(asked, early));
    const parts = this.#parts;
    const found = await underOf(project, asked, {
      parts,
      run,
      beside: (state, id, other) => this.#beside(state, id, run, other),
    });
    if (!found.ok) return found;
    const under = found.value;
    const piece = { ...asked, steps: alongFound(asked.steps, under.lines) };
    const subject = subjectOf(project, piece, run, { under });
    const name = run.keptAs ?? pieceId;
    const kept = this.#kept.get(name);
    if (kept?.subject === subject) return ok(asKept(kept.evaluated, piece, under));
    if (run.preview && kept?.pull) {
      const { subject: same, of: pull } = kept.pull;
      const isSame = pullSubject(project, piece, { ...run, under, pulled: pull.steps }) === same;
      const pulled = isSame && (await pulledPiece(kept.evaluated, pull, piece, { under, run, parts }));
      if (pulled) return ok(pulled);
    }
    const built = isLettering(piece)
      ? await letterPiece(project, piece, { run, under, parts })
      : await bodyPiece(project, piece, { run, under, parts });
    if (built.ok && !run.preview) {
      const { pull } = built.value;
      const pulled = pull && { subject: pullSubject(project, piece, { ...run, under, pulled: pull.steps }), of: pull };
      this.#kept.set(name, { subject, evaluated: built.value, pull: pulled }, 1);
    }
    return built;
  }

  /** A copy in which nothing is changed: what its source is, where the copy stands. */
  async #copied(
    project: Project,
    copy: Piece,
    source: Piece,
    { run }: { run: EvaluateRun },
  ): Promise<Result<Evaluated>> {
    const made = await this.#known.source({ project, pieceId: source.id }, run, () =>
      this.#evaluate(project, source.id, { ...run, keptAs: undefined }),
    );
    if (!made.ok) return made;
    const along = await this.#known.frame({ project, piece: copy }, run, () =>
      frameAlong(project, copy, { beside: (state, id, other) => this.#beside(state, id, run, other) }),
    );
    if (!along.ok) return along;
    return ok(standingAsCopy(copy, made.value, along.value));
  }

  /** Another piece that this one needs, as it is in some state of the document. */
  #beside(
    project: Project,
    pieceId: string,
    run: EvaluateRun,
    other: Partial<EvaluateRun> = {},
  ): Promise<Result<Evaluated>> {
    const steps = ownEntry(project.pieces, pieceId)?.steps.map(({ id }) => id) ?? [];
    const keptAs = `${pieceId} in ${steps.join(' ')}`;
    return this.#evaluate(project, pieceId, { ...run, uv: false, crossings: false, cut: undefined, keptAs, ...other });
  }
}

/** Ids of pieces that others follow. */
const followedIn = keptBy(
  (pieces: Project['pieces']) => new Set(Object.values(pieces).flatMap(({ copyOf }) => copyOf ?? [])),
);

/** All that a piece is made of, but for where it stands. */
const subjectOf = (
  { faceBudget }: Project,
  { source, body, steps }: Piece,
  { uv, crossings, seconds, cut }: EvaluateRun,
  { under }: { under: Under },
): string =>
  [
    spelled([uv, crossings, seconds, faceBudget, under.key, cut?.key, cut?.isSmooth]),
    ...[source, body, steps].map(spelledOnce),
  ].join(' ');

const spelledOnce = keptBy<object, string>(spelled);

const asKept = (evaluated: Evaluated, piece: Piece, under: Under): Evaluated => ({
  ...evaluated,
  transform: transformOf(piece, evaluated, under),
  frame: under.frame,
  built: { ...evaluated.built, wavefronts: 0, lifted: 0 },
});
