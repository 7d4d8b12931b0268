import {
  type OntoStep,
  type Step,
  isOnEdge,
  middleOfSide,
  type StepFrame,
  isOnto,
  isRepeating,
} from '../steps/index.ts';
import { ByteCache, ownEntry, QuickMemo, remark, type Named, type Remark, type StageLog } from '../base/index.ts';
import { AROUND, ontoStepOf, standsInOrder, type Piece, type Project, type StandsBy } from '../document/index.ts';
import { clustersBox, clustersKey, type BuiltCluster } from '../lettering/index.ts';
import { afterwards, middleOfBox, plus, type Box3, type Transform, type Vec3 } from '../math/index.ts';
import { OntoMap, type Laying, type Target, type SurfaceMap, upFor } from '../surface/index.ts';
import type { Cutter } from './cutter.ts';
import type { FoundLines } from './foundLines.ts';
import { HELD_BEFORE_MM, holdBefore, holdOf } from './holdOf.ts';
import type { Laid } from './ontoReport.ts';
import { pieceTransform, type BuiltShape } from './placement.ts';
import { LAID_MAP, type LayInputs } from './stages/laidMap.ts';
import { TARGET, TARGET_BYTES } from './stages/target.ts';

/** What a piece is laid onto: another piece as it is at its end. */
export interface Ground {
  /** names the mesh */
  key: string;
  target: Target;
  transform: Transform;
  /** around it in its own space, mm */
  box: Box3;
}

/** The pieces that a piece stands on. */
export interface Under {
  /** names them all */
  key: string;
  /** by the id of the step, or AROUND */
  grounds: Map<string, Ground>;
  /** id of the step, or AROUND, by which it stands where another piece does; undefined: it has a place of its own */
  last: string | undefined;
  /** where it stands is said in this: of what it hangs on, or of its group */
  frame: Transform;
  /** by the id of the step that runs along one */
  lines: FoundLines;
  /** by the id of the step that cuts */
  cutters: Map<string, Cutter>;
  /** of those that it can't stand on */
  remarks: Remark[];
}

export const isLaidOnNothing = (steps: readonly Step[], grounds: ReadonlyMap<string, Ground> | undefined): boolean =>
  !steps.some(({ id }) => grounds?.has(id));

/**
 * The pieces of a circle in which one piece stands on another, that stands on others, until the first is met again.
 * Undefined where there is none. A panel is made round words as they lie flat (`forPanel`): what they stand on closes
 * no circle.
 */
export function circleThrough(project: Project, pieceId: string, first: StandsBy): Piece[] | undefined {
  const seen = new Set<string>();
  const back = ({ stepId, targetId }: StandsBy): string[] | undefined => {
    const isFlat = stepId === AROUND;
    // as it lies flat the first piece is another one, unless that is what it was asked for
    if (targetId === pieceId && (!isFlat || first.stepId === AROUND)) return [];
    const name = `${targetId}${isFlat ? AROUND : ''}`;
    if (seen.has(name)) return undefined;
    seen.add(name);
    const piece = ownEntry(project.pieces, targetId);
    for (const next of piece ? standsInOrder(piece) : []) {
      const rest = isFlat && next.stepId !== AROUND ? undefined : back(next);
      if (rest) return [targetId, ...rest];
    }
    return undefined;
  };
  const found = back(first);
  return found && [pieceId, ...found].map((id) => project.pieces[id]);
}

/**
 * The document in which a panel is made round a piece: without the steps by which that stands on the panel, at first or
 * at last.
 */
export function forPanel(project: Project, panelId: string, { stepId, targetId }: StandsBy): Project {
  const piece = ownEntry(project.pieces, targetId);
  if (stepId !== AROUND || !piece) return project;
  const circling = new Set(
    standsInOrder(piece)
      .filter((one) => one.stepId !== AROUND && circleThrough(project, panelId, one))
      .map((one) => one.stepId),
  );
  if (circling.size === 0) return project;
  const flat = { ...piece, steps: piece.steps.filter(({ id }) => !circling.has(id)) };
  return { ...project, pieces: { ...project.pieces, [targetId]: flat } };
}

/** What lies on another piece stands where that does; else it goes along with what it hangs on, or its group. */
export function transformOf(piece: Piece, shape: BuiltShape, { grounds, last, frame }: Under): Transform {
  const ground = last === undefined ? undefined : grounds.get(last);
  return ground?.transform ?? afterwards(frame, pieceTransform(piece.placement, shape));
}

/** Told where the line of sight of a step met nothing, or there is no edge to follow. */
export function missed({ grounds }: Under, onto: Laid | undefined, piece: Piece): Remark[] {
  const step = ontoStepOf(piece);
  const ground = step && grounds.get(step.id);
  if (!ground) return [];
  if (!onto) return [remark('ONTO_MISSES', { stepId: step.id, ...nearestHold(step, ground.target) })];
  return onto.grid.lacksEdge ? [remark('RUN_NOTHING', { stepId: step.id })] : [];
}

/**
 * Before the place that is nearest to where a step holds the flat plane; nothing where the middle of the front would
 * do.
 */
function nearestHold(step: OntoStep, target: Target): Partial<Pick<OntoStep, 'fromMm' | 'toward' | 'up'>> {
  const front = holdOf({ ...step, place: middleOfSide('front') }, target.box);
  if (target.hit(front.from, front.toward)) return {};
  const near = target.closest(holdBefore(step, target).from);
  const out = target.flatNormalAt(near);
  return { fromMm: plus(near.at, out, HELD_BEFORE_MM), toward: out.map((v) => 0 - v) as Vec3, up: upFor(out) };
}

/** Told where the piece that a step asks for is gone, empty, or was never named. */
export const nothingUnder = ({ steps }: Piece, stepId: string): Remark =>
  remark(steps.some((step) => step.id === stepId && isOnEdge(step)) ? 'RUN_NOTHING' : 'ONTO_NOTHING', { stepId });

/** What a step lays on a sheet lies on the side that it looks at. */
export function asSeenBy({ steps }: Piece, stepId: string, ground: Ground): Ground {
  const step = steps.find(({ id }) => id === stepId);
  return step && isOnto(step) ? { ...ground, target: ground.target.seenBy(holdBefore(step, ground.target)) } : ground;
}

/** Keeps what pieces were laid onto, and how. */
export class Grounds {
  readonly maps: LaidMaps;
  readonly #targets: QuickMemo<{ clusters: Named<readonly BuiltCluster[]> }, unknown, Target>;

  constructor(bytes: number, log?: StageLog) {
    this.#targets = new QuickMemo(TARGET, new ByteCache<Target>(TARGET_BYTES), log);
    this.maps = new QuickMemo(LAID_MAP, new ByteCache<{ map: SurfaceMap | undefined }>(bytes), log);
  }

  of({ clusters, transform }: { clusters: readonly BuiltCluster[]; transform: Transform }): Ground {
    const key = clustersKey(clusters);
    const { of: target } = this.#targets.get({ clusters: { key, of: clusters } }, undefined);
    return { key, target, transform, box: clustersBox(clusters) };
  }
}

export const namedTarget = ({ key, target }: Ground): Named<Target> => ({ key, of: target });

/** Surface maps that were laid out. */
export type LaidMaps = QuickMemo<LayInputs, unknown, { map: SurfaceMap | undefined }>;

export interface OntoTools {
  /** by the id of the step */
  grounds: ReadonlyMap<string, Ground>;
  steps: readonly Step[];
  /** heights of the lines of text, and from there to the middle of lower-case letters, mm */
  baselines: readonly number[];
  middle: number;
  /** of capitals, mm */
  capMm: number;
  toleranceMm: number;
  maps: LaidMaps;
  /** a preview: fewer nodes, and places by them alone */
  rough: boolean;
  /** it cuts what it is laid onto: its back is a floor, which is not drawn down any further */
  isCutter: boolean;
  /** how far its back lies behind zero where strokes are wide enough to have one, mm; undefined: as its box says */
  behindMm?: number;
  /** the middle that is held of what cuts: that of the piece as it looks; undefined: its own */
  heldMm?: readonly [number, number];
  /** by the smooth grid alone, as finely as it gets */
  isSmooth: boolean;
  /** what stays flat follows the surface straight down */
  drape?: Laying['drape'];
  /** ids of letters that hang together */
  together: readonly (readonly number[])[];
}

const NODES = 2300;
const PREVIEW_NODES = 190;
/** Of the model's diagonal: farther below the surface than any rounding. */
const BELOW = 1e-5;

/** How a chain lays pieces onto others. `isLookedAt`: only by the grid, for what is sampled a million times. */
export function ontoOf(tools: OntoTools, isLookedAt = false): NonNullable<StepFrame['onto']> {
  return (step, around) => {
    const box = downTo(around, tools.behindMm);
    const ground = tools.grounds.get(step.id);
    const map = ground && mapFor(step, ground, { ...tools, box });
    if (!map) return undefined;
    const options = {
      box,
      held: heldPlaceOf(step, { ...tools, box }),
      lift: step.liftMm,
      root: tools.isCutter ? 0 : tools.toleranceMm + BELOW * ground.target.diagonal,
      rigid: step.rigid,
      rough: tools.rough || isLookedAt || tools.isSmooth,
      toleranceMm: tools.toleranceMm,
    };
    return new OntoMap(map, options, staysOf(step, ground, { ...tools, box }));
  };
}

/** A box that ends no higher than the back. */
const downTo = ({ low, high }: Box3, behindMm: number | undefined): Box3 => ({
  low: [low[0], low[1], behindMm === undefined ? low[2] : Math.min(low[2], 0 - behindMm)],
  high,
});

/** Where only some letters are laid; those that have grown together with one of them are laid as well. */
function staysOf(step: OntoStep, ground: Ground, tools: OntoTools & { box: Box3 }): OntoMap['stays'] {
  if (step.letters.length === 0) return undefined;
  const chosen = new Set(step.letters);
  const flat = mapFor({ ...step, method: 'flat' }, ground, tools);
  return (
    flat && {
      laid: new Set([...chosen, ...tools.together.filter((one) => one.some((id) => chosen.has(id))).flat()]),
      flat,
    }
  );
}

function mapFor(step: OntoStep, ground: Ground, tools: OntoTools & { box: Box3 }): SurfaceMap | undefined {
  const laying = layingOf(step, ground.target, tools.drape);
  const box = roundedOut(tools.box);
  const isPlain = standsFlat(tools.steps, step);
  const options = {
    box,
    front: box.high[2] - box.low[2] + step.liftMm,
    baselines: isPlain ? tools.baselines : [],
    middle: tools.middle,
    held: heldPlaceOf(step, tools),
    nodes: tools.rough ? PREVIEW_NODES : NODES,
  };
  return tools.maps.get({ target: namedTarget(ground), laying, options }, undefined).of.map;
}

/**
 * Of the flat plane; by its zero words stay where they are as they are retyped, by their middle they grow to both
 * sides.
 */
function heldPlaceOf(step: OntoStep, tools: OntoTools & { box: Box3 }): readonly [number, number] {
  const { heldBy } = step;
  const { box, heldMm, baselines, capMm } = tools;
  if (heldBy === 'zero') return [0, 0];
  if (heldMm) return heldMm;
  const [x, y] = middleOfBox(box);
  // lines that are bent or moved already have no baseline any more
  if (heldBy === 'middle' || baselines.length === 0 || !standsFlat(tools.steps, step)) return [x, y];
  const lines = (Math.min(...baselines) + Math.max(...baselines)) / 2;
  return [x, heldBy === 'capitals' ? lines + capMm / 2 : lines];
}

const layingOf = (step: OntoStep, target: Target, drape: Laying['drape']): Laying => ({
  ...(step.method === 'flat' && drape && { drape }),
  method: step.method,
  hold: holdBefore(step, target),
  guide: step.guide !== 'drawn' ? step.guide : step.guideMm.length > 1 ? step.guideMm : 'straight',
  rounds: step.overhang === 'follow',
});

/** Whether lines of text are still where the layout has them when they come to a step. */
export function standsFlat(steps: readonly Step[], step: { id: string }): boolean {
  const on = steps.filter((one) => one.on);
  return on
    .slice(
      0,
      on.findIndex(({ id }) => id === step.id),
    )
    .every(isRepeating);
}

/** Outward to a coarse grid, so that a letter more or less does not lay everything anew. */
function roundedOut({ low, high }: Box3): Box3 {
  const size = Math.max(high[0] - low[0], high[1] - low[1], 1e-3);
  let cell = 1;
  while (cell > size / 16) cell /= 2;
  while (cell <= size / 32) cell *= 2;
  const out = (v: number, k: number, to: (v: number) => number): number => (k === 2 ? v : to(v / cell) * cell);
  return {
    low: low.map((v, k) => out(v, k, Math.floor)) as Box3['low'],
    high: high.map((v, k) => out(v, k, Math.ceil)) as Box3['high'],
  };
}
