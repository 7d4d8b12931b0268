import { ok, type Remark, type Result } from '../base/index.ts';
import { isWire } from '../contours/index.ts';
import { isWords, type DrawingPiece, type LetteringPiece } from '../document/index.ts';
import { layDrawing } from '../lettering/index.ts';
import { layoutWords, type FontFace, type Layout } from '../text/index.ts';
import type { FontChest } from './fontChest.ts';
import { layoutRemarks } from './layoutRemarks.ts';
import { pieceShape } from './pieceShape.ts';

/** What a piece's letters or figures are and where they stand, before they are built. */
export interface LaidOut {
  layout: Layout;
  heights: { up: number; down: number };
  remarks: Remark[];
}

/** Letters or figures at their places: fonts are opened for words. */
export async function layOut(piece: LetteringPiece, chest: FontChest): Promise<Result<LaidOut>> {
  if (!isWords(piece)) return ok(layPiece(piece as DrawingPiece));
  const words = piece.source;
  const fonts = await chest.open(words);
  if (!fonts.ok) return fonts;
  const layout = layoutWords(words.graphemes, fonts.value, words);
  const { primary } = fonts.value;
  return ok({
    layout,
    heights: lineHeights(primary, layout.emMm, words.heightPercent),
    remarks: layoutRemarks(layout, primary, words.line),
  });
}

/** Of a drawing's larger side: marks on its figures are as if for letters of that height. */
const MARK_SHARE = 0.3;

function layPiece(piece: DrawingPiece): LaidOut {
  const { source, body } = piece;
  const wire = isWire(source.contour) ? source.contour : undefined;
  const layout = layDrawing(source, { ...pieceShape(piece), toleranceMm: body.faces.toleranceMm }, wire);
  return { layout, heights: { up: layout.emMm * MARK_SHARE, down: 0 }, remarks: [] };
}

const lineHeights = ({ metrics }: FontFace, emMm: number, heightPercent: number): { up: number; down: number } => {
  const mm = ((emMm / metrics.unitsPerEm) * heightPercent) / 100;
  return { up: metrics.ascender * mm, down: metrics.descender * mm };
};
