import { useEffect } from 'react';
import type { Command } from './commandList.ts';

/** Runs commands by their keys. Those without Ctrl wait while text is typed. */
export function useKeys(commands: readonly Command[]): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const pressed = pressedKeys(event);
      const command = commands.find((c) => c.keys?.toLowerCase() === pressed);
      if (!command || command.isPossible === false) return;
      if (!pressed.startsWith('mod') && (isTyping(event.target) || isPressed(event))) return;
      event.preventDefault();
      command.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [commands]);
}

function pressedKeys(event: KeyboardEvent): string {
  const mod = event.ctrlKey || event.metaKey ? 'mod+' : '';
  const shift = event.shiftKey && mod !== '' ? 'shift+' : '';
  return `${mod}${shift}${event.key.toLowerCase()}`;
}

/** Enter belongs to what has the focus. */
const isPressed = (event: KeyboardEvent): boolean => event.key === 'Enter' && event.target !== document.body;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.role === 'spinbutton');
