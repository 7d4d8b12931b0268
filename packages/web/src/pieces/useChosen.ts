import {
  asInGroups,
  itemOf,
  ownEntry,
  pieceIdsOf,
  treeRows,
  type Group,
  type Item,
  type Piece,
  type Project,
} from '@fictile/core';
import { useMemo, useState } from 'react';

/**
 * What is worked on: pieces, and groups with all that is in them, the one at work first. As long as there are pieces,
 * one is chosen.
 */
export interface Chosen {
  /** all pieces that it comes to, shown and locked as their groups make them */
  pieces: readonly Piece[];
  ids: readonly string[];
  /** what was chosen itself */
  items: readonly Item[];
  /** the group at work; undefined: a piece is */
  group: Group | undefined;
  /** alone, or with those chosen already (again: without it) */
  choose: (id: string, isAlso?: boolean) => void;
  /** in a row from the one at work to this one */
  chooseTo: (id: string) => void;
  chooseThese: (ids: readonly string[]) => void;
}

export function useChosen(project: Project): Chosen {
  const [wanted, setWanted] = useState<readonly string[]>([]);
  const items = useMemo(() => {
    const left = wanted.flatMap((id) => itemOf(project, id) ?? []);
    return left.length > 0 ? left : project.pieceOrder.slice(0, 1).map((id) => project.pieces[id]);
  }, [wanted, project]);
  const ids = useMemo(() => [...new Set(items.flatMap((item) => pieceIdsOf(project, item)))], [items, project]);
  const pieces = useMemo(() => {
    const counted = asInGroups(project);
    return ids.map((id) => counted.pieces[id]);
  }, [ids, project]);
  const [first] = items;
  const own = items.map(({ id }) => id);
  return {
    ...{ ids, pieces, items },
    group: first && ownEntry(project.groups, first.id),
    choose: (id, isAlso = false) => setWanted(isAlso ? toggled(own, id) : [id]),
    chooseTo: (id) => {
      const order = treeRows(project).map((row) => row.id);
      const [from, to] = [order.indexOf(own[0]), order.indexOf(id)].sort((a, b) => a - b);
      setWanted([own[0], ...order.slice(from, to + 1).filter((other) => other !== own[0])]);
    },
    chooseThese: setWanted,
  };
}

/** The last one stays. */
const toggled = (ids: readonly string[], id: string): readonly string[] =>
  !ids.includes(id) ? [...ids, id] : ids.length === 1 ? ids : ids.filter((other) => other !== id);
