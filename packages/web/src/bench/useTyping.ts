import { useMemo, useState } from 'react';
import { isWords, ownIds, type Piece } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import type { CaretPlace, Sight } from '../viewport/index.ts';

/** The caret on a piece's letters. */
export interface Typing {
  pieceId: string;
  place: CaretPlace;
  /** where it was begun by a press: the caret goes to the letter that is seen there */
  pressed?: Sight;
}

/**
 * Letters that were selected last, by their graphemes' ids, or colours of a drawing; they stay picked when the typing
 * ends.
 */
export interface PickedLetters {
  pieceId: string;
  ids: readonly number[];
}

/**
 * Typing on the letters: which piece, where the caret stands, how it begins and ends, and which letters were picked
 * with it.
 */
export interface TypingState {
  now: Typing | undefined;
  picked: PickedLetters | undefined;
  /** at the end of the words, or at the letter that is seen there */
  start: (pieceId: string, pressed?: Sight) => void;
  place: (place: CaretPlace) => void;
  end: () => void;
  /** letters or colours, without typing */
  pick: (pieceId: string, ids: readonly number[]) => void;
  drop: () => void;
}

export function useTyping(store: ProjectStore, choose: (pieceId: string) => void): TypingState {
  const [now, setNow] = useState<Typing>();
  const [picked, setPicked] = useState<PickedLetters>();
  const { pieces } = store.project;
  // what was taken out of the words meanwhile is picked no more
  const left = useMemo(() => {
    const piece = picked && (pieces[picked.pieceId] as Piece | undefined);
    const there = new Set(piece ? ownIds(piece) : []);
    const ids = picked?.ids.filter((id) => there.has(id)) ?? [];
    return picked && ids.length > 0 ? { ...picked, ids } : undefined;
  }, [picked, pieces]);
  return {
    now,
    picked: left,
    start: (pieceId, pressed) => {
      const piece = store.project.pieces[pieceId];
      if (piece.locked || !isWords(piece)) return;
      const end = piece.source.graphemes.length;
      choose(pieceId);
      setPicked(undefined);
      setNow({ pieceId, place: { focus: end, anchor: end }, pressed });
    },
    place: (place) => {
      if (!now) return;
      setNow({ pieceId: now.pieceId, place });
      setPicked({ pieceId: now.pieceId, ids: idsBetween(store, now.pieceId, place) });
    },
    end: () => setNow(undefined),
    pick: (pieceId, ids) => setPicked({ pieceId, ids }),
    drop: () => setPicked(undefined),
  };
}

function idsBetween(store: ProjectStore, pieceId: string, { focus, anchor }: CaretPlace): number[] {
  const piece = store.project.pieces[pieceId];
  if (!isWords(piece)) return [];
  const { graphemes } = piece.source;
  const row = graphemes.slice(Math.min(focus, anchor), Math.max(focus, anchor));
  return row.filter((g) => g.text.trim() !== '').map((g) => g.id);
}
