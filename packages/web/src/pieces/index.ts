export { pieceActions } from './pieceActions.ts';
export type { PieceActions } from './pieceActions.ts';
export { Pieces } from './Pieces.tsx';
