export { pieceEdits } from './pieceEdits.ts';
export type { PieceEdits } from './pieceEdits.ts';
export { PICTURES } from './pictures.tsx';
export { Recipe } from './Recipe.tsx';
export { pasteRecipe, putRecipe } from './recipeClipboard.ts';
export { asKind } from './solid/EdgeSentence.tsx';
export type { ChapterName } from './Told.tsx';
