import { useRef } from 'react';

interface Reached {
  onFocus: () => void;
  onMouseMove: () => void;
}

/**
 * For menus whose items are tried as they are reached: by keys, or by a pointer that moves. What is tried may move the menu; an item that
 * comes under a resting pointer by that is not reached, or the menu would go on for ever.
 */
export function useReached<T>(onTry: ((value: T) => void) | undefined): { start: () => void; item: (value: T) => Reached } {
  const last = useRef<T>(undefined);
  const reach = (value: T): void => {
    if (last.current === value) return;
    last.current = value;
    onTry?.(value);
  };
  return {
    start: () => (last.current = undefined),
    item: (value) => ({
      onFocus: () => reach(value),
      // browsers tell of entering when the page moves under a pointer, of moving only when the pointer does
      onMouseMove: () => reach(value),
    }),
  };
} // prettier-ignore
