import { fieldsByKind, ofKind, usualOf, type ValuesOf } from '../fields/index.ts';
import type { Box3 } from '../math/index.ts';
import { crisp, type PolygonMesh } from '../mesh/index.ts';
import type { FormDefinition } from './definition.ts';
import { FORM_LIST } from './list.ts';

export { TURNED_KNOT } from './turned.ts';

type ListedForms = (typeof FORM_LIST)[number];
export type FormKind = ListedForms['kind'];
/** What each form is made of. */
export const FORMS = fieldsByKind(FORM_LIST);

export type FormShape = { [K in FormKind]: { kind: K } & ValuesOf<(typeof FORMS)[K]> }[FormKind];

type StartsOf<D extends ListedForms> = D extends ListedForms ? keyof NonNullable<D['starts']> : never;
/** The names that forms are offered by. */
export type FormName = StartsOf<ListedForms>;
type KindOf<N, D extends ListedForms = ListedForms> = D extends ListedForms
  ? N extends StartsOf<D>
    ? D['kind']
    : never
  : never;
type Starts = { [N in FormName]: Extract<FormShape, { kind: KindOf<N> }> };

/** Forms to start from. */
export const usualForms = (): Starts =>
  Object.fromEntries(
    FORM_LIST.flatMap(({ kind, fields, ...more }) => {
      const starts = ('starts' in more ? more.starts : undefined) ?? { [kind]: {} };
      return Object.entries(starts).map(([name, values]) => [name, { kind, ...usualOf(fields), ...values }]);
    }),
  ) as Starts;

/** Edges whose faces turn by more are crisp. */
const CRISP_DEGREES = 35;

/**
 * A form as a closed mesh, zero at the middle of its foot (of one made round words, where theirs is); curves stay
 * within the tolerance, mm.
 */
export function formMesh(form: FormShape, toleranceMm: number, around: Box3 = EMPTY_PLATE): PolygonMesh {
  const made = ofKind(FORM_LIST, form.kind) as unknown as FormDefinition;
  return crisp(made.mesh(form, toleranceMm, around), CRISP_DEGREES);
}

/** What a panel is made round while it has no words. */
const EMPTY_PLATE: Box3 = { low: [-60, 0, 0], high: [60, 40, 0] };
