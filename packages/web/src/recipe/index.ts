export { pieceEdits } from './pieceEdits.ts';
export { Recipe } from './Recipe.tsx';
