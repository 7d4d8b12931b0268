import {
  afterwards,
  groupTransform,
  isGroup,
  itemOf,
  letterFrame,
  ownEntry,
  STILL,
  type Hung,
  type Item,
  type Project,
  type ShownPiece,
  type Stands,
  type Transform,
} from '@fictile/core';

/** What is built, as far as it says where things stand. */
export interface StandingPieces {
  pieces: readonly ShownPiece[];
  /** by the id of a group: where its place counts from */
  groups: Readonly<Record<string, Transform>>;
}

/** How a piece or a group stands; undefined while that is not built. */
export function standsOf(item: Item, { pieces, groups }: StandingPieces): Stands | undefined {
  if (!isGroup(item)) return pieces.find(({ pieceId }) => pieceId === item.id);
  const frame = ownEntry(groups, item.id);
  if (!frame) return undefined;
  return { frame, transform: afterwards(frame, groupTransform(item.placement)), pivot: item.placement.pivotMm };
}

/** Where places count from in a group; '': in none. */
export function frameIn(project: Project, groupId: string, standing: StandingPieces): Transform | undefined {
  const group = ownEntry(project.groups, groupId);
  return group ? standsOf(group, standing)?.transform : STILL;
}

/** Where places of what hangs on a piece, a letter or a group count from. */
export function frameAt(project: Project, { on, letter }: Hung, standing: StandingPieces): Transform | undefined {
  const target = itemOf(project, on);
  const stands = target && standsOf(target, standing);
  if (!target || !stands) return undefined;
  const shown = standing.pieces.find(({ pieceId }) => pieceId === on);
  const own = shown?.letters.find(({ id }) => id === letter);
  if (isGroup(target) || !shown || !own) return stands.transform;
  return afterwards(stands.transform, letterFrame(target.steps, shown, own));
}
