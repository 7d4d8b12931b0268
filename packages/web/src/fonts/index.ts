export { FontSample } from './FontSample.tsx';
export { useBringFonts } from './useBringFonts.ts';
export { useFavourites } from './useFavourites.ts';
export { useFonts } from './useFonts.ts';
