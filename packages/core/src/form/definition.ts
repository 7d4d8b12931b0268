import type { Fields, ValuesOf } from '../fields/index.ts';
import type { Box3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';

/** A form that things are laid on or cut: what it is made of, and how. */
export interface FormDefinition<K extends string = string, F extends Fields = Fields, S extends string = string> {
  kind: K;
  fields: F;
  /**
   * A closed mesh, zero at the middle of its foot, up upright, its front towards the viewer; curves stay within the
   * tolerance, mm. `around`: the box of the words that it is made round, if its fields name a piece of words; its zero
   * is then theirs.
   */
  mesh(form: ValuesOf<F>, toleranceMm: number, around: Box3): PolygonMesh;
  /** what it is offered as, and what is other than usual then; left out: as itself */
  starts?: Readonly<Record<S, Partial<ValuesOf<F>>>>;
}

export const defineForm = <const K extends string, F extends Fields, S extends string = K>(
  definition: FormDefinition<K, F, S>,
): FormDefinition<K, F, S> => definition;
