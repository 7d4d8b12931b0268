export { Recipe } from './Recipe.tsx';
