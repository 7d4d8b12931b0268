import { keyOf } from '../base/index.ts';
import type { CutStep } from '../steps/index.ts';
import type { SolidShape } from '../lettering/index.ts';
import { edgeRows, flareEdge, lipWidth, type EdgeShape } from '../solid/index.ts';
import type { Drape } from '../surface/index.ts';
import type { pieceShape } from './pieceShape.ts';

type Shape = ReturnType<typeof pieceShape>;

/** How lettering is built that cuts another piece, instead of as it looks by itself. Lengths in mm. */
export interface CutShape {
  /** names it */
  key: string;
  /** how far its back lies behind its zero; undefined: as the words say */
  behindMm: number | undefined;
  /** how much lower it is laid than the words lie */
  lowerMm: number;
  change(shape: Shape): Shape;
  /** laid on the smooth surface instead of on its facets */
  isSmooth?: boolean;
  /** the middle of the words as they look, by which they are held */
  heldMm?: readonly [number, number];
  /** flat, with a rim that follows the surface */
  drape?: Drape;
}

export interface CutRoom {
  /**
   * how far a cutter stands out over the surface, or what is raised reaches under it, so that nothing ends in the
   * surface itself
   */
  overMm: number;
  /** how far the words are lifted off the surface */
  liftMm: number;
  /** as little as keeps a front that lies exactly in the surface from being neither in nor out */
  hairMm: number;
  /** how much farther a flat one has to stand out, over what rises through its plane */
  riseMm: number;
  /** through everything, from the surface on */
  throughMm: number;
}

const PLAIN: EdgeShape = { kind: 'plain', inMm: 0, deepMm: 0, steps: 1 };
/** Long walls are divided: in one piece and askew they cost the kernel thirty times as much (docs/geometry.md). */
const THROUGH_DIVISIONS = 16;

type SolidChange = (solid: SolidShape) => SolidShape;

/** The same change for all letters, those with a solid of their own too. */
const each =
  ({ softMm }: CutStep, change: SolidChange) =>
  (shape: Shape): Shape => ({
    ...shape,
    solid: change(shape.solid),
    ownSolids: new Map([...shape.ownSolids].map(([id, solid]) => [id, change(solid)])),
    ...(softMm > 0 && { corners: 'round' as const }),
    along: undefined,
  });

/** A hair narrower than drawn: the drawn outline is a row of the cutter, which may not lie in the surface itself. */
const widerBy = ({ softSide, softMm }: CutStep, { overMm, hairMm }: CutRoom): number =>
  softSide === 'inward' && softMm > 0 ? lipWidth({ radius: softMm, over: overMm + hairMm }) : 0;

/** From the surface down, however the words are lifted: that moves the floor alone. */
const sunkBy =
  (step: CutStep, room: CutRoom) =>
  (belowMm: number, rest: Partial<SolidShape>): SolidChange =>
  (solid) => ({
    depthMm: Math.max(belowMm - room.liftMm, room.hairMm) + room.overMm + room.riseMm,
    front: lengthened(softRim(step, room.overMm), room.riseMm),
    back: PLAIN,
    shiftMm: (solid.shiftMm ?? 0) + widerBy(step, room),
    ...rest,
  });

/** With a root in the body, as deep as keeps the words from hanging on an edge. */
const raisedBy =
  (step: CutStep, room: CutRoom, root: number): SolidChange =>
  (solid) => ({
    ...solid,
    depthMm: solid.depthMm + root,
    front: leaning(solid, step.leanPercent),
    back: softRim(step, room.overMm, Math.max(0, root - room.liftMm - room.overMm)),
    shiftMm: (solid.shiftMm ?? 0) + widerBy(step, room),
    swell: solid.swell && { ...solid.swell, backMm: 0 },
  });

export function cutShape(step: CutStep, room: CutRoom): CutShape {
  const { operation, sinkMm, softMm, softSteps, softSide, leanPercent } = step;
  const key = keyOf('cut shape', [operation, sinkMm, softMm, softSteps, softSide, leanPercent, room]);
  const { overMm, riseMm, hairMm } = room;
  const sunk = sunkBy(step, room);
  switch (operation) {
    case 'engrave':
      return {
        key,
        behindMm: sinkMm,
        lowerMm: sinkMm,
        change: each(step, (solid) => sunk(sinkMm, { back: roundedFloor(solid) })(solid)),
      };
    case 'through':
      return {
        key,
        behindMm: room.throughMm,
        lowerMm: room.throughMm,
        change: each(step, sunk(room.throughMm, { side: DIVIDED })),
        ...(softMm > 0 && { drape: { riseMm, overMm } }),
      };
    case 'imprint':
      return { key, behindMm: overMm, lowerMm: overMm, change: each(step, sunk(overMm, {})) };
    case 'raise': {
      const root = Math.max(overMm, sinkMm);
      return { key, behindMm: root, lowerMm: root, change: each(step, raisedBy(step, room, root)) };
    }
    default:
      return {
        key,
        behindMm: undefined,
        lowerMm: operation === 'join' ? Math.max(overMm, sinkMm) : sinkMm - hairMm,
        change: (shape) => shape,
      };
  }
}

const DIVIDED = { kind: 'straight', amountMm: 0, steps: 1, divisions: THROUGH_DIVISIONS } as const;

/** The mouth of a bell where a rounding is asked for; `deeper`: how far its cap lies beyond where it ends. */
function softRim({ softMm, softSteps }: CutStep, over: number, deeper = 0): EdgeShape {
  return softMm > 0 ? lengthened(flareEdge({ radius: softMm, over, steps: softSteps }), deeper) : PLAIN;
}

/** The cap farther out; the outmost row goes straight up to it. */
function lengthened(edge: EdgeShape, by: number): EdgeShape {
  if (edge.kind !== 'rows' || by === 0) return edge;
  return {
    kind: 'rows',
    rows: [edge.rows[0], ...edge.rows.map(({ inMm, downMm }) => ({ inMm, downMm: downMm + by }))],
  };
}

/** The floor ends as the words' front does. */
const roundedFloor = ({ front }: SolidShape): EdgeShape => (front.kind === 'rows' ? PLAIN : front);

/** A front edge on walls that lean from the foot up. */
function leaning({ front, depthMm }: SolidShape, percent: number): EdgeShape {
  if (percent === 0 || depthMm === 0) return front;
  const rows = edgeRows(front);
  const all = rows.length > 0 ? rows : [{ inMm: 0, downMm: 0 }];
  const lean = percent / 100;
  const leaned = all.map(({ inMm, downMm }) => ({ inMm: inMm + lean * (depthMm - downMm), downMm }));
  return { kind: 'rows', rows: [...leaned, { inMm: 0, downMm: depthMm }] };
}
