import {
  aroundBoxes,
  isGroup,
  middleOfBox,
  sizeOfBox,
  transformPoints,
  turnedBack,
  STILL,
  type Box3,
  type Item,
  type Placement,
  type Transform,
  type Vec3,
} from '@fictile/core';

/** Around a piece as it stands; undefined while it has no solid. */
export type BoxOf = (pieceId: string) => Box3 | undefined;

/** How things stand that are moved together. */
export interface Aligned {
  /** around all of them */
  own: Box3 | undefined;
  /** where what is said of the place of one counts from */
  frameOf: (item: Item) => Transform | undefined;
  /** it stands where another piece does */
  lies: (item: Item) => boolean;
}

type PlaceSaid = Partial<Pick<Placement, 'atMm' | 'stand'>>;
type PlaceOf = (item: Item) => PlaceSaid;

/** Room between pieces side by side, as a share of their height. */
const GAP = 0.25;

const onTable = (item: Item): boolean => !isGroup(item) && item.placement.stand === 'table';

/**
 * All of them together, their middles across on the other's, and upright too, or in depth for what stands on the table.
 */
export function centredOn({ own, frameOf }: Aligned, its: Box3 | undefined): PlaceOf {
  if (!own || !its) return stays;
  const [x, y, z] = betweenMiddles(own, its);
  return (item) => shifted(item, onTable(item) ? [x, 0, z] : [x, y, 0], frameOf(item));
}

/** To the right of the other, feet on one height and middles in one depth. */
export function setBeside({ own, frameOf }: Aligned, its: Box3 | undefined): PlaceOf {
  if (!own || !its) return stays;
  const gap = sizeOfBox(its)[1] * GAP;
  const by = [its.high[0] + gap - own.low[0], its.low[1] - own.low[1], betweenMiddles(own, its)[2]];
  return (item) => shifted(item, by, frameOf(item));
}

/** How far something is moved that comes to the right of where it stands. */
export function besideItself(own: Box3): Vec3 {
  const [width, height] = sizeOfBox(own);
  return [width + height * GAP, 0, 0];
}

/** Copies, to the right of what they are copies of; what stands on a body goes where that goes. */
export function besideOriginals({ own, frameOf, lies }: Aligned): PlaceOf {
  if (!own) return stays;
  const by = besideItself(own);
  return (item) => (lies(item) ? {} : shifted(item, by, frameOf(item)));
}

/** Pieces stand on the table from now on; a group is let down once. */
export function putOnTable({ own, frameOf }: Aligned): PlaceOf {
  return (item) => {
    if (!isGroup(item)) return { stand: 'table', atMm: [item.placement.atMm[0], 0, item.placement.atMm[2]] };
    return own ? shifted(item, [0, -own.low[1], 0], frameOf(item)) : {};
  };
}

const stays: PlaceOf = () => ({});

const betweenMiddles = (from: Box3, to: Box3): number[] => {
  const middle = middleOfBox(from);
  return middleOfBox(to).map((v, k) => v - middle[k]);
};

/** Around several pieces as they stand. */
export const around = (ids: readonly string[], boxOf: BoxOf): Box3 | undefined =>
  ids
    .map(boxOf)
    .filter((box) => box !== undefined)
    .reduce<Box3 | undefined>((so, box) => (so ? aroundBoxes(so, box) : box), undefined);

/** Moved in the scene, which is said as its frame has it. */
function shifted({ placement: { atMm } }: Item, by: readonly number[], frame: Transform = STILL): PlaceSaid {
  const back = turnedBack({ rows: frame.rows, move: [0, 0, 0] }, STILL);
  const own = transformPoints(back, Float64Array.from(by));
  return { atMm: atMm.map((v, k) => Math.round((v + own[k]) * 100) / 100 + 0) as Placement['atMm'] };
}
