import { rangeOf, type Field, type Unit } from '@fictile/core';
import type { NumberValueProps } from './NumberValue.tsx';

/** How units stand behind numbers. */
export const UNIT_SIGNS: Readonly<Record<Unit | '', string>> = {
  mm: 'mm',
  deg: '°',
  '%': '%',
  '‰': '',
  count: '',
  '': '',
};

type Shown = Omit<NumberValueProps, 'label' | 'value' | 'onChange'>;

/** A number as its field has it: how it is read, its unit, range and usual value. */
export function shownAs(field: Field): Shown {
  const { is, unit, step = 1, usual } = field;
  const { min, max, isWhole: whole } = rangeOf(field);
  return {
    kind: is === 'length' || is === 'angle' ? is : 'plain',
    unit: UNIT_SIGNS[unit ?? ''],
    min,
    max,
    whole,
    step,
    usual: typeof usual === 'number' ? usual : undefined,
  };
}
