export { flatBytes, flatWavefront } from './flat.ts';
export type { FlatWavefront, Rung } from './flat.ts';
export { lift, liftSheet } from './lift.ts';
export { buildSection, sectionLayers, wireEdge } from './section.ts';
export type { DrawnEdge, EdgeKind, EdgeShape, Section, UsualEdge } from './section.ts';
