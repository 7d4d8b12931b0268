import type { Piece } from '../document/index.ts';
import { askedSection, type AskedSection } from '../solid/index.ts';
import { pieceShape } from './pieceShape.ts';

/** Finer than what is seen of a section that fills a screen. */
const FINENESS = 2 ** 16;

/** A piece's section as asked for, without swelling; undefined where nothing has one: a wire, a sheet. */
export function sectionOf(piece: Piece): AskedSection | undefined {
  const { solid } = pieceShape(piece);
  if (piece.source.contour.kind === 'wire' || solid.depthMm === 0) return undefined;
  const { depthMm, front, back, side, shiftMm } = solid;
  return askedSection({ depthMm, front, back, side, shiftMm, step: depthMm / FINENESS });
}
