import { ownEntry } from '../base/index.ts';
import type { Group, Piece, Project } from './schema.ts';

type Forest = Pick<Project, 'pieces' | 'pieceOrder' | 'groups'>;

/** A piece or a group. */
export type Item = Piece | Group;

export const isGroup = (item: Item): item is Group => !('source' in item);

/** By its id; undefined where there is none. */
export const itemOf = ({ pieces, groups }: Pick<Project, 'pieces' | 'groups'>, id: string): Item | undefined =>
  ownEntry(pieces, id) ?? ownEntry(groups, id);

/** All pieces and groups. */
export const allItems = ({ pieces, groups }: Pick<Project, 'pieces' | 'groups'>): Item[] => [
  ...Object.values(pieces),
  ...Object.values(groups),
];

/** The groups that something is in, the innermost first. */
export function groupsAround({ groups }: Pick<Project, 'groups'>, { within }: Pick<Item, 'within'>): Group[] {
  const around: Group[] = [];
  for (let group = ownEntry(groups, within); group && !around.includes(group); group = ownEntry(groups, group.within))
    around.push(group);
  return around;
}

/** A line of the tree of pieces. */
export interface TreeRow {
  id: string;
  /** of the group it is in; empty: in none */
  within: string;
  /** groups around it */
  depth: number;
  isGroup: boolean;
}

/** All groups and pieces as the tree has them: each group before what is in it, where the first of that stands. */
export function treeRows(project: Forest): TreeRow[] {
  const inside = new Map<string, TreeRow[]>([['', []]]);
  for (const id of project.pieceOrder) {
    const piece = project.pieces[id];
    const around = groupsAround(project, piece).reverse();
    around.forEach((group, depth) => {
      if (inside.has(group.id)) return;
      inside.set(group.id, []);
      inside.get(around[depth - 1]?.id ?? '')?.push({ id: group.id, within: group.within, depth, isGroup: true });
    });
    inside.get(around.at(-1)?.id ?? '')?.push({ id, within: piece.within, depth: around.length, isGroup: false });
  }
  const flat = (rows: readonly TreeRow[]): TreeRow[] =>
    rows.flatMap((row) => (row.isGroup ? [row, ...flat(inside.get(row.id) ?? [])] : [row]));
  return flat(inside.get('') ?? []);
}

/** The order of pieces in which those of a group follow one another. */
export const treeOrder = (project: Forest): string[] =>
  treeRows(project).flatMap(({ id, isGroup: holds }) => (holds ? [] : [id]));

/** Ids of the pieces in a group and in the groups in it, in their order. */
export const piecesIn = (project: Forest, groupId: string): string[] =>
  project.pieceOrder.filter((id) => groupsAround(project, project.pieces[id]).some((group) => group.id === groupId));

/** Ids of the pieces that something comes to: itself, or all that are in it. */
export const pieceIdsOf = (project: Forest, item: Item): string[] =>
  isGroup(item) ? piecesIn(project, item.id) : [item.id];

/** Shown, and in no group that is hidden. */
export const isShown = (project: Pick<Project, 'groups'>, item: Item): boolean =>
  item.visible && groupsAround(project, item).every(({ visible }) => visible);

/** Locked, or in a group that is. */
export const isLocked = (project: Pick<Project, 'groups'>, item: Item): boolean =>
  item.locked || groupsAround(project, item).some(({ locked }) => locked);

/** The document with its pieces as shown and as locked as the groups make them that they are in. */
export function asInGroups(project: Project): Project {
  if (Object.keys(project.groups).length === 0) return project;
  const pieces = Object.fromEntries(
    Object.entries(project.pieces).map(([id, piece]) => {
      const [visible, locked] = [isShown(project, piece), isLocked(project, piece)];
      return [id, visible === piece.visible && locked === piece.locked ? piece : { ...piece, visible, locked }];
    }),
  );
  return { ...project, pieces };
}
