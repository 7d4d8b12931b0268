export type { ClusterFaces, FaceFields, FaceStyle, LetteringFaces, NeededFaces, PlacedOutlines } from './definition.ts';
export { extentOf } from './extent.ts';
export { facedFlat, type FacedFlat } from './facedFlat.ts';
export {
  chosenMm,
  clusterFaces,
  drawnToleranceMm,
  expectedFaces,
  FACE_KINDS,
  facesAsked,
  faceSizeMm,
  faceStyle,
  finerFaces,
  isAutomatic,
  isLaidOut,
  neededFaces,
} from './style.ts';
