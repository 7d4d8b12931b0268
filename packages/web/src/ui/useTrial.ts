import { useRef } from 'react';

interface Trial<T> {
  onTry: (value: T | undefined) => void;
  onChange: (value: T) => void;
}

/** For menus that show each choice at once as it is reached: leaving the menu without choosing puts back what was there. */
export function useTrial<T>(present: T, put: (value: T) => void): Trial<T> {
  const before = useRef<{ value: T }>(undefined);
  return {
    onTry: (value) => {
      before.current ??= { value: present };
      if (value !== undefined) return put(value);
      put(before.current.value);
      before.current = undefined;
    },
    onChange: (value) => {
      before.current = undefined;
      put(value);
    },
  };
}
