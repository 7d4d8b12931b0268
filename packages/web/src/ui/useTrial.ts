import { useRef } from 'react';

/** Edits of one trial are one step of undo. */
export interface TrialKey {
  drag: string;
}

/**
 * What joins edits into one step of undo: a burst of typing or stepping by a name, a drag or a trial however long a
 * hand rests.
 */
export type EditKey = string | TrialKey;

interface Trial<T> {
  onTry: (value: T | undefined) => void;
  onChange: (value: T) => void;
}

let trials = 0;

/** For menus that show each choice at once as it is reached: leaving the menu without choosing takes it back. */
export function useTrial<T>(put: (value: T, key: TrialKey) => void, takeBack: (key: TrialKey) => void): Trial<T> {
  const running = useRef<TrialKey>(undefined);
  const key = (): TrialKey => (running.current ??= { drag: `trial ${++trials}` });
  return {
    onTry: (value) => {
      if (value !== undefined) return put(value, key());
      if (running.current) takeBack(running.current);
      running.current = undefined;
    },
    onChange: (value) => {
      put(value, key());
      running.current = undefined;
    },
  };
}
