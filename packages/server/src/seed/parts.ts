import { findFinish, SLOTS, type Edit, type Slot, type Words } from '@fictile/core';

/** A shipped family as samples use it. */
export const font = (family: string, weight: number): Words['font'] => ({
  family,
  weight,
  italic: false,
  axes: family === 'Work Sans' ? { wght: weight } : {},
});

/** A piece in a finish of the shelf. */
export const dressed = (pieceId: string, name: string, slots: readonly Slot[] = SLOTS): Edit => ({
  kind: 'setFinish',
  pieceId,
  slots: [...slots],
  values: findFinish(name),
});

/** The pivot of what is held by its middle. */
export const MIDDLE = { kind: 'box', across: 'middle', up: 'middle', deep: 'middle' } as const;
