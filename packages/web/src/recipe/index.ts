export { pieceEdits } from './pieceEdits.ts';
export { Recipe } from './Recipe.tsx';
export { pasteRecipe, putRecipe } from './recipeClipboard.ts';
export type { ChapterName } from './Told.tsx';
