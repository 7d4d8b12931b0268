export { flatBytes, flatWavefront } from './flat.ts';
export type { FlatWavefront, Rung } from './flat.ts';
export { lift, liftSheet } from './lift.ts';
export { EDGE_KINDS, SIDE_KINDS } from './profiles.ts';
export type { EdgeKind, SideKind } from './profiles.ts';
export { buildSection, sectionLayers, STRAIGHT_SIDE, wireEdge } from './section.ts';
export type { DrawnEdge, EdgeShape, Section, SideShape, UsualEdge } from './section.ts';
