import { type CuttingStep, isCut, isOnto } from '../steps/index.ts';
import { keyOf, ok, ownEntry, type Remark, type Result } from '../base/index.ts';
import { cutsOf, isLettering, ontoStepOf, type Piece, type Project } from '../document/index.ts';
import { clustersBox, clustersKey, type BuiltCluster } from '../lettering/index.ts';
import { diagonalOf, movedBox, turnedBack, type Box3, type Transform } from '../math/index.ts';
import { riseOver, type Target } from '../surface/index.ts';
import type { Letter } from '../text/index.ts';
import { holdBefore } from './holdOf.ts';
import { cutShape, type CutRoom, type CutShape } from './cutShape.ts';
import type { Laid } from './ontoReport.ts';
import { hasRim, rimRemarks } from './rimRoom.ts';

/** Another piece as it is going to cut: its solids in the space of what they cut. */
export interface Cutter {
  /** names it */
  key: string;
  pieceId: string;
  clusters: readonly BuiltCluster[];
  letters: readonly Letter[];
  /** what is told of it as it lies there by itself */
  told: readonly Remark[];
  /** what is told of rims that have no room */
  clipped: () => Remark[];
  /** its faces fold, or could not be made as fine as it is bent */
  isStrained: boolean;
  /** from its own space to that of what it cuts */
  transform: Transform;
  /** borders may move by so much, mm */
  cleanMm: number;
  /** whether faces that cross are looked for */
  looks: boolean;
  /**
   * the same laid on the smooth surface, whose chords stray less than those over the edges of facets; undefined: there
   * is no other
   */
  smoother?: () => Promise<Result<Cutter | undefined>>;
  /** the same with rims inside the strokes of another width, mm; undefined: it has none */
  withRim?: (softMm: number) => Promise<Result<Cutter | undefined>>;
}

/**
 * The document as it is for a piece that cuts another one: that other as it is before the step, and as if nothing had
 * ever cut it.
 */
export function beforeCut(project: Project, target: Piece, stepId: string): Project {
  const at = target.steps.findIndex(({ id }) => id === stepId);
  const steps = target.steps.slice(0, at).filter((step) => !isCut(step));
  return { ...project, pieces: { ...project.pieces, [target.id]: { ...target, steps } } };
}

/** The document in which a piece lies on another one: before that other is cut by it, if it is. */
export function forLaying(project: Project, pieceId: string, targetId: string): Project {
  const target = ownEntry(project.pieces, targetId);
  const step = target && cutsOf(target).find((one) => one.target === pieceId);
  return target && step ? beforeCut(project, target, step.id) : project;
}

/** Of the diagonal: so far anything that cuts stands out over the surface at least. */
const OVER = 1e-5;
/** Of the tolerance: chords of the cutter and of the surface, and as much again. */
const CHORDS = 4;

/** Steps a mm that lie on every grid that letters are drawn on: so the surface does too. */
const STEPS = 256;

/** A lettering that cuts through goes straight, whatever it is laid as. */
function staysFlat(piece: Piece, { operation }: CuttingStep): boolean {
  const onto = ontoStepOf(piece);
  return onto !== undefined && (operation === 'through' || onto.method === 'flat');
}

/** How much room a cutter needs, from what it is laid on. */
function cutRoom(before: Target, cutter: { piece: Piece; flat: Box3 | undefined; step: CuttingStep }): CutRoom {
  const { piece, flat, step } = cutter;
  const overMm = Math.ceil(STEPS * (CHORDS * piece.body.faces.toleranceMm + OVER * before.diagonal)) / STEPS;
  const onto = ontoStepOf(piece);
  const digs = step.operation === 'engrave' || step.operation === 'through';
  const riseMm =
    digs && flat && onto && staysFlat(piece, step)
      ? riseOver(before, holdBefore(onto, before), flat, { under: Math.max(step.sinkMm, overMm) })
      : 0;
  // a rim that follows the surface ends below the cap
  return {
    overMm,
    liftMm: onto?.liftMm ?? 0,
    hairMm: OVER * before.diagonal,
    riseMm: step.operation === 'through' && step.softMm > 0 ? riseMm + overMm : riseMm,
    throughMm: 1.01 * before.diagonal,
  };
}

/** A lettering that cuts through goes straight, whatever the surface does. */
const laidForCut = (piece: Piece, step: CuttingStep, lowerMm: number): Piece => ({
  ...piece,
  steps: piece.steps.map((one) => {
    if (!isOnto(one)) return one;
    const method = step.operation === 'through' ? 'flat' : one.method;
    return {
      ...one,
      method,
      liftMm: one.liftMm - lowerMm,
      overhang: one.overhang === 'leave' ? 'straight' : one.overhang,
    };
  }),
});

/** What an engine does for this. */
interface CutterTools {
  /** another piece in some state of the document */
  evaluate(project: Project, pieceId: string, how?: { cut?: CutShape; keptAs?: string }): Promise<Result<Built>>;
  targetOf(evaluated: Built): Target;
  /** whether faces that cross are looked for */
  looks: boolean;
}

interface Built {
  clusters: BuiltCluster[];
  letters: Letter[];
  transform: Transform;
  flat?: Box3;
  onto?: Laid;
  remarks: Remark[];
}

/** What cuts, in the space of what is cut. */
function bodyOfCutter(
  { clusters, letters, remarks, transform: own }: Built,
  { transform: under }: Built,
  pieceId: string,
): Pick<Cutter, 'key' | 'pieceId' | 'clusters' | 'letters' | 'transform' | 'isStrained'> {
  const transform = turnedBack(under, own);
  // what is cut says of each face which letter has cut it
  const ids = clusters.map((cluster) => cluster.letters.map((i) => letters[i]?.id));
  const key = keyOf('cutter', [clustersKey(clusters), ids, transform, pieceId]);
  const isStrained = remarks.some(({ code }) => code === 'SHAPE_COARSE' || code === 'SHAPE_FOLDS');
  return { key, pieceId, clusters, letters, transform, isStrained };
}

/** Rounds inside the outline where the words meet what they cut. */
const hasRimInside = (step: CuttingStep): boolean => step.softSide === 'inward' && hasRim(step);

/** Another piece as it cuts this one; undefined where it has nothing to cut with. */
export async function cutterOf(
  project: Project,
  piece: Piece,
  step: CuttingStep,
  { evaluate, targetOf, looks }: CutterTools,
): Promise<Result<Cutter | undefined>> {
  const tool = ownEntry(project.pieces, step.target);
  if (!tool || tool === piece) return ok(undefined);
  const before = beforeCut(project, piece, step.id);
  const body = await evaluate(before, piece.id);
  if (!body.ok) return body;
  // what stays flat has to know what rises through its plane, a middle is that of the words as they look, and what is
  // told of them goes along
  const lies = ontoStepOf(tool);
  const isHeldByMiddle = (lies?.heldBy ?? 'zero') !== 'zero';
  const plain =
    staysFlat(tool, step) || isHeldByMiddle || (lies && looks) ? await evaluate(before, tool.id) : undefined;
  if (plain && !plain.ok) return plain;
  const target = targetOf(body.value);
  const held = plain?.value.onto && isHeldByMiddle ? plain.value.onto.options.held : undefined;
  const flat = plain?.value.flat;
  const clipped = (): Remark[] =>
    looks && plain ? rimRemarks(step, { ...plain.value, piece: tool, flat, target }) : [];
  const shapeOf = (softMm: number): CutShape | undefined => {
    const soft = { ...step, softMm };
    if (!isLettering(tool)) return undefined;
    const shape = cutShape(
      soft,
      cutRoom(target, { piece: tool, flat: flat && held ? movedBox(flat, [-held[0], -held[1], 0]) : flat, step: soft }),
    );
    return held ? { ...shape, heldMm: [held[0], held[1]], key: keyOf('held', [shape.key, held]) } : shape;
  };
  const make = async (shape: CutShape | undefined): Promise<Result<Cutter | undefined>> => {
    const pieces = { ...before.pieces, [tool.id]: shape ? laidForCut(tool, step, shape.lowerMm) : tool };
    const keptAs = `${tool.id} cuts ${step.id}${shape?.isSmooth ? ' smoothly' : ''}`;
    const made = await evaluate({ ...before, pieces }, tool.id, { cut: shape, keptAs });
    if (!made.ok || made.value.clusters.length === 0) return made.ok ? ok(undefined) : made;
    return ok({
      ...bodyOfCutter(made.value, body.value, tool.id),
      cleanMm: cleanOf(made.value.clusters, tool, target),
      ...{ looks, clipped },
      told: (plain ?? made).value.remarks,
    });
  };
  const whole = async (softMm: number): Promise<Result<Cutter | undefined>> => {
    const cut = shapeOf(softMm);
    const made = await make(cut);
    if (!made.ok || !made.value || !cut) return made;
    return ok({ ...made.value, smoother: () => make({ ...cut, isSmooth: true }) });
  };
  const made = await whole(step.softMm);
  return made.ok && made.value && isLettering(tool) && hasRimInside(step)
    ? ok({ ...made.value, withRim: whole })
    : made;
}

/** Of a cutter's own depth: so much may the borders of what it cuts move. */
const CLEAN_SHARE = 0.02;
/** Of the diagonal of what is cut: more it never is. */
const CLEAN_MOST = 1e-3;

function cleanOf(clusters: readonly BuiltCluster[], piece: Piece, before: Target): number {
  const size = isLettering(piece) ? piece.body.solid.depthMm : diagonalOf(clustersBox(clusters));
  return Math.min(CLEAN_SHARE * size, CLEAN_MOST * before.diagonal);
}
