import { ownEntry } from '../base/index.ts';
import { asDocument } from './copies.ts';
import { firstIssue } from './issueText.ts';
import { treeFault } from './placeGraph.ts';
import { changeFault } from './projectSchema.ts';
import { documentSchema, orderSchema, type Project } from './schema.ts';
import { allItems, isGroup, itemOf, type Item } from './tree.ts';

/**
 * What is wrong with a document that was made of a sound one; undefined: nothing. Pieces and groups that both share are
 * not looked at again, nor what copies have from their sources: among a thousand that takes longer than anything else.
 */
export function changedFault(before: Project, after: Project): { path: string; why: string } | undefined {
  const document = asDocument(after);
  const was = asDocument(before);
  const pieces = changedIn(was.pieces, document.pieces);
  const copies = changedIn(was.copies ?? {}, document.copies ?? {});
  const pieceOrder = [...Object.keys(pieces), ...Object.keys(copies)];
  const few = { ...document, pieces, copies, groups: changedIn(before.groups, after.groups), pieceOrder };
  for (const parsed of [documentSchema.safeParse(few), orderSchema.safeParse(after)])
    if (!parsed.success) return firstIssue(parsed.error);
  for (const piece of Object.values(after.pieces)) {
    const fault = ownEntry(before.pieces, piece.id) === piece ? undefined : changeFault(after, piece);
    if (fault !== undefined) return { path: `copies.${piece.id}.changes`, why: fault };
  }
  const why = hasSameTree(before, after) ? undefined : treeFault(after);
  return why === undefined ? undefined : { path: 'groups', why };
}

/** Nothing says otherwise what it is in, goes along with, stands on or follows. */
const hasSameTree = (before: Project, after: Project): boolean =>
  before.pieceOrder === after.pieceOrder &&
  Object.keys(before.groups).length === Object.keys(after.groups).length &&
  allItems(after).every((item) => {
    const was = itemOf(before, item.id);
    return was === item || (was !== undefined && standsAlike(was, item));
  });

function standsAlike(a: Item, b: Item): boolean {
  if (a.within !== b.within || a.hung !== b.hung) return false;
  return isGroup(a) || isGroup(b)
    ? isGroup(a) === isGroup(b)
    : a.copyOf === b.copyOf && a.source === b.source && a.steps === b.steps;
}

const changedIn = <T>(before: Readonly<Record<string, T>>, after: Readonly<Record<string, T>>): Record<string, T> =>
  Object.fromEntries(Object.entries(after).filter(([id, one]) => before[id] !== one));
