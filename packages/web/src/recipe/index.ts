export { pieceEdits } from './pieceEdits.ts';
export type { EditKey, PieceEdits } from './pieceEdits.ts';
export { PICTURES } from './pictures.tsx';
export { Recipe } from './Recipe.tsx';
export { pasteRecipe, putRecipe } from './recipeClipboard.ts';
export { edgeAsKind, sideAsKind } from './solid/kindChange.ts';
export type { ChapterName } from './Told.tsx';
export type { OtherPiece } from './PieceChoice.tsx';
export type { Putting, PutActs } from './put/putting.ts';
