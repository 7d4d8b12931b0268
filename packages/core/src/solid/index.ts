export { flatBytes, flatWavefront } from './flat.ts';
export type { FlatWavefront, Rung } from './flat.ts';
export { lift, liftSheet } from './lift.ts';
export { buildSection, sectionLayers } from './section.ts';
export type { EdgeKind, EdgeShape, Section } from './section.ts';
