import { fail, LIMITS, remark, type Remark, type Result } from '../base/index.ts';
import { isWords, type LetteringPiece, type Piece } from '../document/index.ts';
import { LARGEST_EXTENT_MM } from '../outline/index.ts';
import type { Layout } from '../text/index.ts';

/** Told as an error: letters beyond what the grid can hold. */
export function extentFault(piece: LetteringPiece, { extentMm }: Layout): Result<never> | undefined {
  if (extentMm < LARGEST_EXTENT_MM) return undefined;
  return fail('VALUE_OUT_OF_RANGE', {
    field: isWords(piece) ? 'size of the words' : 'size of the drawing',
    value: `${Math.round(extentMm)}`,
    min: 0,
    max: LARGEST_EXTENT_MM,
    unit: 'mm',
  });
}

/** Why a piece is not built at all, told instead of an error: the words are kept. */
export function heldBack(piece: Piece): Remark | undefined {
  if (!isWords(piece)) return undefined;
  const { graphemes } = piece.source;
  if (graphemes.every((g) => g.text.trim() === '')) return remark('TEXT_EMPTY', {});
  if (graphemes.length > LIMITS.graphemesBuilt) {
    return remark('TEXT_TOO_LONG', { characters: graphemes.length, limit: LIMITS.graphemesBuilt });
  }
  return undefined;
}
