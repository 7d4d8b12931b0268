import { useEffect, useRef, type RefObject } from 'react';

/** Whether a button of the pointer is held down now. */
export function useHeldPointer(): RefObject<boolean> {
  const isHeld = useRef(false);
  useEffect(() => {
    const down = (): void => void (isHeld.current = true);
    const up = (): void => void (isHeld.current = false);
    const heard = [['pointerdown', down] as const, ['pointerup', up] as const, ['pointercancel', up] as const];
    for (const [name, listener] of heard) window.addEventListener(name, listener, true);
    return () => heard.forEach(([name, listener]) => window.removeEventListener(name, listener, true));
  }, []);
  return isHeld;
}
