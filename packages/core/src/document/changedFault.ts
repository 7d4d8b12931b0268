import { firstIssue } from './parse.ts';
import { treeFault } from './placeGraph.ts';
import { orderSchema, treelessSchema, type Project } from './schema.ts';

/**
 * What is wrong with a document that was made of a sound one; undefined: nothing. Pieces and groups that both share are
 * not looked at again: among a thousand that takes longer than anything else.
 */
export function changedFault(before: Project, after: Project): { path: string; why: string } | undefined {
  const pieces = changedIn(before.pieces, after.pieces);
  const few = { ...after, pieces, groups: changedIn(before.groups, after.groups), pieceOrder: Object.keys(pieces) };
  for (const parsed of [treelessSchema.safeParse(few), orderSchema.safeParse(after)])
    if (!parsed.success) return firstIssue(parsed.error);
  const why = treeFault(after);
  return why === undefined ? undefined : { path: 'groups', why };
}

const changedIn = <T>(before: Readonly<Record<string, T>>, after: Readonly<Record<string, T>>): Record<string, T> =>
  Object.fromEntries(Object.entries(after).filter(([id, one]) => before[id] !== one));
