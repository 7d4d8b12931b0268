import { useMemo, useRef } from 'react';

/** What all changes of one drag go by, so that they are one step of undo. */
export interface DragName {
  /** another drag begins */
  begin: () => void;
  of: (what: string) => string;
}

export function useDragName(): DragName {
  const current = useRef('');
  return useMemo(
    () => ({
      begin: () => {
        current.current = crypto.randomUUID();
      },
      of: (what) => `${what} ${current.current}`,
    }),
    [],
  );
}
