export { FontSample } from './FontSample.tsx';
export { useBringFonts } from './useBringFonts.ts';
export { bringFont } from './styleChoice.ts';
export { StyleChoiceDialog } from './StyleChoiceDialog.tsx';
export { useFavourites } from './useFavourites.ts';
export { useFonts } from './useFonts.ts';
