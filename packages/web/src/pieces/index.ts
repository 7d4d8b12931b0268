export { pieceActions } from './pieceActions.ts';
export type { FormName } from '@fictile/core';
export type { PieceActions, ShapeKind } from './pieceActions.ts';
export type { BoxOf } from './alignment.ts';
export { Pieces } from './Pieces.tsx';
export { useChosen } from './useChosen.ts';
export type { Chosen } from './useChosen.ts';
export { frameAt, frameIn, standsOf, type StandingPieces } from './standing.ts';
export { hooks } from './ItemMenu.tsx';
