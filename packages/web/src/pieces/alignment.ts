import { groundOf, type Piece, type Placement } from '@fictile/core';

/** A box along the axes, mm. */
export interface Box {
  min: readonly number[];
  max: readonly number[];
}

/** Around a piece as it stands; undefined while it has no solid. */
export type BoxOf = (pieceId: string) => Box | undefined;

type PlaceOf = (piece: Piece) => Partial<Placement>;

/** Room between pieces side by side, as a share of their height. */
const GAP = 0.25;

/**
 * All of them together, their middles across on the other's, and upright too, or in depth for what stands on the table.
 */
export function centredOn(pieces: readonly Piece[], other: Piece, boxOf: BoxOf): PlaceOf {
  const [own, its] = boxes(pieces, other, boxOf);
  if (!own || !its) return stays;
  const [x, y, z] = [0, 1, 2].map((k) => middle(its, k) - middle(own, k));
  return (piece) => shifted(piece, piece.placement.stand === 'table' ? [x, 0, z] : [x, y, 0]);
}

/** To the right of the other, feet on one height and middles in one depth. */
export function setBeside(pieces: readonly Piece[], other: Piece, boxOf: BoxOf): PlaceOf {
  const [own, its] = boxes(pieces, other, boxOf);
  if (!own || !its) return stays;
  const gap = (its.max[1] - its.min[1]) * GAP;
  const by = [its.max[0] + gap - own.min[0], its.min[1] - own.min[1], middle(its, 2) - middle(own, 2)];
  return (piece) => shifted(piece, by);
}

/** Copies of some pieces, to the right of them; what stands on a body goes where that goes. */
export function besideOriginals(pieces: readonly Piece[], boxOf: BoxOf): PlaceOf {
  const own = around(pieces, boxOf);
  if (!own) return stays;
  const by = own.max[0] - own.min[0] + (own.max[1] - own.min[1]) * GAP;
  return (piece) => (groundOf(piece) === undefined ? shifted(piece, [by, 0, 0]) : {});
}

const stays: PlaceOf = () => ({});
const middle = (box: Box, k: number): number => (box.min[k] + box.max[k]) / 2;

function boxes(pieces: readonly Piece[], other: Piece, boxOf: BoxOf): [Box | undefined, Box | undefined] {
  return [around(pieces, boxOf), boxOf(other.id)];
}

const around = (pieces: readonly Piece[], boxOf: BoxOf): Box | undefined =>
  pieces
    .map((piece) => boxOf(piece.id))
    .filter((box) => box !== undefined)
    .reduce<Box | undefined>((so, box) => (so ? union(so, box) : box), undefined);

const union = (a: Box, b: Box): Box => ({
  min: a.min.map((v, k) => Math.min(v, b.min[k])),
  max: a.max.map((v, k) => Math.max(v, b.max[k])),
});

const shifted = ({ placement: { atMm } }: Piece, by: readonly number[]): Partial<Placement> => ({
  atMm: atMm.map((v, k) => Math.round((v + by[k]) * 100) / 100 + 0) as Placement['atMm'],
});
