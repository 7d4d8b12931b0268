export {
  ASKS_NOTHING,
  FILE_FIELDS,
  FILE_TOLERANCE,
  PICTURE_FIELDS,
  FILE_NEEDS,
  fileFlagOf,
  type FileChoices,
  type FileField,
  type LevelsAs,
  type UvSpace,
} from './fileFields.ts';
export { finishName, finishAt, finishOf, lookOf } from './looks.ts';
export type { CutterLook } from './looks.ts';
export type { LetterLook } from './looks.ts';
export type { Look } from './looks.ts';
export { packProject, unpackProject } from './projectFile.ts';
export type { ProjectFile } from './projectFile.ts';
export { ownWay, readModel, usualFrame } from './readModel.ts';
export { PAINT_MAPS } from './paints.ts';
export type { Paint, PaintImage, PaintMap, Paints } from './paints.ts';
export type { ModelFrame, ReadModel } from './readModel.ts';
export { inMm, readBack } from './readBack.ts';
export { readGlb } from './readGlb.ts';
export { readObj } from './readObj.ts';
export { readPly } from './readPly.ts';
export { readStl } from './readStl.ts';
export {
  canHold,
  holding,
  materialsFileName,
  MESH_FORMATS,
  READ_FORMATS,
  type Holds,
  type MeshFormat,
} from './formats/index.ts';
export { quadCount, usualUp, usualWriteOptions, writeMesh, writeScene } from './writeMesh.ts';
export type { SceneGroup, ScenePart } from './scenePart.ts';
export type { WriteOptions, WrittenCounts, WrittenScene } from './writeMesh.ts';
