import {
  atTime,
  chainOf,
  copyShifts,
  lettersOf,
  runOf,
  outwardMm,
  outwardSigma,
  type MovingStep,
  type RepeatStep,
} from '../steps/index.ts';
import { keptBy, keyOf, remark, type QuickMemo, type Remark, type RunContext, type StageRow } from '../base/index.ts';
import { clustersBox, clustersKey, restOf, textsOf, type BuiltCluster } from '../lettering/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import { aroundBoxes, boxOfPoints, EMPTY_BOX, type Box3, type Vec3 } from '../math/index.ts';
import {
  foldsOf,
  outwardField,
  outwardGrid,
  plainPoint,
  strayOf,
  type FieldGrid,
  type OutwardField,
  type ChainFrame,
  type ShapeChain,
  type Shaped,
  type ShapedMesh,
} from '../shape/index.ts';
import type { Letter } from '../text/index.ts';
import { adviceAt } from '../surface/index.ts';
import { isLaidOnNothing, ontoOf, standsFlat, type OntoTools } from './ground.ts';
import { holdBefore } from './holdOf.ts';
import { ontoLink, overBorder, overhanging, toldOfOnto, type Laid, type Over } from './ontoReport.ts';
import { valuesOfStep } from './stages/refine.ts';
import type { ShapeBounds, ShapeInputs, ShapeTask } from './stages/shape.ts';
import { footOf, plusShift } from './shapeNeed.ts';

/** A cluster on its way through the steps. */
export interface SteppedCluster extends BuiltCluster {
  /** how far it was moved as a copy, flat */
  copied?: [number, number, number];
}

/** What clusters have become under shape steps. */
export type ShapedMeshes = QuickMemo<ShapeInputs, ShapeBounds, ShapedMesh & { mostFaces: number }>;

export interface ShapeTools {
  letters: readonly Letter[];
  seconds: number;
  /** a preview: faces stay as they are, and nothing is looked for */
  rough: boolean;
  /** edges that stray farther are cut; undefined: a person has chosen the faces */
  toleranceMm: number | undefined;
  /** how near chords lie to their curves */
  drawnMm: number;
  /** faces stay as they are, which is told where they stray */
  keepsFaces: boolean;
  faceBudget: number;
  shaped: ShapedMeshes;
  context: RunContext;
  /** what pieces are laid onto; undefined: none is */
  onto: OntoTools | undefined;
  /** shape steps that were taken before others made faces anew */
  earlier: readonly MovingStep[];
}

export interface ShapedGroup {
  clusters: SteppedCluster[];
  remarks: Remark[];
  /** of a piece that was laid onto another */
  onto?: Laid;
  pull?: Pullable;
}

/** What shape steps with other values only move: the meshes that they have made, and all that they act on. */
export interface Pullable {
  steps: readonly string[];
  clusters: readonly SteppedCluster[];
  /** by cluster */
  shaped: readonly Shaped[];
  together: readonly (readonly number[])[];
  frame: Pick<ChainFrame, 'box' | 'earlier' | 'outward'>;
  /** shape steps before others that made faces anew */
  earlier: readonly MovingStep[];
  isLaidOnNothing: boolean;
}

/** Copies of everything, side by side; they share their meshes. */
export function repeatClusters(clusters: readonly SteppedCluster[], step: RepeatStep): SteppedCluster[] {
  const box = clustersBox(clusters);
  return copyShifts(step, box).flatMap((shift) =>
    clusters.map((cluster) => ({
      ...cluster,
      x: cluster.x + shift[0],
      y: cluster.y + shift[1],
      z: cluster.z + shift[2],
      copied: plusShift(cluster.copied ?? [0, 0, 0], shift),
      ...(cluster.mesh.rest && { restBy: plusShift(cluster.restBy ?? [0, 0, 0], shift) }),
    })),
  );
}

/**
 * Shape steps in a row on all clusters: each becomes a mesh of its own about the piece's zero. Undefined when
 * cancelled.
 */
export async function shapeClusters(
  clusters: readonly SteppedCluster[],
  steps: readonly MovingStep[],
  tools: ShapeTools,
): Promise<ShapedGroup | undefined> {
  const laid = clusters.map((cluster) => shapedOf(cluster, tools.letters));
  const box = laid.map(restBox).reduce(aroundBoxes, EMPTY_BOX);
  const together = laid.map(({ letters }) => letters);
  const lay = tools.onto && ontoOf({ ...tools.onto, together });
  const earlier =
    tools.earlier.length > 0 ? chainOf(tools.earlier, { box, seconds: tools.seconds, onto: lay }) : undefined;
  const outward = outwardOf(laid, steps);
  const chain = chainOf(steps, { box, seconds: tools.seconds, onto: lay, earlier, outward: outward?.field });
  const { kept, remarks, over } = keptOf(laid, chain, { clusters, ...tools });
  const row: ShapedRow = { clusters, kept, laid, together, steps, chain, box, outward };
  const { toleranceMm } = tools;
  const few = await shapeEach(row, tools, tools.faceBudget * FEW);
  const done =
    few === 'many' ? await shapeEach(row, { ...tools, toleranceMm: LOOSER * (toleranceMm ?? 0) }, Infinity) : few;
  if (!done || done === 'many') return undefined;
  const { made, looked, leftAt } = done;
  if (few === 'many' && toleranceMm !== undefined) {
    const takenMm = LOOSER * toleranceMm;
    const faces = tools.faceBudget * FEW;
    // of a curved surface as many more as they lie nearer to it
    const fewMm = Number((takenMm * Math.max(1, (ROUGHLY * done.added) / faces)).toPrecision(2));
    remarks.push(remark('SHAPE_LOOSER', { askedMm: toleranceMm, takenMm, faces, fewMm }));
  }
  const onto = laidBy(chain, tools.onto);
  if (tools.rough) return { clusters: made, remarks, onto };
  if (leftAt !== undefined) remarks.push(remark('SHAPE_COARSE', { budget: leftAt }));
  if (tools.keepsFaces) remarks.push(...strayRemarks(laid, steps, { chain, drawnMm: tools.drawnMm }));
  const told = ontoTold(looked, over, { chain, tools });
  // facets have no folds of their own: those are looked for on the smooth surface
  const smooth = tools.onto
    ? chainOf(steps, { ...chain.frame, seconds: tools.seconds, onto: ontoOf({ ...tools.onto, together }, true) })
    : chain;
  remarks.push(...foldRemarks(looked, steps, smooth), ...(told?.remarks ?? []));
  return {
    clusters: made,
    remarks,
    onto: onto && { ...onto, report: told?.report },
    pull: {
      steps: steps.map(({ id }) => id),
      clusters: made,
      shaped: looked,
      together,
      frame: { box, earlier, outward: outward?.field },
      earlier: tools.earlier,
      isLaidOnNothing: isLaidOnNothing([...tools.earlier, ...steps], tools.onto?.grounds),
    },
  };
}

/** Of the budget: where shapes need more faces than that, they are made within twice the tolerance. */
const FEW = 1 / 8;
const LOOSER = 2;
const ROUGHLY = 1.3;

/** Shape steps in a row, and what they act on. */
interface ShapedRow {
  clusters: readonly SteppedCluster[];
  /** those that stay */
  kept: readonly number[];
  laid: readonly Shaped[];
  together: readonly (readonly number[])[];
  steps: readonly MovingStep[];
  chain: ShapeChain;
  box: Box3;
  outward: Outward | undefined;
}

interface ShapedRowDone {
  /** faces more than before */
  added: number;
  made: SteppedCluster[];
  looked: Shaped[];
  /** most faces of a cluster in which edges that the shape needs cut stayed longer */
  leftAt: number | undefined;
}

/**
 * Each cluster; 'many' as soon as they would have more faces than `fewFaces`, unless none would be cut. Undefined when
 * cancelled.
 */
async function shapeEach(
  row: ShapedRow,
  tools: ShapeTools,
  fewFaces: number,
): Promise<ShapedRowDone | 'many' | undefined> {
  const { clusters, kept, laid, together, steps, chain, outward } = row;
  // which way is outward depends on what is near
  const named = { key: nameOfChain(row, tools), of: chain };
  const done: ShapedRowDone = { added: 0, made: [], looked: [], leftAt: undefined };
  const timesMore = ontoLink(chain) ? MOST_TIMES : MOST_TIMES_SMOOTH;
  const smooth = ontoLink(chain) ? 0 : tools.faceBudget * FEW;
  const mostFaces = Math.floor(tools.faceBudget / Math.max(1, clusters.length));
  const { toleranceMm, rough } = tools;
  const mostOf = (i: number): number => {
    const faces = faceCount(laid[i].mesh);
    return Math.min(Math.max(mostFaces, 2 * faces), Math.max(timesMore * faces + MOST_MORE, smooth));
  };
  const rows = new Map(
    kept.map((i) => {
      const { x, y, z, key, mesh, restBy } = clusters[i];
      const inputs: ShapeInputs = {
        solid: { key, of: mesh },
        at: [x, y, z],
        restBy,
        feet: laid[i].feet,
        letters: picksLetters(steps) ? together[i] : undefined,
        chain: named,
        toleranceMm,
        capsMm: rough ? undefined : (toleranceMm ?? (outward && tools.drawnMm)),
        rough,
      };
      return [i, tools.shaped.row(inputs, { laid: laid[i], mostFaces: mostOf(i) })] as const;
    }),
  );
  await shapesTogether(row, tools, [...rows.values()]);
  for (const [i, asked] of rows) {
    if (tools.context.cancelled()) return undefined;
    const { letters, copied } = clusters[i];
    const faces = faceCount(laid[i].mesh);
    const most = asked.tools.mostFaces;
    const left = faces + fewFaces - done.added;
    const { key, of: part } = tools.shaped.take({
      ...asked,
      tools: { ...asked.tools, mostFaces: Math.min(most, left) },
    });
    if (left < most && part.isLeft) return 'many';
    done.added += faceCount(part.mesh) - faces;
    if (done.added > fewFaces && toleranceMm !== undefined) return 'many';
    if (part.isLeft) done.leftAt = Math.max(done.leftAt ?? 0, most);
    done.looked.push({ ...laid[i], mesh: part.mesh, rest: part.mesh.rest });
    done.made.push({ key, mesh: part.mesh, x: 0, y: 0, z: 0, letters, copied });
    await tools.context.breathe();
  }
  return done;
}

/** Fewer faces are shaped sooner than they are handed out. */
const WORTH_SHARING = 4000;

/** All clusters by all threads that there are, where the chain knows of nothing but its own steps. */
async function shapesTogether(
  { steps, box, outward }: ShapedRow,
  { context, shaped, seconds, earlier, onto }: ShapeTools,
  rows: readonly StageRow<ShapeInputs, ShapeBounds>[],
): Promise<void> {
  const facesOf = ({ tools }: StageRow<ShapeInputs, ShapeBounds>): number => faceCount(tools.laid.mesh);
  const faces = rows.reduce((sum, one) => sum + facesOf(one), 0);
  if (!context.crew || !isLaidOnNothing([...earlier, ...steps], onto?.grounds) || faces < WORTH_SHARING) return;
  const longestFirst = [...rows].sort((a, b) => facesOf(b) - facesOf(a));
  await shaped.fill(longestFirst, context.crew, {
    sent: ({ inputs: { chain, solid: _, ...inputs }, tools }): ShapeTask => ({
      ...{ inputs, tools },
      chain: {
        key: chain.key,
        of: { steps: [...steps], earlier: [...earlier], box, seconds, outward: outward?.grid() },
      },
    }),
  });
}

/** How far faces that stay as they are lie off what steps make of them. */
function strayRemarks(
  laid: readonly Shaped[],
  steps: readonly MovingStep[],
  { chain, drawnMm }: { chain: ShapeChain; drawnMm: number },
): Remark[] {
  const byMm = laid.reduce((most, one) => Math.max(most, strayOf(one, chain)), 0);
  return byMm > drawnMm ? [remark('SHAPE_STRAYS', { stepId: steps[0].id, byMm })] : [];
}

/** Which way is outward, and the grid that tells it, for other threads. */
interface Outward {
  field: OutwardField;
  grid(): FieldGrid;
}

/**
 * Which way is outward for all clusters at once, as softly as the highest step needs it; worked out when it is first
 * asked for.
 */
function outwardOf(laid: readonly Shaped[], steps: readonly MovingStep[]): Outward | undefined {
  const moving = steps.filter((step) => (outwardMm(step) ?? 0) !== 0);
  if (moving.length === 0) return undefined;
  let made: FieldGrid | undefined;
  const grid = (): FieldGrid =>
    (made ??= outwardGrid(
      laid.map(({ mesh }) => mesh),
      Math.max(...moving.map(outwardSigma)),
    ));
  let field: OutwardField | undefined;
  return { grid, field: (place) => (field ??= outwardField(grid()))(place) };
}

/** Equal letters at one place are told apart by who they are only where steps ask for that. */
const picksLetters = (steps: readonly MovingStep[]): boolean => steps.some((step) => lettersOf(step).length > 0);

export function laidBy(chain: ShapeChain, tools: OntoTools | undefined): Laid | undefined {
  const found = ontoLink(chain);
  const target = found && tools?.grounds.get(found.step.id)?.target;
  if (!found || !target) return undefined;
  const { step, map } = found;
  const hold = holdBefore(step, target);
  const stays = map.stays && { laid: [...map.stays.laid], grid: map.stays.flat.grid };
  return {
    stepId: step.id,
    targetId: step.target,
    grid: map.surface.grid,
    options: { ...map.options, rough: true },
    stays,
    hold,
    advice: adviceAt(target, hold, map.options.box),
  };
}

/**
 * Laid on something, faces were made as fine as sampling told: what needs so many more has no smooth surface, and would
 * take a minute.
 */
const MOST_TIMES = 4;
/** Other shapes are smooth, but what they shape may have been cut: then its faces are as large as its flat sides. */
const MOST_TIMES_SMOOTH = 100;
const MOST_MORE = 20_000;

/**
 * All that a chain knows: its steps and those before it, the box they act on, what they lie on, which way is outward.
 */
function nameOfChain(
  { steps, box, outward, clusters, together }: ShapedRow,
  { seconds, earlier, onto }: ShapeTools,
): string {
  const all = [...earlier, ...steps];
  return keyOf('chain', {
    steps: all.map((step) => valuesOfStep(atTime(step, seconds))),
    earlier: earlier.length,
    box,
    lying: onto && lyingOf(all, { ...onto, together }),
    outward: outward && clustersKey(clusters),
  });
}

/** All that steps know of what they lie on; nothing where none does. */
function lyingOf(steps: readonly MovingStep[], { grounds, maps: _, steps: all, together, ...how }: OntoTools) {
  const laying = steps.filter(({ id }) => grounds.has(id));
  if (laying.length === 0) return undefined;
  const on = laying.map((step) => [grounds.get(step.id)?.key, standsFlat(all, step)]);
  return { ...how, on, together: picksLetters(laying) ? together : undefined };
}

const NONE_OVER: Over = { letters: new Set(), share: 1 };

/** Clusters that stay: not those beyond the end of a line, nor those beside a model where that is wished. */
function keptOf(
  laid: readonly Shaped[],
  chain: ShapeChain,
  { clusters, letters, rough }: { clusters: readonly SteppedCluster[]; letters: readonly Letter[]; rough: boolean },
): { kept: number[]; remarks: Remark[]; over: Over } {
  const isOff = beyondLine(chain);
  const leaves = ontoLink(chain)?.step.overhang === 'leave';
  const over = rough && !leaves ? NONE_OVER : overhanging(laid, chain);
  const all = [...clusters.keys()];
  const gone = all.filter((i) => isOff(laid[i])).flatMap((i) => clusters[i].letters);
  const remarks = gone.length > 0 ? [remark('LINE_ENDS', { letters: textsOf([...new Set(gone)], letters) })] : [];
  const isLeft = (i: number): boolean =>
    isOff(laid[i]) || (leaves && laid[i].letters.some((id) => over.letters.has(id)));
  return { kept: all.filter((i) => !isLeft(i)), remarks, over };
}

function ontoTold(
  looked: readonly Shaped[],
  over: Over,
  { chain, tools }: { chain: ShapeChain; tools: ShapeTools },
): ReturnType<typeof toldOfOnto> | undefined {
  const found = ontoLink(chain);
  const ground = found && tools.onto?.grounds.get(found.step.id);
  // what cuts is told of by what it cuts
  if (!found || !ground || !tools.onto || tools.onto.isCutter) return undefined;
  const { toleranceMm } = tools.onto;
  const look = { ...found, chain, target: ground.target, toleranceMm, letters: tools.letters };
  return toldOfOnto(
    looked,
    found.step.method === 'flat' ? { letters: overBorder(looked, look), share: 1 } : over,
    look,
  );
}

/** In piece space, with what its letters are. */
function shapedOf(cluster: SteppedCluster, layout: readonly Letter[]): Shaped {
  const { mesh, x, y, z, letters, copied } = cluster;
  const rest = restOf(cluster);
  const placed = placedMesh(mesh, [x, y, z]);
  const feet = letters.map((i) => plusShift(footOf(layout[i]), copied ?? [0, 0, 0]));
  return {
    mesh: placed,
    rest,
    ...(rest && { start: placed.positions }),
    letters: letters.map((i) => layout[i].id),
    feet,
  };
}

/** Equal letters share their mesh: so many places of one are kept. */
const MOST_PLACES = 32;
const placesOf = keptBy((_: PolygonMesh) => new Map<string, PolygonMesh>());

/** The same object each time, so that all that is kept of it holds while values of steps change. */
function placedMesh(mesh: PolygonMesh, shift: Vec3): PolygonMesh {
  if (shift.every((mm) => mm === 0)) return mesh;
  const places = placesOf(mesh);
  const name = shift.join(' ');
  const known = places.get(name);
  if (known) return known;
  const placed = { ...mesh, positions: mesh.positions.map((v, i) => v + shift[i % 3]) };
  if (places.size >= MOST_PLACES) places.clear();
  places.set(name, placed);
  return placed;
}

const restBox = ({ mesh, rest }: Shaped): Box3 => boxOfPoints(rest ?? mesh.positions);

function foldRemarks(laid: readonly Shaped[], steps: readonly MovingStep[], chain: ShapeChain): Remark[] {
  return foldsOf(laid, steps, chain).map(({ stepId, kind, place: [xMm, yMm, zMm], limit, touches }) =>
    touches
      ? remark('SHAPE_TOUCHES', { stepId, limit: limit ?? 0 })
      : remark('SHAPE_FOLDS', { stepId, step: kind, xMm, yMm, zMm, limit }),
  );
}

/** Letters whose foot lies beyond the end of a line that they run along, where it ends for them. */
function beyondLine(chain: ShapeChain): (shaped: Shaped) => boolean {
  const found = runOf(chain);
  if (!found || found.step.ends !== 'stop') return () => false;
  const { at, map } = found;
  return ({ feet }) =>
    feet.length > 0 &&
    feet.every((foot) => {
      const reach = map.reach(chain.at(plainPoint(foot), at));
      return reach < 0 || reach > map.used;
    });
}
