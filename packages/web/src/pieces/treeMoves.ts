import type { TreeRow } from '@fictile/core';

/** Where something is put in the tree: into a group ('': into none), before what is in it; undefined: behind all. */
export interface TreePlace {
  within: string;
  before: string | undefined;
}

/** Rows that are seen while some groups are closed. */
export function openRows(rows: readonly TreeRow[], closed: ReadonlySet<string>): TreeRow[] {
  let hiddenBelow = Infinity;
  return rows.filter(({ id, depth, isGroup }) => {
    if (depth > hiddenBelow) return false;
    hiddenBelow = isGroup && closed.has(id) ? depth : Infinity;
    return true;
  });
}

/** Rows of the same group, in their order. */
const siblings = (rows: readonly TreeRow[], within: string): TreeRow[] => rows.filter((row) => row.within === within);

/** Right before or behind a row that is seen; behind a group that is open: before the first in it. */
export function besideRow(
  rows: readonly TreeRow[],
  { id, within, isGroup }: TreeRow,
  { side, isOpen }: { side: 'before' | 'after'; isOpen: boolean },
): TreePlace {
  if (side === 'before') return { within, before: id };
  if (isGroup && isOpen) return { within: id, before: siblings(rows, id).at(0)?.id };
  const own = siblings(rows, within);
  return { within, before: own[own.findIndex((row) => row.id === id) + 1]?.id };
}

export type TreeStep = 'up' | 'down' | 'in' | 'out';

/** Where a key takes something: past its neighbour, into the group before it, or out of its own; undefined: nowhere. */
export function steppedTo(rows: readonly TreeRow[], id: string, step: TreeStep): TreePlace | undefined {
  const row = rows.find((one) => one.id === id);
  if (!row) return undefined;
  const own = siblings(rows, row.within);
  const at = own.findIndex((one) => one.id === id);
  const { within } = row;
  if (step === 'up') return at === 0 ? undefined : { within, before: own[at - 1].id };
  if (step === 'down') return at === own.length - 1 ? undefined : { within, before: own[at + 2]?.id };
  if (step === 'in') {
    const group = own[at - 1];
    return group?.isGroup ? { within: group.id, before: undefined } : undefined;
  }
  const around = rows.find((one) => one.id === within);
  return around && besideRow(rows, around, { side: 'after', isOpen: false });
}
