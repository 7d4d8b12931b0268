import type { Named, Simplifier, Stage } from '../../base/index.ts';
import { meshBytes, type PolygonMesh } from '../../mesh/index.ts';
import { refiningOf, type RefineStep } from '../../steps/index.ts';

export interface RefineInputs {
  mesh: Named<PolygonMesh>;
  step: ValuesOfStep<RefineStep>;
  /** edges were made crisp by a step before */
  isCrisp: boolean;
  /** of the whole piece, where a step shares a count out by them */
  triangles: number | undefined;
}

/** A step without what only says which one it is. */
export type ValuesOfStep<S> = S extends unknown ? Omit<S, 'id' | 'on'> : never;

export function valuesOfStep<S extends { id: string; on: boolean }>({
  id: _id,
  on: _on,
  ...values
}: S): ValuesOfStep<S> {
  return values as unknown as ValuesOfStep<S>;
}

/** Faces made anew by those there are. */
export const REFINE: Stage<RefineInputs, { simplifier: Simplifier | undefined }, PolygonMesh> = {
  name: 'refine',
  make: ({ mesh, step, isCrisp, triangles = 0 }, { simplifier }) =>
    refiningOf({ ...step, id: '', on: true }).apply(
      mesh.of,
      { ...step, id: '', on: true },
      { simplifier, triangles, isCrisp },
    ),
  bytesOf: meshBytes,
};
