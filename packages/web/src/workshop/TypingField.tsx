import { splitGraphemes, type WordsPiece } from '@fictile/core';
import { useEffect, useLayoutEffect, useRef } from 'react';
import type { CaretPlace } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import classes from './Workbench.module.css';

interface TypingFieldProps {
  piece: WordsPiece;
  place: CaretPlace;
  onPlace: (place: CaretPlace) => void;
  onText: (text: string) => void;
  onEnd: () => void;
}

/** Places in the text by graphemes, and in the field by its own units. */
const offsetOf = (graphemes: readonly { text: string }[], at: number): number =>
  graphemes.slice(0, at).reduce((sum, g) => sum + g.text.length, 0);

function graphemeAt(graphemes: readonly { text: string }[], offset: number): number {
  let sum = 0;
  let at = 0;
  while (at < graphemes.length && sum < offset) sum += graphemes[at++].text.length;
  return at;
}

/**
 * The real text field behind the caret on the letters: keys, selection, clipboard, input methods and screen readers
 * come from it. It cannot be seen; what it holds is drawn on the model.
 */
export function TypingField({ piece, place, onPlace, onText, onEnd }: TypingFieldProps) {
  const field = useRef<HTMLTextAreaElement>(null);
  const graphemes = piece.source.graphemes;
  const text = graphemes.map((g) => g.text).join('');
  useEffect(() => field.current?.focus({ preventScroll: true }), []);
  useLayoutEffect(() => {
    const [from, to] = [place.anchor, place.focus].map((at) => offsetOf(graphemes, at));
    field.current?.setSelectionRange(Math.min(from, to), Math.max(from, to), from <= to ? 'forward' : 'backward');
  }, [place, graphemes]);
  const readPlace = (area: HTMLTextAreaElement, of: readonly { text: string }[]): void => {
    const [start, end] = [graphemeAt(of, area.selectionStart), graphemeAt(of, area.selectionEnd)];
    const isBackward = area.selectionDirection === 'backward';
    const next = { focus: isBackward ? start : end, anchor: isBackward ? end : start };
    if (next.focus !== place.focus || next.anchor !== place.anchor) onPlace(next);
  };
  return (
    <textarea
      ref={field}
      className={classes.typing}
      aria-label={texts.workshop.typing}
      wrap="off"
      spellCheck={false}
      value={text}
      onChange={(event) => {
        const area = event.currentTarget;
        onText(area.value);
        readPlace(
          area,
          splitGraphemes(area.value).map((g) => ({ text: g })),
        );
      }}
      onSelect={(event) => readPlace(event.currentTarget, graphemes)}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onEnd();
      }}
      onBlur={onEnd}
    />
  );
}
