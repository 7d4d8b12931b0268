export { shadesOf } from './shadesOf.ts';
export { SilhouetteDialog } from './SilhouetteDialog.tsx';
export type { ChosenPicture } from './SilhouetteDialog.tsx';
