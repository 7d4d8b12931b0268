import { remark, type LaidBetter, type Remark } from '../base/index.ts';
import type { OntoStep } from '../document/index.ts';
import { textsOf } from '../lettering/index.ts';
import { minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { meshPoints, type ShapeChain, type Shaped } from '../shape/index.ts';
import {
  adviceAt,
  BESIDE,
  degreesOff,
  distortionAt,
  flatRoom,
  gapAt,
  mapOf,
  OntoMap,
  type Advice,
  type Hold,
  type OntoOptions,
  type SurfaceGrid,
  type Target,
} from '../surface/index.ts';
import type { Letter } from '../text/index.ts';
import { HELD_BEFORE_MM, holdOf, sidePlaceAt } from './holdOf.ts';

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
  /** letters of which a part lies under the surface, or the back over it; where nothing moves them after they were laid */
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

/** Letters of which a part lies beside the model. */
export function overhanging(shaped: readonly Shaped[], chain: ShapeChain): Set<number> {
  const found = ontoLink(chain);
  const over = new Set<number>();
  if (!found) return over;
  eachPoint(shaped, ({ point, at: place }) => {
    if (found.map.lays(point.letter) && found.map.surface.rough(place[0], place[1], point.foot[1]).off > BESIDE) over.add(point.letter);
  }, { chain, links: found.at }); // prettier-ignore
  return over;
}

/** What is told of a shaped piece. `shaped`: with the places it has come to. */
export function toldOfOnto(shaped: readonly Shaped[], over: ReadonlySet<number>, look: OntoLook): OntoTold {
  const { step, chain, target, toleranceMm, letters } = look;
  const map = chain.links[look.at].map as OntoMap;
  const sunk = new Map<number, number>();
  const floating = new Map<number, number>();
  const squeezed = new Map<number, number>();
  const report = { lengthPercent: 0, angleDegrees: 0, thicknessPercent: 0 };
  const isLast = look.at === chain.links.length - 1;
  const worse = (into: Map<number, number>, letter: number, value: number): void => {
    into.set(letter, Math.min(value, into.get(letter) ?? Infinity));
  };
  eachPoint(shaped, ({ point, at, place }) => {
    if (over.has(point.letter) || !map.lays(point.letter)) return;
    const { longest, shortest, skew, area } = distortionAt(map.surface, at[0], at[1], point.foot[1]);
    if (!step.rigid) {
      report.lengthPercent = Math.max(report.lengthPercent, 100 * Math.abs(longest - 1), 100 * Math.abs(shortest - 1));
      report.angleDegrees = Math.max(report.angleDegrees, degreesOff(skew));
      if (area < SQUEEZED) worse(squeezed, point.letter, 100 * area);
    }
    if (!isLast) return;
    const gap = gapAt(map, target, { flat: at, place });
    if (gap < 0) worse(sunk, point.letter, gap);
    if (gap > 0) worse(floating, point.letter, -gap);
    const high = map.heightOf(at[2]);
    if (high > toleranceMm && at[2] >= chain.box.high[2] - 1e-9) report.thicknessPercent = Math.max(report.thicknessPercent, 100 * Math.abs(target.heightOf(place) / high - 1));
  }, { chain, links: look.at }); // prettier-ignore
  const named = (ids: Iterable<number>): string => {
    const told = new Set(ids);
    return textsOf(
      [...letters.keys()].filter((i) => told.has(letters[i].id)),
      letters,
    );
  };
  // looks at the surface once more, so only where there is something to tell
  const better = sunk.size + floating.size > 0 ? betterLaid(look) : 'lift';
  return {
    report: { ...report, sunk: sunk.size, floating: floating.size, beside: over.size },
    over,
    remarks: [
      ...(over.size > 0
        ? [
            step.method === 'flat'
              ? borderRemark(look, named(over))
              : remark('ONTO_OVERHANGS', { letters: named(over), instead: step.overhang }),
          ]
        : []),
      ...(squeezed.size > 0 ? [remark('ONTO_FOLDS', { letters: named(squeezed.keys()), percent: Math.min(...squeezed.values()) })] : []), // prettier-ignore
      ...(sunk.size > 0
        ? [
            remark('ONTO_SINKS', {
              stepId: step.id,
              better,
              letters: named(sunk.keys()),
              byMm: -Math.min(...sunk.values()),
            }),
          ]
        : []),
      ...(floating.size > 0
        ? [
            remark('ONTO_FLOATS', {
              stepId: step.id,
              better,
              letters: named(floating.keys()),
              byMm: -Math.min(...floating.values()),
            }),
          ]
        : []),
    ],
  };
}

/** Letters that lie flat, parts of which have nothing under them. */
export function overBorder(
  shaped: readonly Shaped[],
  { chain, at, target }: Pick<OntoLook, 'chain' | 'at' | 'target'>,
): Set<number> {
  const map = chain.links[at].map as OntoMap;
  const over = new Set<number>();
  eachPoint(shaped, ({ point, place, at: flat }) => {
    if (over.has(point.letter) || !map.lays(point.letter)) return;
    const { normal } = map.surface.rough(flat[0], flat[1], point.foot[1]);
    const back = normal.map((v) => 0 - v) as Vec3;
    if (!target.hit(plus(place, normal, target.diagonal), back)) over.add(point.letter);
  }, { chain, links: at }); // prettier-ignore
  return over;
}

/** What letters that sink or float need. */
function betterLaid({ step, chain, at, target }: OntoLook): LaidBetter {
  if (step.rigid) return 'bending';
  const { box } = (chain.links[at].map as OntoMap).options;
  const advice = step.method === 'flat' ? adviceAt(target, holdOf(step, target.box), box) : undefined;
  return advice && advice.method !== 'flat' ? advice.method : 'lift';
}

/** Of the room: as much as words are made smaller than it, so that they end short of its border. */
const SHORT_OF = 0.98;

/** With the way to where there is room, or how much smaller they have to be. */
function borderRemark({ step, chain, at, target }: OntoLook, letters: string): Remark {
  const told = { stepId: step.id, letters };
  const { box, toleranceMm } = (chain.links[at].map as OntoMap).options;
  const [wide, tall] = [box.high[0] - box.low[0], box.high[1] - box.low[1]];
  const hold = holdOf(step, target.box);
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

type Point = ReturnType<ReturnType<typeof meshPoints>['of']>;

/** Some points of meshes: where they come to a link, and where they have come to in the end. */
function eachPoint(
  shaped: readonly Shaped[],
  visit: (at: { point: Point; at: Vec3; place: Vec3 }) => void,
  { chain, links }: { chain: ShapeChain; links: number },
): void {
  const total = shaped.reduce((sum, { mesh }) => sum + mesh.positions.length / 3, 0);
  const stride = Math.max(1, Math.ceil(total / MOST_POINTS));
  for (const one of shaped) {
    const points = meshPoints(one);
    const p = one.mesh.positions;
    for (let v = 0; v < points.count; v += stride) {
      const point = points.of(v);
      visit({ point, at: chain.at(point, links), place: [p[3 * v], p[3 * v + 1], p[3 * v + 2]] });
    }
  }
}
