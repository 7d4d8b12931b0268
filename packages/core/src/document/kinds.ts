import type { DrawingPiece, Piece, WordsPiece } from './schema.ts';

export const isWords = (piece: Piece): piece is WordsPiece => piece.source.kind === 'words';
export const isDrawing = (piece: Piece): piece is DrawingPiece => piece.source.kind === 'drawing';
