import { isEmptyBox } from '@fictile/core';
import { useMemo } from 'react';
import { useChoice, useMeshes } from '../bench/index.ts';
import { boundsOf, PlaceHandles } from '../viewport/index.ts';
import { useHandsHere } from './handsContext.ts';

/** What moves and turns the piece at work. */
export function PlaceTool() {
  const { lead } = useChoice();
  const { shelf, shown } = useMeshes();
  const { placing } = useHandsHere();
  const box = useMemo(() => boundsOf(shown ? [shown] : [], shelf), [shown, shelf]);
  if (!placing || !lead || lead.locked || isEmptyBox(box)) return null;
  return <PlaceHandles placement={lead.placement} box={box} placing={placing} />;
}
