import { useEffect } from 'react';
import { isTyping } from '../commands/index.ts';
import { inFront, largerBy, turnedBy, type Moves, type OnTheWay } from './onTheWay.ts';

/** mm that an arrow key moves what is on its way, and degrees that it turns it with Shift. */
const STEP_MM = 2;
const FINE_MM = 0.2;
const STEP_DEGREES = 5;

/** While a piece is on its way the keys are its own: nothing else in the workshop hears them. */
export function usePutKeys(state: OnTheWay | undefined, { change, take, leave }: Moves): void {
  const isOn = state !== undefined;
  useEffect(() => {
    if (!isOn) return;
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || (isTyping(event.target) && event.key !== 'Escape')) return;
      // a menu that is open hears its keys first
      if (event.target instanceof Element && event.target.closest('[role="menu"], [role="dialog"]')) return;
      // a button of the act is pressed by Enter; others only have the focus left from before
      const isButton = event.target instanceof HTMLElement && event.target.closest('[data-on-its-way] button') !== null;
      const move = event.key === 'Escape' ? leave : event.key === 'Enter' && !isButton ? take : moveOf(event);
      if (!move) return;
      event.preventDefault();
      event.stopPropagation();
      if (move === leave || move === take) move();
      else change(move as (before: OnTheWay) => OnTheWay);
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [isOn, change, take, leave]);
}

const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

function moveOf(event: KeyboardEvent): ((before: OnTheWay) => OnTheWay) | undefined {
  const size = { '+': 1, '=': 1, '-': -1 }[event.key];
  if (size !== undefined) return (before) => largerBy(before, size);
  const way = WAYS[event.key];
  if (!way) return undefined;
  const [x, y] = way;
  if (event.shiftKey) return (before) => turnedBy(before, -STEP_DEGREES * (x === 0 ? -y : x));
  const mm = event.altKey ? FINE_MM : STEP_MM;
  return (before) => moved(before, [x * mm, y * mm]);
}

/** Over the side that it is held at; from a pressed place first to the middle of the front. */
function moved(before: OnTheWay, [x, y]: readonly [number, number]): OnTheWay {
  if (!before.held) return before;
  const held = before.held.place.kind === 'side' ? before.held : inFront(before.held.bodyId);
  const { place } = held;
  if (place.kind !== 'side') return before;
  const tenths = (mm: number): number => Math.round(10 * mm) / 10 + 0;
  const across = place.acrossFrom === 'right' ? -x : x;
  const up = place.upFrom === 'above' ? -y : y;
  return {
    ...before,
    held: { ...held, place: { ...place, acrossMm: tenths(place.acrossMm + across), upMm: tenths(place.upMm + up) } },
  };
}
