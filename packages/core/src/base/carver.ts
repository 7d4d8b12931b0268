import type { ManifoldToplevel } from 'manifold-3d/manifold';

/** What manifold-3d gives: solids that can be united, taken from each other and split. */
export type Carver = Pick<ManifoldToplevel, 'Manifold' | 'Mesh'>;
