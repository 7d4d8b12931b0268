import {
  counted,
  fail,
  keptBy,
  MISSING_PART,
  ownEntry,
  shortKeyOf,
  StageLog,
  type Crew,
  type LoadUnpacker,
  type Remark,
  type Result,
  type RunContext,
} from '../base/index.ts';
import { checkMesh, checkUnless, faultPlaces } from '../check/index.ts';
import { isAlike, isShown, ownOf, originalOf, type Project } from '../document/index.ts';
import { readDrawing, silhouette, type ReadDrawing } from '../drawing/index.ts';
import {
  bufferRows,
  displays,
  Engine,
  flatFit,
  meetingRemarks,
  meetingsOf,
  neighboursOf,
  pieceMesh,
  roughDisplay,
  scenePart,
  sharedMeshes,
  laidPlaces,
  pivotPlace,
  pivotSpots,
  type Apart,
  type DisplayAsked,
  type EngineTools,
  type Evaluated,
  type StandingPart,
} from '../evaluate/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import { inMm, quadCount, readBack, writeScene, type ScenePart } from '../io/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import type { CrewHub } from './crew.ts';
import { CopyRow, type PlacedPiece } from './shownCopies.ts';
import {
  JOB_VERSION,
  type JobAnswer,
  type JobReply,
  type JobRequest,
  type ShownCluster,
  type ShownPiece,
} from './messages.ts';

const CANCELLED = fail('CANCELLED', {});

export interface JobHostOptions extends EngineTools {
  /** the newest serial asked for; an evaluation of an older one gives up */
  newest(): number;
  /** gives the event loop a turn */
  breathe(): Promise<void>;
  now(): number;
  /** other threads that work along; left out: there are none */
  crew?: CrewHub;
  send(reply: JobReply, transfer: ArrayBuffer[]): void;
}

type Asked<K extends JobRequest['kind']> = Extract<JobRequest, { kind: K }>;

/**
 * The worker's side: answers one request after the other; meshes never leave it, only buffers, reports and files do.
 */
export class JobHost {
  readonly #options: JobHostOptions;
  readonly #engine: Engine;
  readonly #log: StageLog;
  #queue: Promise<void> = Promise.resolve();

  constructor(options: JobHostOptions) {
    this.#options = options;
    this.#log = new StageLog(options.now);
    this.#engine = new Engine({ ...options, log: this.#log });
  }

  take(request: JobRequest): void {
    this.#queue = this.#queue.then(() => this.#work(request));
  }

  async #work(request: JobRequest): Promise<void> {
    let answer: JobAnswer;
    try {
      answer = await this.#answer(request);
    } catch (error) {
      answer = { kind: 'crashed', message: error instanceof Error ? error.message : String(error) };
    }
    this.#options.send({ serial: request.serial, kind: 'answer', answer }, buffersOf(answer));
  }

  /**
   * Given up as soon as a newer evaluation is asked for: what people see comes first, and the state that was checked is
   * gone.
   */
  async #check({ project, pieceId, serial }: Asked<'check'>): Promise<JobAnswer> {
    const context = this.#context(serial, true);
    const evaluated = context.cancelled()
      ? CANCELLED
      : await this.#engine.evaluate(project, pieceId, context, { crossings: true });
    if (!evaluated.ok) return { kind: 'failed', error: evaluated.error };
    const report = checkUnless(pieceMesh(evaluated.value), context.cancelled);
    // only looked for here and for files: too slow for every change
    const crossing = [
      ...evaluated.value.remarks.filter(({ code }) => code === 'SHAPE_CROSSES'),
      ...(await this.#meetings(project, evaluated.value, context)),
    ];
    // given up halfway, it has not looked at all that it might run into
    if (!report || context.cancelled()) return { kind: 'failed', error: CANCELLED.error };
    return { kind: 'checked', pieceId, report, crossing };
  }

  /** Letterings that a piece runs into as they stand. */
  async #meetings(project: Project, here: Evaluated, context: RunContext): Promise<Remark[]> {
    const piece = project.pieces[here.pieceId];
    const others: StandingPart[] = [];
    for (const other of neighboursOf(project, piece)) {
      const evaluated = await this.#engine.evaluate(project, other.id, context).catch(brokenAlone);
      if (evaluated.ok) others.push({ piece: other, part: scenePart(other, evaluated.value, project) });
    }
    return meetingRemarks({ piece, part: scenePart(piece, here, project) }, others, context.cancelled);
  }

  readonly #answers: { readonly [K in JobRequest['kind']]: (request: Asked<K>) => Promise<JobAnswer> } = {
    evaluate: (request) => this.#evaluate(request),
    check: (request) => this.#check(request),
    places: (request) =>
      this.#withPiece(request, async (evaluated) => ({
        kind: 'placed',
        pieceId: request.pieceId,
        triangles: faultPlaces(pieceMesh(evaluated), request.what),
      })),
    laid: (request) =>
      this.#withPiece(request, async (evaluated) => ({
        kind: 'placed',
        pieceId: request.pieceId,
        ...laidPlaces(request.project.pieces[request.pieceId], evaluated, request.what),
      })),
    fit: (request) =>
      this.#withPiece(request, async (evaluated) => ({
        kind: 'fit',
        pieceId: request.pieceId,
        fit: flatFit(request.project.pieces[request.pieceId], evaluated),
      })),
    spots: (request) =>
      this.#withPiece(request, async (evaluated) => ({
        kind: 'spots',
        pieceId: request.pieceId,
        spots: pivotSpots(request.project.pieces[request.pieceId], evaluated, request.closely),
      })),
    write: (request) => this.#write(request),
    readDrawing: ({ bytes }) => readDrawing(bytes).then(drawingAnswer),
    silhouette: ({ shades, options }) => Promise.resolve(drawingAnswer(silhouette(shades, options))),
    fontFacts: (request) => this.#fontFacts(request),
    readBack: (request) => holds(request, this.#options.kernels.loadUnpacker),
  };

  #answer(request: JobRequest): Promise<JobAnswer> {
    if (request.version !== JOB_VERSION)
      throw new Error(`worker speaks version ${JOB_VERSION}, page ${request.version}`);
    return (this.#answers[request.kind] as (request: JobRequest) => Promise<JobAnswer>)(request);
  }

  async #fontFacts({ font, words, sizeMm }: Asked<'fontFacts'>): Promise<JobAnswer> {
    const facts = await this.#engine.fontFacts({ font, words, sizeMm });
    return facts.ok ? { kind: 'fontFacts', facts: facts.value } : { kind: 'failed', error: facts.error };
  }

  async #write(request: Asked<'write'>): Promise<JobAnswer> {
    const { project, pieceIds, options, serial } = request;
    const parts: ScenePart[] = [];
    const remarks: Remark[] = [];
    const context = this.#context(serial, false);
    const meshOf = sharedMeshes();
    const tree = await this.#engine.tree(project, context);
    if (!tree.ok) return { kind: 'failed', error: tree.error };
    for (const id of pieceIds) {
      const evaluated = await this.#engine.evaluate(project, id, context, {
        uv: options.uv !== 'none',
        crossings: true,
      });
      if (!evaluated.ok) return { kind: 'failed', error: evaluated.error };
      const { pieces } = project;
      const part = scenePart(pieces[id], evaluated.value, { pieces, tree: tree.value, meshOf });
      // among several, a piece goes by the name that people gave it
      parts.push(pieceIds.length > 1 ? { ...part, name: project.pieces[id].name.trim() || part.name } : part);
      remarks.push(...evaluated.value.remarks);
    }
    remarks.push(...meetingsOf(project, pieceIds, parts));
    const written = await writeScene(parts, options, this.#options.kernels);
    return {
      kind: 'written',
      bytes: written.bytes,
      mtl: written.mtl,
      coarser: written.coarser,
      counts: written.counts,
      remarks: [...remarks, ...written.remarks],
    };
  }

  async #withPiece(
    request: Extract<JobRequest, { pieceId: string }>,
    use: (evaluated: Evaluated) => Promise<JobAnswer>,
  ): Promise<JobAnswer> {
    const evaluated = await this.#engine.evaluate(
      request.project,
      request.pieceId,
      this.#context(request.serial, false),
    );
    return evaluated.ok ? use(evaluated.value) : { kind: 'failed', error: evaluated.error };
  }

  async #evaluate(request: Asked<'evaluate'>): Promise<JobAnswer> {
    const started = this.#options.now();
    const { preview = false } = request;
    const known = { keys: new Set(request.known), faces: new Set(request.faces), preview };
    const context = this.#context(request.serial, true);
    this.#log.take();
    const pieces: ShownPiece[] = [];
    const copies = new CopyRow();
    const first = new Map<string, ShownPiece>();
    const failures: Extract<JobAnswer, { kind: 'evaluated' }>['failures'] = [];
    for (const pieceId of visiblePieces(request.project)) {
      const evaluated = await this.#engine.evaluate(request.project, pieceId, context, { preview }).catch(brokenAlone);
      const recipe = recipeOf(request.project, pieceId);
      const like = first.get(recipe);
      if (evaluated.ok && like) copies.add(placed(evaluated.value, request.project), like);
      else if (evaluated.ok) {
        const shown = await this.#shown(evaluated.value, request.project, { known, crew: context.crew });
        pieces.push(shown);
        first.set(recipe, shown);
      } else if (evaluated.error.code === 'CANCELLED') return { kind: 'failed', error: evaluated.error };
      else failures.push({ pieceId, error: evaluated.error });
    }
    const groups: Extract<JobAnswer, { kind: 'evaluated' }>['groups'] = {};
    for (const group of Object.values(request.project.groups)) {
      const frame = await this.#engine.groupFrame(request.project, group, context, { preview });
      if (frame.ok) groups[group.id] = frame.value;
    }
    return {
      ...{ kind: 'evaluated', pieces, copies: copies.finish(), groups, failures },
      milliseconds: this.#options.now() - started,
      stages: this.#log.take(),
      threads: 1 + (context.crew?.size ?? 0),
      heldBytes: this.#log.heldBytes(),
    };
  }

  #shown(
    evaluated: Evaluated,
    project: Project,
    { known, crew }: { known: Known; crew: Crew | undefined },
  ): Promise<ShownPiece> {
    return counted(this.#log, 'display', () => shown(evaluated, project, { known, crew }));
  }

  #context(serial: number, yields: boolean): RunContext {
    const { newest, breathe, now, send, crew } = this.#options;
    let last = now();
    let told = last;
    return {
      crew: crew?.until(yields ? serial : Infinity),
      cancelled: () => yields && newest() > serial,
      progress: (share) => {
        if (now() - told < 50) return;
        told = now();
        send({ serial, kind: 'progress', share }, []);
      },
      breathe: async () => {
        // a turn costs more than most clusters: one a frame is enough for cancelling, which goes through shared memory
        // anyway
        if (now() - last < 16) return;
        await breathe();
        last = now();
      },
    };
  }
}

/**
 * What broke on one piece takes no other along; a part of the application that is missing is missing for all of them.
 */
function brokenAlone(error: unknown): Result<never> {
  if (error instanceof Error && error.name === MISSING_PART) throw error;
  return fail('PIECE_BROKE', {});
}

function visiblePieces(project: Project): string[] {
  const shown = project.pieceOrder.filter((id) => project.pieces[id].visible);
  const isAllShown = Object.values(project.groups).every(({ visible }) => visible);
  return isAllShown ? shown : shown.filter((id) => isShown(project, project.pieces[id]));
}

/** Id of the piece that says how a piece is made: its own, or that of its source where nothing is changed. */
function recipeOf(project: Project, pieceId: string): string {
  const piece = project.pieces[pieceId];
  const source = originalOf(project, piece);
  return source && isAlike(source, piece) ? source.id : pieceId;
}

const placed = (evaluated: Evaluated, { pieces }: Pick<Project, 'pieces'>): PlacedPiece => ({
  pieceId: evaluated.pieceId,
  transform: evaluated.transform,
  frame: evaluated.frame,
  pivot: pivotPlace(pieces[evaluated.pieceId].placement.pivot, evaluated),
  remarks: evaluated.remarks,
});

async function shown(
  evaluated: Evaluated,
  { pieces }: Project,
  { known, crew }: { known: Known; crew: Crew | undefined },
): Promise<ShownPiece> {
  const own = ownOf(pieces[evaluated.pieceId]);
  let faceSum = 0;
  let quads = 0;
  const hasLook = (letter: number): boolean => Boolean(own[evaluated.letters[letter].id]?.finish);
  const asked: (DisplayAsked & { by: ShownCluster })[] = [];
  const clusters = evaluated.clusters.map((cluster): ShownCluster => {
    faceSum += faceCount(cluster.mesh);
    quads += quadCount(cluster.mesh);
    const { x, y, z, letters } = cluster;
    const apart = letters.length > 1 ? [...letters.keys()].filter((i) => hasLook(letters[i])) : [];
    const cutters = lookingCutters(cluster.mesh, pieces);
    const looks = { letters: new Set(apart), cutters: new Set(cutters) };
    const by = apart.length + cutters.length > 0 ? ` by ${[...apart, ...cutters].join(' ')}` : '';
    const { pulled } = cluster;
    const faces = `${pulled?.like ?? cluster.key}${by}`;
    const key = pulled ? shortKeyOf('pulled', [faces, pulled.by]) : faces;
    const made = newBuffers(cluster, { key, faces }, { known, looks });
    const one: ShownCluster = { key, faces, x, y, z, letters, buffers: undefined, ...(made !== 'exact' && made) };
    if (made === 'exact') asked.push({ mesh: cluster.mesh, apart: looks, by: one });
    return one;
  });
  const drawn = await displays(asked, crew);
  asked.forEach(({ by }, i) => (by.buffers = drawn[i]));
  return {
    ...placed(evaluated, { pieces }),
    clusters,
    letters: shownLetters(evaluated.letters),
    line: evaluated.line,
    faces: faceSum,
    quads,
    bodyFaces: evaluated.bodyFaces,
    stepFaces: evaluated.stepFaces,
    need: evaluated.need,
    flat: evaluated.flat,
    onto: evaluated.onto,
    lines: evaluated.lines,
    built: evaluated.built,
    paints: paintsFor(evaluated, known.keys),
  };
}

/** Copies share them with their source, on the way too. */
const shownLetters = keptBy((letters: Evaluated['letters']): ShownPiece['letters'] =>
  letters.map(({ id, text, line, word, x, y, advance, turn, isRightToLeft }) => ({
    id,
    text,
    line,
    word,
    x,
    y,
    advance,
    turn,
    isRightToLeft,
  })),
);

const drawingAnswer = (read: Result<ReadDrawing>): JobAnswer =>
  read.ok ? { kind: 'drawing', drawing: read.value } : { kind: 'failed', error: read.error };

/** Pictures go over once. */
function paintsFor({ paints }: Evaluated, known: Set<string>): ShownPiece['paints'] {
  if (!paints) return undefined;
  const { key, list, images } = paints;
  const isNew = !known.has(key);
  known.add(key);
  return { key, paints: isNew ? { list, images } : undefined };
}

/** Letters of other pieces that have cut a mesh and have a look of their own. */
function lookingCutters({ regions }: PolygonMesh, pieces: Project['pieces']): string[] {
  const named = regions.flatMap(({ of, ofLetter }) => {
    const piece = of === undefined ? undefined : ownEntry(pieces, of);
    return piece && ofLetter !== undefined && ownOf(piece)[ofLetter]?.finish ? [`${of} ${ofLetter}`] : [];
  });
  return [...new Set(named)].sort();
}

/** What the page holds already. */
interface Known {
  keys: Set<string>;
  faces: Set<string>;
  preview: boolean;
}

/** What of a cluster's buffers the page has to be sent; 'exact': all of it, as an exact mesh is drawn. */
function newBuffers(
  { mesh, pulled }: BuiltCluster,
  { key, faces }: { key: string; faces: string },
  { known, looks }: { known: Known; looks: Apart },
): Pick<ShownCluster, 'buffers' | 'moved'> | 'exact' {
  if (known.keys.has(key)) return { buffers: undefined };
  known.keys.add(key);
  if (pulled && known.faces.has(faces)) return { buffers: undefined, moved: pulled.moved };
  known.faces.add(faces);
  return known.preview && looks.letters.size + looks.cutters.size === 0 ? { buffers: roughDisplay(mesh) } : 'exact';
}

function buffersOf(answer: JobAnswer): ArrayBuffer[] {
  if (answer.kind === 'written')
    return [answer, ...answer.coarser]
      .flatMap(({ bytes, mtl }) => (mtl ? [bytes, mtl] : [bytes]))
      .map((bytes) => bytes.buffer as ArrayBuffer);
  if (answer.kind === 'placed')
    return [answer.triangles, ...(answer.values ? [answer.values] : [])].map((one) => one.buffer as ArrayBuffer);
  if (answer.kind !== 'evaluated') return [];
  return (
    answer.pieces
      .flatMap((piece) => piece.clusters)
      // what is moved stays: both sides see it
      .flatMap(({ buffers }) => (buffers ? bufferRows(buffers) : []))
      .map((array) => array.buffer as ArrayBuffer)
  );
}

/** What a file turns out to hold when read again. */
async function holds({ bytes, format }: Asked<'readBack'>, unpacker: LoadUnpacker | undefined): Promise<JobAnswer> {
  const read = await readBack(bytes, format, unpacker);
  if (!read.ok) return { kind: 'failed', error: read.error };
  const { mesh, names, finishes } = read.value;
  return { kind: 'readBack', names, finishes, report: checkMesh(inMm(mesh, format)) };
}
