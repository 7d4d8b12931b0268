import type { PolygonMesh } from './polygonMesh.ts';

type Numbers = Uint8Array | Float32Array | Float64Array;

/** What a mesh carries beside its faces. */
export interface Column {
  /** of what it has a row */
  scope: 'vertex' | 'corner';
  /** numbers a row */
  arity: number;
  /** what a row is that is made of several: their mean, by their shares; or given by who makes it */
  blend: 'mean' | 'given';
  make(length: number): Numbers;
}

const columns = <N extends keyof PolygonMesh>(of: Readonly<Record<N, Column>>): Readonly<Record<N, Column>> => of;

/** Every column; a mesh may be without those that blend. A new one is a line here, and a field of the mesh. */
export const COLUMNS = columns({
  /** where a vertex lay in the flat layout */
  rest: { scope: 'vertex', arity: 3, blend: 'mean', make: (length) => new Float64Array(length) },
  sharp: { scope: 'corner', arity: 1, blend: 'given', make: (length) => new Uint8Array(length) },
  uv: { scope: 'corner', arity: 2, blend: 'mean', make: (length) => new Float32Array(length) },
});

export type ColumnName = keyof typeof COLUMNS;
type Blending = { [N in ColumnName]: undefined extends PolygonMesh[N] ? N : never }[ColumnName];

/** Columns whose rows follow from those they are made of. */
export const BLENDING = (Object.keys(COLUMNS) as ColumnName[]).filter(
  (name): name is Blending => COLUMNS[name].blend === 'mean',
);
export type BlendingColumn = Blending;
