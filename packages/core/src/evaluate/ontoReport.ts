import type { OntoStep } from '../steps/index.ts';
import { remark, type LaidBetter, type Remark } from '../base/index.ts';
import { textsOf } from '../lettering/index.ts';
import { minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { meshPoints, meshRows, type ShapeChain, type Shaped } from '../shape/index.ts';
import {
  adviceAt,
  BESIDE,
  degreesOff,
  distortionAt,
  type Distortion,
  flatRoom,
  gapAt,
  girthOf,
  mapOf,
  OntoMap,
  type Advice,
  type Hold,
  type OntoOptions,
  type SurfaceGrid,
  type Target,
} from '../surface/index.ts';
import type { Letter } from '../text/index.ts';
import { HELD_BEFORE_MM, holdBefore, sidePlaceAt } from './holdOf.ts';

/** A piece on another one: which, and how it is laid, so that what is drawn on letters can follow without the model. */
export interface Laid {
  stepId: string;
  targetId: string;
  grid: SurfaceGrid;
  options: OntoOptions;
  /** where only some letters are laid */
  stays?: { laid: readonly number[]; grid: SurfaceGrid };
  /** how the flat plane is held before it */
  hold: Hold;
  /** how it lies best there; undefined where nothing is met */
  advice?: Advice;
  /** undefined in previews */
  report?: OntoReport;
}

/** How true lettering came onto a model: the largest of all its letters. */
export interface OntoReport {
  /** of lengths on the surface against flat ones, in the direction where they differ most */
  lengthPercent: number;
  /** between across and up, against a right angle */
  angleDegrees: number;
  /** of the front's height over the surface against the flat depth */
  thicknessPercent: number;
  /**
   * letters of which a part lies under the surface, or the back over it; where nothing moves them after they were laid
   */
  sunk: number;
  floating: number;
  /** letters over an edge or beside the model */
  beside: number;
}

export interface OntoTold {
  report: OntoReport;
  remarks: Remark[];
  /** ids of letters that hang over an edge or beside the model */
  over: ReadonlySet<number>;
}

/** Points that are looked at. */
const MOST_POINTS = 4000;
/** Of a cell's area: less is told. */
const SQUEEZED = 0.5;

export interface OntoLook {
  step: OntoStep;
  chain: ShapeChain;
  /** links before the step's own */
  at: number;
  target: Target;
  toleranceMm: number;
  letters: readonly Letter[];
}

/** Where a chain lays a piece onto another; undefined where it does not. */
export function ontoLink({ links }: ShapeChain): { step: OntoStep; map: OntoMap; at: number } | undefined {
  const at = links.findIndex(({ map }) => map instanceof OntoMap);
  return at < 0 ? undefined : { step: links[at].steps[0] as OntoStep, map: links[at].map as OntoMap, at };
}

/** The map that a piece was laid by, from the grid alone. */
export const laidMap = ({ grid, options, stays }: Laid): OntoMap =>
  new OntoMap(mapOf(grid), options, stays && { laid: new Set(stays.laid), flat: mapOf(stays.grid) });

/** Letters that hang over. */
export interface Over {
  /** their ids */
  letters: ReadonlySet<number>;
  /** of the size, about where the plane is held: so large none does */
  share: number;
}

/** Letters of which a part lies beside the model. */
export function overhanging(shaped: readonly Shaped[], chain: ShapeChain): Over {
  const found = ontoLink(chain);
  const letters = new Set<number>();
  let share = 1;
  if (!found) return { letters, share };
  const { map, at: links } = found;
  eachPoint(
    shaped,
    ({ at, point: { letter, foot } }) => {
      const isBeside = (x: number, y: number): boolean => map.surface.rough(x, y, foot[1]).off > BESIDE;
      if (!map.lays(letter) || !isBeside(at[0], at[1])) return;
      letters.add(letter);
      share = map.shareUntil(at, share, isBeside);
    },
    { chain, links },
  );
  return { letters, share };
}

function lessen(into: Map<number, number>, key: number, value: number): void {
  into.set(key, Math.min(value, into.get(key) ?? Infinity));
}

/** What is told of a shaped piece. `shaped`: with the places it has come to. */
export function toldOfOnto(shaped: readonly Shaped[], over: Over, look: OntoLook): OntoTold {
  const { step, chain, target, toleranceMm } = look;
  const map = chain.links[look.at].map as OntoMap;
  const sunk = new Map<number, number>();
  const floating = new Map<number, number>();
  const squeezed = new Map<number, number>();
  const report = { lengthPercent: 0, angleDegrees: 0, thicknessPercent: 0 };
  let roomiest = 1;
  const isLast = look.at === chain.links.length - 1;
  eachPoint(
    shaped,
    ({ point, at, place }) => {
      if (over.letters.has(point.letter) || !map.lays(point.letter)) return;
      const distortion = (x: number, y: number): Distortion => distortionAt(map.surface, x, y, point.foot[1]);
      const { longest, shortest, skew, area } = distortion(at[0], at[1]);
      if (!step.rigid) {
        report.lengthPercent = Math.max(
          report.lengthPercent,
          100 * Math.abs(longest - 1),
          100 * Math.abs(shortest - 1),
        );
        report.angleDegrees = Math.max(report.angleDegrees, degreesOff(skew));
        if (area < SQUEEZED) {
          lessen(squeezed, point.letter, 100 * area);
          roomiest = map.shareUntil(at, roomiest, (x, y) => distortion(x, y).area < SQUEEZED);
        }
      }
      if (!isLast) return;
      const gap = gapAt(map, target, { flat: at, place });
      if (gap < 0) lessen(sunk, point.letter, gap);
      if (gap > 0) lessen(floating, point.letter, -gap);
      const high = map.heightOf(at[2]);
      if (high > toleranceMm && at[2] >= chain.box.high[2] - 1e-9)
        report.thicknessPercent = Math.max(report.thicknessPercent, 100 * Math.abs(target.heightOf(place) / high - 1));
    },
    { chain, links: look.at },
  );
  return {
    report: { ...report, sunk: sunk.size, floating: floating.size, beside: over.letters.size },
    over: over.letters,
    remarks: ontoRemarks(look, { over, squeezed, roomiest, sunk, floating }),
  };
}

/** By the ids of letters; the worst place of each. */
interface LaidFaults {
  over: Over;
  squeezed: ReadonlyMap<number, number>;
  /** share of the size at which nothing is squeezed */
  roomiest: number;
  sunk: ReadonlyMap<number, number>;
  floating: ReadonlyMap<number, number>;
}

function ontoRemarks(look: OntoLook, { over, squeezed, roomiest, sunk, floating }: LaidFaults): Remark[] {
  const { step, letters } = look;
  const { id: stepId, overhang: instead, method } = step;
  const named = (ids: ReadonlyMap<number, number> | ReadonlySet<number>): { stepId: string; letters: string } => {
    const told = [...letters.keys()].filter((i) => ids.has(letters[i].id));
    return { stepId, letters: textsOf(told, letters) };
  };
  const worst = (of: ReadonlyMap<number, number>): number => Math.min(...of.values());
  // looks at the surface once more, so only where there is something to tell
  const better = sunk.size + floating.size > 0 ? betterLaid(look, sunk.size > 0 ? -worst(sunk) : 0) : 'lift';
  const remarks = overfull(look);
  const beside = named(over.letters);
  if (over.letters.size > 0 && method === 'flat') remarks.push(borderRemark(look, beside.letters));
  if (over.letters.size > 0 && method !== 'flat')
    remarks.push(remark('ONTO_OVERHANGS', { ...beside, instead, sizePercent: fitting(over.share) }));
  if (squeezed.size > 0)
    remarks.push(
      remark('ONTO_FOLDS', { ...named(squeezed), percent: worst(squeezed), sizePercent: fitting(roomiest) }),
    );
  if (sunk.size > 0) remarks.push(remark('ONTO_SINKS', { ...named(sunk), better, byMm: -worst(sunk) }));
  if (floating.size > 0) remarks.push(remark('ONTO_FLOATS', { ...named(floating), better, byMm: -worst(floating) }));
  return remarks;
}

/** Where a line that goes round a model meets itself. */
function overfull({ step: { id: stepId, method, letters }, chain, at }: OntoLook): Remark[] {
  if (method !== 'round' || letters.length > 0) return [];
  const { surface, options } = chain.links[at].map as OntoMap;
  const girth = girthOf(surface, options.box);
  if (girth === undefined) return [];
  return [
    remark('ONTO_OVERFULL', { stepId, sizePercent: fitting(girth / (options.box.high[0] - options.box.low[0])) }),
  ];
}

/** Letters that lie flat, parts of which have nothing under them. */
export function overBorder(
  shaped: readonly Shaped[],
  { chain, at, target }: Pick<OntoLook, 'chain' | 'at' | 'target'>,
): Set<number> {
  const map = chain.links[at].map as OntoMap;
  const over = new Set<number>();
  eachPoint(
    shaped,
    ({ point, place, at: flat }) => {
      if (over.has(point.letter) || !map.lays(point.letter)) return;
      const { normal } = map.surface.rough(flat[0], flat[1], point.foot[1]);
      const back = normal.map((v) => 0 - v) as Vec3;
      if (!target.hit(plus(place, normal, target.diagonal), back)) over.add(point.letter);
    },
    { chain, links: at },
  );
  return over;
}

/** What letters that sink or float need. */
function betterLaid({ step, chain, at, target }: OntoLook, sunkMm: number): LaidBetter {
  if (step.rigid) return 'bending';
  const { box, lift } = (chain.links[at].map as OntoMap).options;
  // laid round an edge letters dig into the body as far as they are high: lifted they dig deeper
  if (step.method === 'round' && sunkMm > DIGS * (box.high[2] - box.low[2] + lift)) return 'direction';
  const advice = step.method === 'flat' ? adviceAt(target, holdBefore(step, target), box) : undefined;
  return advice && advice.method !== 'flat' ? advice.method : 'lift';
}

/** Percent of the size, a little under the share at which words just fit. */
const fitting = (share: number): number => 100 * SHORT_OF * share;

/** Of the height of letters. */
const DIGS = 0.9;

/** Of the room: as much as words are made smaller than it, so that they end short of its border. */
const SHORT_OF = 0.98;

/** With the way to where there is room, or how much smaller they have to be. */
function borderRemark({ step, chain, at, target }: OntoLook, letters: string): Remark {
  const told = { stepId: step.id, letters };
  const { box, toleranceMm } = (chain.links[at].map as OntoMap).options;
  const [wide, tall] = [box.high[0] - box.low[0], box.high[1] - box.low[1]];
  const hold = holdBefore(step, target);
  const room = step.heldBy === 'middle' && flatRoom(target, hold, { wide, tall, toleranceMm });
  if (!room) return remark('ONTO_BORDER', told);
  if (room.scale <= 1)
    return remark('ONTO_BORDER', { ...told, sizePercent: 100 * SHORT_OF * Math.max(room.scaleHere, 0) || undefined });
  const held = target.hit(hold.from, unit(hold.toward))?.at ?? room.at;
  const fromMm = plus(room.at, room.axes.out, HELD_BEFORE_MM);
  const side = step.place.kind === 'side' ? sidePlaceAt(room.at, room.axes.out, target.box) : undefined;
  const onSide = side && { acrossMm: side.acrossMm, upMm: side.upMm };
  return remark('ONTO_BORDER', { ...told, moveMm: sizeOf(minus(room.at, held)), fromMm, ...onSide });
}

type ReportPoint = ReturnType<ReturnType<typeof meshPoints>['of']>;

interface Visited {
  point: ReportPoint;
  /** where it comes to the link, and where it has come to in the end */
  at: Vec3;
  place: Vec3;
}

/** Some points of meshes: where they come to a link, and where they have come to in the end. */
function eachPoint(
  shaped: readonly Shaped[],
  visit: (one: Visited) => void,
  { chain, links }: { chain: ShapeChain; links: number },
): void {
  const total = shaped.reduce((sum, { mesh }) => sum + mesh.positions.length / 3, 0);
  const stride = Math.max(1, Math.ceil(total / MOST_POINTS));
  for (const one of shaped) {
    const points = meshPoints(meshRows(one));
    const p = one.mesh.positions;
    for (let v = 0; v < points.count; v += stride) {
      const point = points.of(v);
      visit({ point, at: chain.at(point, links), place: [p[3 * v], p[3 * v + 1], p[3 * v + 2]] });
    }
  }
}
