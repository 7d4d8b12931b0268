import { fail, ok, ownEntry, type Result } from '../base/index.ts';
import { closesCircle } from './placeGraph.ts';
import type { Group, Hung, Project } from './schema.ts';
import {
  allItems,
  groupsAround,
  isGroup,
  isLocked,
  itemOf,
  pieceIdsOf,
  piecesIn,
  treeOrder,
  type Item,
} from './tree.ts';

/** The document with the pieces of each group behind one another. */
export const ordered = (project: Project): Project =>
  Object.keys(project.groups).length === 0 ? project : { ...project, pieceOrder: treeOrder(project) };

/** Without groups in which there is nothing any more; what hung on something that is gone hangs on nothing. */
export function withoutEmpty(project: Project): Project {
  const full = new Set(project.pieceOrder.flatMap((id) => groupsAround(project, project.pieces[id])));
  const groups = Object.fromEntries(Object.entries(project.groups).filter(([, group]) => full.has(group)));
  const left = { ...project, groups };
  const taken = (item: Item): boolean => item.hung !== null && !itemOf(left, item.hung.on);
  const loose = allItems(left).filter(taken);
  return ordered(loose.reduce((so: Project, item) => withItem(so, { ...item, hung: null }), left));
}

export function withGroup(project: Project, groupId: string, make: (group: Group) => Group): Result<Project> {
  const group = ownEntry(project.groups, groupId);
  return group ? ok(withItem(project, make(group))) : fail('EDIT_MISPLACED', { what: 'group', id: groupId });
}

export function placeGroup(project: Project, groupId: string, values: Partial<Group['placement']>): Result<Project> {
  const group = ownEntry(project.groups, groupId);
  if (group && isLocked(project, group)) return fail('PIECE_LOCKED', { name: group.name });
  return withGroup(project, groupId, (own) => ({ ...own, placement: { ...own.placement, ...values } }));
}

/** A new group round some items, where the first of them stands. */
export function addGroup(project: Project, group: Group, ids: readonly string[]): Result<Project> {
  const items = itemsOf(project, ids);
  if (!items.ok) return items;
  const inOrder = outermost(project, items.value);
  const [first] = inOrder;
  if (!first) return fail('EDIT_MISPLACED', { what: 'group', id: group.id });
  const begun = withItem(project, { ...group, within: first.within });
  const filled = inOrder.reduce((so, item) => withItem(so, { ...item, within: group.id }), begun);
  return ok(withoutEmpty(filled));
}

/** What is in it comes to where it was, and hangs on what it hung on. */
export function dissolveGroup(project: Project, groupId: string): Result<Project> {
  const group = ownEntry(project.groups, groupId);
  if (!group) return fail('EDIT_MISPLACED', { what: 'group', id: groupId });
  if (isLocked(project, group)) return fail('PIECE_LOCKED', { name: group.name });
  const inside = allItems(project).filter(({ within }) => within === groupId);
  return ok(
    withoutEmpty(
      inside.reduce(
        (so, item) => withItem(so, { ...item, within: group.within, hung: item.hung ?? group.hung }),
        project,
      ),
    ),
  );
}

/** Pieces and groups to another place of the tree. */
export function moveItems(
  project: Project,
  ids: readonly string[],
  { within, before }: { within: string; before?: string },
): Result<Project> {
  const items = itemsOf(project, ids);
  if (!items.ok) return items;
  if (within !== '' && !ownEntry(project.groups, within)) return fail('EDIT_MISPLACED', { what: 'group', id: within });
  const moved = outermost(project, items.value);
  const circle = moved.find(({ id, hung }) => !hung && within !== '' && closesCircle(project, id, within));
  if (circle) return fail('GOES_IN_CIRCLE', { name: circle.name });
  const taken = moved.flatMap((item) => pieceIdsOf(project, item));
  const left = project.pieceOrder.filter((id) => !taken.includes(id));
  const next = before === undefined ? undefined : itemOf(project, before);
  const nextPiece = next && pieceIdsOf(project, next).find((id) => !taken.includes(id));
  const at = nextPiece === undefined ? endOf(project, within, left) : left.indexOf(nextPiece);
  const pieceOrder = at < 0 ? [...left, ...taken] : [...left.slice(0, at), ...taken, ...left.slice(at)];
  const placed = moved.reduce((so, item) => withItem(so, { ...item, within }), { ...project, pieceOrder });
  return ok(withoutEmpty(placed));
}

/** Behind the last piece of a group; -1: behind all. */
function endOf(project: Project, groupId: string, order: readonly string[]): number {
  if (groupId === '') return -1;
  const inside = new Set(piecesIn(project, groupId));
  return order.findLastIndex((id) => inside.has(id)) + 1 || -1;
}

/** Pieces and groups go along with another one, or (null) with their group alone. */
export function hang(project: Project, ids: readonly string[], hung: Hung | null): Result<Project> {
  const items = itemsOf(project, ids);
  if (!items.ok) return items;
  if (hung && !itemOf(project, hung.on)) return fail('EDIT_MISPLACED', { what: 'piece', id: hung.on });
  const circle = hung && items.value.find(({ id }) => closesCircle(project, id, hung.on));
  if (circle) return fail('GOES_IN_CIRCLE', { name: circle.name });
  return ok(items.value.reduce((so, item) => withItem(so, { ...item, hung }), project));
}

/** All of them, none locked. */
function itemsOf(project: Project, ids: readonly string[]): Result<Item[]> {
  const items: Item[] = [];
  for (const id of ids) {
    const item = itemOf(project, id);
    if (!item) return fail('EDIT_MISPLACED', { what: 'piece', id });
    if (isLocked(project, item)) return fail('PIECE_LOCKED', { name: item.name });
    items.push(item);
  }
  return ok(items);
}

/** Without those that are in a group that is among them, as the tree has them. */
function outermost(project: Project, items: readonly Item[]): Item[] {
  const chosen = new Set(items.map(({ id }) => id));
  const outer = items.filter((item) => !groupsAround(project, item).some(({ id }) => chosen.has(id)));
  const places = new Map(project.pieceOrder.map((id, i) => [id, i]));
  const first = (item: Item): number => places.get(pieceIdsOf(project, item)[0]) ?? 0;
  return [...new Set(outer)].sort((a, b) => first(a) - first(b));
}

function withItem(project: Project, item: Item): Project {
  return isGroup(item)
    ? { ...project, groups: { ...project.groups, [item.id]: item } }
    : { ...project, pieces: { ...project.pieces, [item.id]: item } };
}
