import { useState } from 'react';
import type { ProjectStore } from '../store/index.ts';
import type { CaretPlace, Typing } from '../viewport/index.ts';

/** Typing on the letters: which piece, where the caret stands, and how it begins and ends. */
export interface TypingState {
  now: Typing | undefined;
  start: (pieceId: string) => void;
  place: (place: CaretPlace) => void;
  end: () => void;
}

export function useTyping(store: ProjectStore, choose: (pieceId: string) => void): TypingState {
  const [now, setNow] = useState<Typing>();
  return {
    now,
    start: (pieceId) => {
      if (store.project.pieces[pieceId].locked) return;
      const end = store.project.pieces[pieceId].source.graphemes.length;
      choose(pieceId);
      setNow({ pieceId, place: { focus: end, anchor: end } });
    },
    place: (place) => setNow((before) => before && { ...before, place }),
    end: () => setNow(undefined),
  };
}
