export { pieceEdits } from './pieceEdits.ts';
export type { PieceEdits } from './pieceEdits.ts';
export { Recipe } from './Recipe.tsx';
export { pasteRecipe, putRecipe } from './recipeClipboard.ts';
export { edgeAsKind, sideAsKind } from './solid/kindChange.ts';
export type { ChapterName, PlaceBench } from './recipeContext.ts';
export type { Putting, PutActs } from './put/putting.ts';
export { putPlace } from './putPlace.ts';
