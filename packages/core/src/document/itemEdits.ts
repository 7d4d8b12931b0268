import type { Edit } from './edits.ts';
import { groundOf } from './ground.ts';
import type { Piece, Placement, Project } from './schema.ts';
import { isGroup, type Item } from './tree.ts';

/** It stands where that does, whatever is said of its own place. */
export const liesOnAnother = (project: Pick<Project, 'pieces'>, item: Item): boolean =>
  !isGroup(item) && groundOf(project, item) !== undefined;

/** Says where a piece or a group stands; a group's pivot is numbers, and it stands on no table. */
export function placeItem(item: Item, values: Partial<Placement>): Edit {
  if (!isGroup(item)) return { kind: 'setPlacement', pieceId: item.id, values };
  const { pivot: _pivot, stand: _stand, ...own } = values;
  return { kind: 'placeGroup', groupId: item.id, values: own };
}

/** What pieces and groups have alike. */
export const setItem = (item: Item, values: Partial<Pick<Piece, 'name' | 'visible' | 'locked'>>): Edit =>
  isGroup(item) ? { kind: 'setGroup', groupId: item.id, values } : { kind: 'setPiece', pieceId: item.id, values };
