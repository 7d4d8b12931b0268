export { alongDepth, changesAlong, depthLevels, divisionsAlong, twistShare } from './alongDepth.ts';
export type { AlongDepth, DepthFrame, DepthLevels } from './alongDepth.ts';
export { bandsFlat } from './bands/cutFlat.ts';
export type { Lines } from './bands/cutNodes.ts';
export { flatBytes, flatWavefront } from './flat.ts';
export type { FlatOptions, FlatWavefront, Rung } from './flat.ts';
export { flowFlat, gridFlat } from './flow/flowFlat.ts';
export { lift, liftSheet } from './lift.ts';
export {
  askedSection,
  buildSection,
  countsSteps,
  heldAtMiddle,
  DRAWN,
  isDrawn,
  isPlain,
  isStraight,
  edgeRows,
  finerSection,
  sectionCrossing,
  sectionEnds,
  sectionLayers,
  sectionReach,
  sideRows,
  STRAIGHT_SIDE,
  sectionIsSimple,
  USUAL_KINDS,
  USUAL_SIDE_KINDS,
  usualKnots,
  usualSideKnots,
  edgeOfWire,
  wireEdge,
  flareEdge,
  lipWidth,
} from './section/index.ts';
export type {
  AskedSection,
  BuiltSection,
  EdgeShape,
  Finer,
  PartFrame,
  ProfileKnot,
  ProfilePoint,
  SectionRow,
  Section,
  SectionOptions,
  SideShape,
  Swell,
  SwellCurve,
  UsualEdge,
  UsualKind,
  UsualSide,
  UsualSideKind,
} from './section/index.ts';
export { cornerReach, eulerOf, type Corners } from './wavefront/index.ts';
