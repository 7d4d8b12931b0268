export {
  newDrawing,
  newForm,
  newGroup,
  newModel,
  newPiece,
  newProject,
  usualBody,
  usualCircle,
  usualCurveLine,
  usualDrawing,
  usualHollow,
  usualOwn,
  usualPlacement,
  usualShapes,
  usualView,
  usualWire,
  usualWords,
} from './defaults.ts';
export { applyEdit } from './edits.ts';
export type { Edit } from './edits.ts';
export {
  ALONG,
  ARRANGEMENT,
  CONTOURS,
  EDGE,
  FACES,
  FINISH,
  FIT,
  FONT,
  FORMS,
  GROUP_PLACEMENT,
  HUNG,
  KERN_PAIR,
  MODEL,
  OWN_LETTER,
  PATHS,
  PIVOTS,
  PLACEMENT,
  PROFILE_KNOT,
  DRAWN_SHAPES,
  SIDE,
  SOLID,
  SWELL,
  TURNED_KNOT,
  WORD_LINES,
  WORDS,
} from './fields/index.ts';
export { groundOf, isOwnStand } from './ground.ts';
export { exampleOf, REMARK_CODES, type RemarkExample } from './examples/index.ts';
export { findFinish, SHELF_FINISHES, usualSlots } from './finishes.ts';
export { commit, redo, startHistory, undo } from './history.ts';
export type { History } from './history.ts';
export type { Migration } from './migrations.ts';
export {
  cutBy,
  cutsOf,
  ontoStepOf,
  edgeStepsOf,
  standAlone,
  toolsOf,
  AROUND,
  standsInOrder,
  standsOn,
  isDrawing,
  isForm,
  isLettering,
  isModel,
  isPanel,
  isOfDrawing,
  isOfWords,
  isWords,
  ownIds,
  ownOf,
} from './kinds.ts';
export type { StandsBy } from './kinds.ts';
export { nameOf, pieceName, wordsName } from './names.ts';
export { migrate, parseProfile, parseProject } from './parse.ts';
export { applyPatches, diff, sameDocument } from './patches.ts';
export type { Patch } from './patches.ts';
export { copyRecipe, parseRecipe, RECIPE_CHAPTERS, recipeEdits } from './recipes.ts';
export type { RecipeChapter, RecipeCopy } from './recipes.ts';
export {
  canClose,
  chapterOf,
  cureOf,
  isInVain,
  isOfFile,
  isOpenMesh,
  toneOf,
  type Cure,
  type CureCode,
  type CureParams,
} from './remarks/index.ts';
export { projectSchema } from './projectSchema.ts';
export { copiesOf, asDocument, isCopy, originalOf, asProject } from './copies.ts';
export { changesOf, hasOwnStep, isAlike } from './linked.ts';
export type { Changes } from './linked.ts';
export { projectDiff } from './projectPatches.ts';
export { putRows, putStepOf, wayOf, withWay } from './put.ts';
export type { Put, PutWay, StepRow } from './put.ts';
export { closesCircle, goesWith } from './placeGraph.ts';
export { resolveAt } from './resolveAt.ts';
export {
  documentSchema,
  drawingSchema,
  edgeSchema,
  KEPT_VIEWS,
  pieceSchema,
  profileSchema,
  sectionFileSchema,
  SCHEMA_VERSION,
  SLOTS,
  wordsSchema,
} from './schema.ts';
export { spliceBetween, spliceEdits, splicesBetween } from './splices.ts';
export type { Splice } from './splices.ts';
export { liesOnAnother, placeItem, setItem } from './itemEdits.ts';
export {
  allItems,
  asInGroups,
  groupsAround,
  isGroup,
  isLocked,
  isShown,
  itemOf,
  pieceIdsOf,
  piecesIn,
  treeRows,
} from './tree.ts';
export type { Item, TreeRow } from './tree.ts';
export { usedFamilies } from './usedFonts.ts';
export { usedModels } from './usedModels.ts';
export type {
  Body,
  Contour,
  Drawing,
  DrawingElement,
  DrawingPiece,
  DrawingShape,
  Edge,
  Faces,
  Finish,
  FormPiece,
  FormShape,
  Group,
  Hung,
  KeptView,
  LetteringPiece,
  Model,
  ModelPiece,
  OwnLetter,
  Piece,
  Pivot,
  Placement,
  Profile,
  Project,
  ProjectDocument,
  SceneView,
  Side,
  Slot,
  Slots,
  Solid,
  Words,
  WordsPiece,
} from './schema.ts';
export { usualForms, type FormKind, type FormName } from '../form/index.ts';
