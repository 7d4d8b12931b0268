import { isLettering, type Piece } from '../document/index.ts';
import { askedSection, type AskedSection } from '../solid/index.ts';
import { pieceShape, rodOf } from './pieceShape.ts';

/** Finer than what is seen of a section that fills a screen. */
const FINENESS = 2 ** 16;

/**
 * A piece's section as asked for, without swelling; undefined where nothing has one of its own: a wire that is a
 * polygon, a sheet.
 */
export function sectionOf(piece: Piece): AskedSection | undefined {
  if (!isLettering(piece)) return undefined;
  const { solid } = pieceShape(piece);
  if (solid.depthMm === 0 || rodOf(piece)?.isOfEdge === false) return undefined;
  const { depthMm, front, back, side, shiftMm } = solid;
  return askedSection({ depthMm, front, back, side, shiftMm, step: depthMm / FINENESS });
}
