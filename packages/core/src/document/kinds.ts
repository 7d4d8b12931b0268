import type { DrawingPiece, Piece, WordsPiece } from './schema.ts';

export const isWords = (piece: Piece): piece is WordsPiece => piece.source.kind === 'words';
export const isDrawing = (piece: Piece): piece is DrawingPiece => piece.source.kind === 'drawing';

/** Ids of what can have something of its own: letters, or a drawing's colours. */
export function ownIds({ source }: Piece): number[] {
  if (source.kind === 'words') return source.graphemes.map((g) => g.id);
  return source.shape.kind === 'paths' ? source.shape.colours.map((colour) => colour.id) : [1];
}
