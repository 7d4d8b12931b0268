export { flatBytes, flatWavefront } from './flat.ts';
export type { FlatWavefront, Rung } from './flat.ts';
export { lift, liftSheet } from './lift.ts';
export { buildSection, edgeRows, sectionCrossing, sectionEnds, sectionLayers, sectionReach, sideRows, STRAIGHT_SIDE, USUAL_KINDS, USUAL_SIDE_KINDS, wireEdge } from './section/index.ts';
export type { BuiltSection, EdgeShape, ProfileKnot, ProfilePoint, Section, SectionOptions, SideShape, Swell, SwellCurve, UsualEdge, UsualKind, UsualSide, UsualSideKind } from './section/index.ts';
export type { Corners } from './wavefront/index.ts';
