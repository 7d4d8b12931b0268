import { aroundBoxes, groundOf, middleOfBox, sizeOfBox, type Box3, type Piece, type Placement } from '@fictile/core';

/** Around a piece as it stands; undefined while it has no solid. */
export type BoxOf = (pieceId: string) => Box3 | undefined;

type PlaceOf = (piece: Piece) => Partial<Placement>;

/** Room between pieces side by side, as a share of their height. */
const GAP = 0.25;

/**
 * All of them together, their middles across on the other's, and upright too, or in depth for what stands on the table.
 */
export function centredOn(pieces: readonly Piece[], other: Piece, boxOf: BoxOf): PlaceOf {
  const [own, its] = boxes(pieces, other, boxOf);
  if (!own || !its) return stays;
  const [x, y, z] = betweenMiddles(own, its);
  return (piece) => shifted(piece, piece.placement.stand === 'table' ? [x, 0, z] : [x, y, 0]);
}

/** To the right of the other, feet on one height and middles in one depth. */
export function setBeside(pieces: readonly Piece[], other: Piece, boxOf: BoxOf): PlaceOf {
  const [own, its] = boxes(pieces, other, boxOf);
  if (!own || !its) return stays;
  const gap = sizeOfBox(its)[1] * GAP;
  const by = [its.high[0] + gap - own.low[0], its.low[1] - own.low[1], betweenMiddles(own, its)[2]];
  return (piece) => shifted(piece, by);
}

/** Copies of some pieces, to the right of them; what stands on a body goes where that goes. */
export function besideOriginals(pieces: readonly Piece[], boxOf: BoxOf): PlaceOf {
  const own = around(pieces, boxOf);
  if (!own) return stays;
  const [width, height] = sizeOfBox(own);
  const by = width + height * GAP;
  return (piece) => (groundOf(piece) === undefined ? shifted(piece, [by, 0, 0]) : {});
}

const stays: PlaceOf = () => ({});

const betweenMiddles = (from: Box3, to: Box3): number[] => {
  const middle = middleOfBox(from);
  return middleOfBox(to).map((v, k) => v - middle[k]);
};

function boxes(pieces: readonly Piece[], other: Piece, boxOf: BoxOf): [Box3 | undefined, Box3 | undefined] {
  return [around(pieces, boxOf), boxOf(other.id)];
}

const around = (pieces: readonly Piece[], boxOf: BoxOf): Box3 | undefined =>
  pieces
    .map((piece) => boxOf(piece.id))
    .filter((box) => box !== undefined)
    .reduce<Box3 | undefined>((so, box) => (so ? aroundBoxes(so, box) : box), undefined);

const shifted = ({ placement: { atMm } }: Piece, by: readonly number[]): Partial<Placement> => ({
  atMm: atMm.map((v, k) => Math.round((v + by[k]) * 100) / 100 + 0) as Placement['atMm'],
});
