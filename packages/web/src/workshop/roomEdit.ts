import type { Edit, Piece } from '@fictile/core';

/** Moves a piece aside and up, so that it has room, mm. */
export function roomEdit({ id, placement }: Piece, [across, up]: readonly [number, number]): Edit {
  const [x, y, z] = placement.atMm;
  return { kind: 'setPlacement', pieceId: id, values: { atMm: [x + across, y + up, z] } };
}
