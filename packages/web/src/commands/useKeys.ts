import { useEffect } from 'react';
import type { Command } from './commandList.ts';

/** Runs commands by their keys. Those without Ctrl wait while text is typed, and can be switched off as a whole. */
export function useKeys(commands: readonly Command[], singleKeys: boolean): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented) return;
      const pressed = pressedKeys(event);
      const command = commands.find((c) => c.keys?.toLowerCase() === pressed);
      if (!command || command.isPossible === false || command.hasOwnEvent) return;
      if (TEXTS_OWN.has(pressed)) {
        if (isTyping(event.target) || (window.getSelection()?.toString() ?? '') !== '') return;
      } else if (pressed === 'escape' && closesSomething(event.target)) return;
      else if (!pressed.startsWith('mod')) {
        if (isTyping(event.target) || isPressed(event) || !(singleKeys || NAMED.has(pressed))) return;
      }
      event.preventDefault();
      command.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [commands, singleKeys]);
}

/** What text takes for itself where it is typed or selected. */
const TEXTS_OWN: ReadonlySet<string> = new Set(['mod+c', 'mod+v', 'mod+a']);
/** Keys that no voice or hand hits by chance. */
const NAMED: ReadonlySet<string> = new Set(['enter', 'escape', 'delete']);

function pressedKeys(event: KeyboardEvent): string {
  const mod = event.ctrlKey || event.metaKey ? 'mod+' : '';
  const shift = event.shiftKey && mod !== '' ? 'shift+' : '';
  return `${mod}${shift}${event.key.toLowerCase()}`;
}

/** Enter and Delete belong to what has the focus. */
const isPressed = (event: KeyboardEvent): boolean =>
  (event.key === 'Enter' || event.key === 'Delete') &&
  event.target !== document.body &&
  !(event.target instanceof HTMLElement && event.target.role === 'group');

/** Escape closes what is open about it, and nothing else with it. */
const closesSomething = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('[role="menu"], [role="dialog"], [role="listbox"], [aria-expanded="true"][aria-haspopup]') !== null;

export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.role === 'spinbutton');
