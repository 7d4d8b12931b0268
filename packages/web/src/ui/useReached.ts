import { useRef, useState, type CSSProperties, type SyntheticEvent } from 'react';

export interface Reached {
  onFocus: (event: SyntheticEvent<HTMLElement>) => void;
  onMouseMove: (event: SyntheticEvent<HTMLElement>) => void;
}

interface ReachedMenu<T> {
  /** the menu opens, at this item */
  start: (at?: T) => void;
  item: (value: T) => Reached;
  /** for what opens: where it stays once something is tried */
  style: CSSProperties;
}

/**
 * For menus whose items are tried as they are reached: by keys, or by a pointer that moves. What is tried may move the
 * button the menu hangs on. The menu stays where it was, or the press meant for an item would meet another; and an item
 * that comes under a resting pointer all the same (when the page is scrolled, say) is not reached, or the menu would go
 * on for ever.
 */
export function useReached<T>(onTry: ((value: T) => void) | undefined): ReachedMenu<T> {
  const last = useRef<T>(undefined);
  const [style, setStyle] = useState<CSSProperties>({});
  const reach = (value: T, { currentTarget }: SyntheticEvent<HTMLElement>): void => {
    if (last.current === value) return;
    last.current = value;
    if (!onTry) return;
    const menu = currentTarget.closest<HTMLElement>('[data-menu-dropdown]');
    if (menu) setStyle((held) => ('top' in held ? held : { top: menu.offsetTop, left: menu.offsetLeft }));
    onTry(value);
  };
  return {
    start: (at) => {
      last.current = at;
      setStyle({});
    },
    item: (value) => ({
      onFocus: (event) => reach(value, event),
      // browsers tell of entering when the page moves under a pointer, of moving only when the pointer does
      onMouseMove: (event) => reach(value, event),
    }),
    style,
  };
}
