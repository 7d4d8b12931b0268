import { useCallback, useEffect, useRef } from 'react';
import type { Command } from './commandList.ts';

/** Who only passes is not shown everything on the way. */
const REST_MS = 160;

/** Shows what the command that is reached would do, until another is reached or it is taken. */
export function useTrying(reached: Command | undefined): { take: (command: Command) => void } {
  const shown = useRef<Command>(undefined);
  const leave = useCallback((): void => {
    shown.current?.onLeave?.();
    shown.current = undefined;
  }, []);
  const latest = useRef(reached);
  latest.current = reached;
  const id = reached?.id;
  useEffect(() => {
    leave();
    if (id === undefined) return;
    const timer = setTimeout(() => {
      const command = latest.current;
      if (command?.id !== id || !command.onTry) return;
      command.onTry();
      shown.current = command;
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [id, leave]);
  return {
    take: (command) => {
      // what is shown of it becomes what was done: it is not taken back
      if (shown.current?.id === command.id) shown.current = undefined;
      else leave();
      command.run();
    },
  };
}
