import { useRef, type CSSProperties, type FocusEvent, type KeyboardEvent } from 'react';
import { useMenuFocus } from './useMenuFocus.ts';
import { useReached, type Reached } from './useReached.ts';

interface TriedMenu<T> {
  /** for the menu itself */
  menu: {
    position: 'bottom-start';
    withinPortal: true;
    hideDetached: false;
    trapFocus: true;
    returnFocus: true;
    onOpen: () => void;
    onClose: () => void;
  };
  /** for the button that opens it */
  target: { onKeyDown: (event: KeyboardEvent<HTMLElement>) => void };
  /** for what opens */
  dropdown: { mah: number; style: CSSProperties; onFocus: (event: FocusEvent<HTMLElement>) => void };
  item: (value: T) => Reached & { onClick: () => void };
}

/**
 * A menu whose items are tried as they are reached; to leave it without a choice takes the trial back. `present`: where
 * it starts.
 */
export function useTriedMenu<T>(
  onTry: ((value: T | undefined) => void) | undefined,
  onTake: (value: T) => void,
  present?: T,
): TriedMenu<T> {
  const isTaken = useRef(false);
  const reached = useReached<T>(onTry);
  const focus = useMenuFocus();
  return {
    menu: {
      position: 'bottom-start',
      withinPortal: true,
      hideDetached: false,
      trapFocus: true,
      returnFocus: true,
      onOpen: () => {
        isTaken.current = false;
        reached.start(present);
      },
      onClose: () => {
        if (!isTaken.current) onTry?.(undefined);
      },
    },
    target: focus.target,
    dropdown: { mah: 420, style: { overflowY: 'auto', ...reached.style }, ...focus.dropdown },
    item: (value) => ({
      ...reached.item(value),
      onClick: () => {
        isTaken.current = true;
        onTake(value);
      },
    }),
  };
}
