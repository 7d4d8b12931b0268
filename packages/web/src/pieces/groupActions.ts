import {
  allItems,
  groupsAround,
  isLocked,
  itemOf,
  liesOnAnother,
  newGroup,
  ownEntry,
  pieceIdsOf,
  piecesIn,
  stayingIn,
  transformPoints,
  turnedBack,
  middleOfBox,
  STILL,
  type Edit,
  type Hung,
  type Item,
  type Project,
  type Transform,
  type Vec3,
} from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import { around, type BoxOf } from './alignment.ts';
import { frameAt, frameIn, standsOf, type StandingPieces } from './standing.ts';

export type Items = readonly Item[];

/** What makes the tree of pieces. Nothing that is moved in it comes to stand elsewhere. */
export interface GroupActions {
  /** gives the id of the group; undefined: nothing was to be grouped */
  group(items: Items, name: string): string | undefined;
  dissolve(groupId: string): void;
  /** into a group ('': into none), before something that is in it, or behind all that are */
  move(items: Items, within: string, before?: string): void;
  hang(items: Items, hung: Hung): void;
  takeOff(items: Items): void;
}

export interface GroupTools {
  boxOf: BoxOf;
  /** as it is built now */
  standing: () => StandingPieces;
}

export function groupActions(store: ProjectStore, { boxOf, standing }: GroupTools): GroupActions {
  const free = (items: Items): Items => items.filter((item) => !isLocked(store.project, item));
  const staying = (items: Items, to: Transform | undefined): Edit[] =>
    items.flatMap((item) => {
      const stands = standsOf(item, standing());
      return stands && to && !liesOnAnother(store.project, item) ? stayingIn(item, stands, to) : [];
    });
  const frame = (groupId: string): Transform | undefined => frameIn(store.project, groupId, standing());
  const take = (edits: Edit[]): void => store.edit({ kind: 'many', edits });
  return {
    group: (chosen, name) => {
      const items = free(chosen);
      if (items.length === 0) return undefined;
      const within = firstOf(store.project, items).within;
      const others = items.filter((item) => item.within !== within && !item.hung);
      const to = frame(within);
      const pivot = middleIn(to ?? STILL, insideOf(store.project, items), boxOf);
      const group = newGroup(crypto.randomUUID(), name, pivot);
      take([
        ...staying(others, to),
        ...leaving(store.project, emptiedBy(store.project, items), { staying, frame }),
        { kind: 'addGroup', group, items: items.map(({ id }) => id) },
      ]);
      return group.id;
    },
    dissolve: (groupId) => {
      const group = ownEntry(store.project.groups, groupId);
      if (!group) return;
      const inside = allItems(store.project).filter((item) => item.within === groupId && !item.hung);
      take([
        ...staying(inside, standsOf(group, standing())?.frame),
        ...leaving(store.project, [group], { staying, frame }),
        { kind: 'dissolveGroup', groupId },
      ]);
    },
    move: (chosen, within, before) => {
      const items = free(chosen).filter(({ id }) => id !== within && id !== before);
      if (items.length === 0) return;
      const moved = items.filter((item) => !item.hung);
      const ids = items.map(({ id }) => id);
      take([
        ...staying(moved, frame(within)),
        ...leaving(store.project, emptiedBy(store.project, items), { staying, frame }),
        { kind: 'moveItems', items: ids, within, before },
      ]);
    },
    hang: (chosen, hung) => {
      const items = free(chosen).filter(({ id }) => id !== hung.on);
      const to = frameAt(store.project, hung, standing());
      if (items.length > 0) take([...staying(items, to), { kind: 'hang', items: items.map(({ id }) => id), hung }]);
    },
    takeOff: (chosen) => {
      const items = free(chosen).filter(({ hung }) => hung);
      if (items.length === 0) return;
      const places = items.flatMap((item) => staying([item], frame(item.within)));
      take([...places, { kind: 'hang', items: items.map(({ id }) => id), hung: null }]);
    },
  };
}

/** Ids of all pieces that some items come to. */
export const insideOf = (project: Project, items: Items): string[] =>
  items.flatMap((item) => pieceIdsOf(project, item));

/** As the tree has them. */
function firstOf(project: Project, items: Items): Item {
  const chosen = new Set(items.map(({ id }) => id));
  for (const id of project.pieceOrder) {
    const piece = project.pieces[id];
    const outermost = [piece, ...groupsAround(project, piece)].filter((item) => chosen.has(item.id)).at(-1);
    if (outermost) return outermost;
  }
  return items[0];
}

/** In the middle of all of them, as some frame has it. */
function middleIn(frame: Transform, ids: readonly string[], boxOf: BoxOf): Vec3 {
  const box = around(ids, boxOf);
  if (!box) return [0, 0, 0];
  const [x, y, z] = transformPoints(turnedBack(frame, STILL), Float64Array.from(middleOfBox(box)));
  const rounded = (v: number): number => Math.round(v * 100) / 100 + 0;
  return [rounded(x), rounded(y), rounded(z)];
}

type Staying = (items: Items, to: Transform | undefined) => Edit[];

/** Places said anew for what hangs on something that goes away. */
export function leaving(
  project: Project,
  gone: Items,
  { staying, frame }: { staying: Staying; frame: (groupId: string) => Transform | undefined },
): Edit[] {
  const ids = new Set(gone.map(({ id }) => id));
  const loose = allItems(project).filter(({ hung }) => hung && ids.has(hung.on));
  // what is in a group that goes away comes to where that is
  const outside = (item: Item): string => groupsAround(project, item).find(({ id }) => !ids.has(id))?.id ?? '';
  return loose.flatMap((item) => staying([item], frame(outside(item))));
}

/** Groups in which nothing is left when some items are taken out of them. */
export function emptiedBy(project: Project, items: Items): Item[] {
  const taken = new Set(insideOf(project, items));
  const isKept = (group: Item): boolean =>
    [group, ...groupsAround(project, group)].some(({ id }) => items.some((item) => item.id === id));
  return Object.values(project.groups).filter(
    (group) => !isKept(group) && piecesIn(project, group.id).every((id) => taken.has(id)),
  );
}

/** The item with an id; for those that are known to be there. */
export const known = (project: Project, ids: readonly string[]): Item[] =>
  ids.flatMap((id) => itemOf(project, id) ?? []);
