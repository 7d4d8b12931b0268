import type { Item, Piece, Project, ShownPiece, TreeRow } from '@fictile/core';
import type { PieceActions } from './pieceActions.ts';
import type { Chosen } from './useChosen.ts';

export interface TreeProps {
  project: Project;
  shown: readonly ShownPiece[];
  chosen: Chosen;
  actions: PieceActions;
  /** a piece is wanted as nothing but its mesh */
  onPlain: (piece: Piece) => void;
  /** pieces or groups are to get linked copies */
  onCopies: (items: readonly Item[]) => void;
  /** keys mean something else now: a piece is on its way onto another */
  isPutting: boolean;
  /** a piece is to be put on a body, or words on it */
  onPut: (from: { pieceId?: string; bodyId?: string }) => void;
}

/** What rows need as they are pressed: they are drawn again only when they change. */
export interface TreeTools extends TreeProps {
  rows: readonly TreeRow[];
  /** those that are seen */
  open: readonly TreeRow[];
  closed: ReadonlySet<string>;
  reached: string | undefined;
  /** opens or closes a group */
  turn: (groupId: string) => void;
  reach: (id: string) => void;
  /** a row is to be given a name; undefined: none any more */
  name: (id: string | undefined) => void;
}
