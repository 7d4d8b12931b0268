import { middleOfBox } from '@fictile/core';
import { useEffect } from 'react';
import { useActs, useChoice, useMeshes, useOpenParts } from '../bench/index.ts';
import { useHeldPointer } from '../ui/index.ts';

/** While it is wished, the first view looks at the middle of what is chosen, from as far and as high as before. */
export function useFollowing(): void {
  const { view, camera } = useOpenParts();
  const { chosen } = useChoice();
  const { actions } = useActs();
  const { evaluation } = useMeshes();
  const isHeld = useHeldPointer();
  const box = view.follows && !evaluation.busy ? actions.boxAround(chosen.items) : undefined;
  const middle = box && middleOfBox(box).join(' ');
  useEffect(() => {
    // what is pulled by hand would run away from it
    if (middle === undefined || isHeld.current) return;
    const to = middle.split(' ').map(Number) as [number, number, number];
    camera.current?.change(({ from, to: was }) => ({
      from: [0, 1, 2].map((k) => from[k] + to[k] - was[k]) as typeof to,
      to,
    }));
  }, [middle, camera, isHeld]);
}
