import { useRef, useState, type CSSProperties, type KeyboardEvent, type PointerEvent } from 'react';

/** Pixels that an arrow key moves it. */
const STEP = 16;

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

interface Movable {
  style: CSSProperties;
  /** for what it is taken by */
  grip: {
    onPointerDown: (event: PointerEvent<HTMLElement>) => void;
    onPointerMove: (event: PointerEvent<HTMLElement>) => void;
    onPointerUp: () => void;
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => void;
  };
}

/** A card that is moved over the page by a grip, with the pointer or arrow keys; its grip never leaves the window. */
export function useMovable(): Movable {
  const [at, setAt] = useState<readonly [number, number]>([0, 0]);
  const from = useRef<readonly [number, number]>(undefined);
  const move = (element: HTMLElement, x: number, y: number): void => {
    const { left, right, top, bottom } = element.getBoundingClientRect();
    const inside = (by: number, [low, high]: readonly [number, number], room: number): number =>
      Math.max(-low, Math.min(room - high, by));
    setAt(([ax, ay]) => [
      ax + inside(x, [left, right], window.innerWidth),
      ay + inside(y, [top, bottom], window.innerHeight),
    ]);
  };
  return {
    style: { translate: `${at[0]}px ${at[1]}px` },
    grip: {
      onPointerDown: (event) => {
        if (event.button !== 0 || event.target !== event.currentTarget) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = [event.clientX, event.clientY];
      },
      onPointerMove: (event) => {
        if (!from.current) return;
        move(event.currentTarget, event.clientX - from.current[0], event.clientY - from.current[1]);
        from.current = [event.clientX, event.clientY];
      },
      onPointerUp: () => (from.current = undefined),
      onKeyDown: (event) => {
        if (!(event.key in ARROWS) || event.target !== event.currentTarget) return;
        event.preventDefault();
        move(event.currentTarget, ...ARROWS[event.key]);
      },
    },
  };
}
