import { ownEntry } from '../base/index.ts';
import { standsOn } from './kinds.ts';
import type { Piece, Project } from './schema.ts';
import { allItems, isGroup, itemOf, treeOrder, type Item } from './tree.ts';

type InTree = Pick<Project, 'pieces' | 'groups'>;

/** Id of what something goes along with: what it hangs on, or else its group. */
export const goesWith = ({ hung, within }: Pick<Item, 'hung' | 'within'>): string | undefined =>
  hung?.on ?? (within === '' ? undefined : within);

/** Ids of all that must stand before something can; a copy is made as its source stands. */
function asksFor(item: Item): string[] {
  const along = goesWith(item);
  const own = along === undefined ? [] : [along];
  if (isGroup(item)) return own;
  const { around, edges, onto } = standsOn(item);
  return [
    ...own,
    ...[around, onto?.targetId, item.copyOf].filter((id) => id !== undefined),
    ...edges.map((one) => one.targetId),
  ];
}

/** Whether something would stand on itself, over others, if it went along with a piece or a group. */
export function closesCircle(project: InTree, itemId: string, along: string): boolean {
  const seen = new Set<string>();
  const open = [along];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (id === itemId) return true;
    if (seen.has(id)) continue;
    seen.add(id);
    const item = itemOf(project, id);
    if (item) open.push(...asksFor(item));
  }
  return false;
}

/** Why groups and what hangs on others make no tree; undefined where they do. */
export function treeFault(project: InTree & Pick<Project, 'pieceOrder'>): string | undefined {
  const { pieces, groups, pieceOrder } = project;
  const items = allItems(project);
  if (Object.entries(groups).some(([id, group]) => group.id !== id || ownEntry(pieces, id)))
    return 'a group has the id of something else';
  if (items.some(({ within }) => within !== '' && !ownEntry(groups, within))) return 'a group is missing';
  if (items.some(({ hung }) => hung && !itemOf(project, hung.on))) return 'what something hangs on is missing';
  if (Object.values(pieces).some(({ copyOf }) => copyOf !== undefined && isNoSource(ownEntry(pieces, copyOf))))
    return 'the piece that a copy follows is missing';
  if (items.some((item) => goesWith(item) !== undefined && closesCircle(project, item.id, goesWith(item) ?? '')))
    return 'something would go along with itself';
  if (Object.keys(groups).length === 0) return undefined;
  const full = new Set(Object.values(pieces).map(({ within }) => within));
  for (const id of [...full]) for (let up = ownEntry(groups, id); up; up = ownEntry(groups, up.within)) full.add(up.id);
  if (Object.keys(groups).some((id) => !full.has(id))) return 'a group is empty';
  return treeOrder(project).every((id, i) => id === pieceOrder[i]) ? undefined : 'pieces of a group stand apart';
}

/** Copies follow no copies. */
const isNoSource = (piece: Piece | undefined): boolean => piece?.copyOf !== undefined || !piece;
