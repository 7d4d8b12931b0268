export { FONT_FILES, isFontFile } from './fontFiles.ts';
export { heaviest } from './heaviest.ts';
export { FontSample } from './FontSample.tsx';
export { useFontsFor } from './useFontsFor.ts';
export { useBringFonts } from './useBringFonts.ts';
export { bringFont } from './styleChoice.ts';
export { StyleChoiceDialog } from './StyleChoiceDialog.tsx';
export { useFavourites } from './useFavourites.ts';
export { useFonts } from './useFonts.ts';
