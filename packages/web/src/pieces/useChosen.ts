import type { Piece, Project } from '@fictile/core';
import { useMemo, useState } from 'react';

/** The pieces that are worked on: the one at work first. As long as there are pieces, one is chosen. */
export interface Chosen {
  pieces: readonly Piece[];
  ids: readonly string[];
  /** alone, or with those chosen already (again: without it) */
  choose: (pieceId: string, isAlso?: boolean) => void;
  /** in a row from the one at work to this one */
  chooseTo: (pieceId: string) => void;
  chooseThese: (ids: readonly string[]) => void;
}

export function useChosen(project: Project): Chosen {
  const [wanted, setWanted] = useState<readonly string[]>([]);
  const ids = useMemo(() => {
    const left = wanted.filter((id) => project.pieces[id]);
    return left.length > 0 ? left : project.pieceOrder.slice(0, 1);
  }, [wanted, project]);
  const pieces = useMemo(() => ids.map((id) => project.pieces[id]), [ids, project]);
  return {
    ids,
    pieces,
    choose: (id, isAlso = false) => setWanted(isAlso ? toggled(ids, id) : [id]),
    chooseTo: (id) => {
      const order = project.pieceOrder;
      const [from, to] = [order.indexOf(ids[0]), order.indexOf(id)].sort((a, b) => a - b);
      setWanted([ids[0], ...order.slice(from, to + 1).filter((other) => other !== ids[0])]);
    },
    chooseThese: setWanted,
  };
}

/** The last one stays. */
const toggled = (ids: readonly string[], id: string): readonly string[] =>
  !ids.includes(id) ? [...ids, id] : ids.length === 1 ? ids : ids.filter((other) => other !== id);
