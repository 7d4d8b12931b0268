export { canClose, type Cure, type CureCode, type CureParams } from './cure.ts';
export { chapterOf, cureOf, isInVain, isOfFile, isOpenMesh, toneOf } from './remarkOf.ts';
