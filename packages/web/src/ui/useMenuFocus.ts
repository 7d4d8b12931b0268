import { useRef, type FocusEvent, type KeyboardEvent } from 'react';

const ITEMS = '[data-menu-item]:not(:disabled)';

interface MenuFocus {
  /** for the button that opens the menu */
  target: { onKeyDown: (event: KeyboardEvent<HTMLElement>) => void };
  /** for what opens */
  dropdown: { onFocus: (event: FocusEvent<HTMLElement>) => void };
}

/**
 * A menu gets the focus a moment after the press that opens it, when it has been laid out, and at times twice. Arrow
 * keys pressed before are meant for it: they are kept, and taken as soon as it has the focus. It starts at the item
 * marked `data-present`, which is brought into sight.
 */
export function useMenuFocus(): MenuFocus {
  const early = useRef(0);
  const reached = useRef<HTMLElement>(undefined);
  return {
    target: {
      onKeyDown: ({ key, currentTarget }) => {
        if (currentTarget.getAttribute('aria-expanded') !== 'true') early.current = 0;
        else if (key === 'ArrowDown') early.current++;
        else if (key === 'ArrowUp') early.current--;
      },
    },
    dropdown: {
      onFocus: ({ currentTarget: menu, target, relatedTarget }) => {
        if (target.matches(ITEMS)) return void (reached.current = target);
        if (!menu.contains(relatedTarget)) reached.current = undefined;
        const start = reached.current ?? startOf(menu, early.current);
        early.current = 0;
        if (!start) return;
        menu.scrollTop = start.offsetTop - (menu.clientHeight - start.offsetHeight) / 2;
        start.focus({ preventScroll: true });
      },
    },
  };
}

/**
 * The present item, some steps on; without one the first step takes the first, as it does in a menu that has the focus.
 */
function startOf(menu: HTMLElement, steps: number): HTMLElement | undefined {
  const items = [...menu.querySelectorAll<HTMLElement>(ITEMS)];
  const present = items.findIndex((item) => item.dataset.present !== undefined);
  if (present < 0 && steps === 0) return undefined;
  return items.at((Math.max(present, steps > 0 ? -1 : 0) + steps) % items.length);
}
