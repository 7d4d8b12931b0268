import { isEmptyBox, isLocked, transformPoints, type Vec3 } from '@fictile/core';
import { useMemo } from 'react';
import { useActs, useChoice, useDocument, useMeshes, usePiecesOf } from '../bench/index.ts';
import { standsOf } from '../pieces/index.ts';
import { boundsOf, PlaceHandles } from '../viewport/index.ts';
import { useHandsHere } from './handsContext.ts';

/** What moves and turns the piece or the group at work, about its pivot. */
export function PlaceTool() {
  const { project } = useDocument();
  const { chosen } = useChoice();
  const { shelf, evaluation } = useMeshes();
  const { placing } = useHandsHere();
  const { isOut } = useActs().pivoting;
  const item = chosen.items.at(0);
  const pieces = usePiecesOf(project, item, evaluation.pieces);
  const box = useMemo(() => boundsOf(pieces, shelf), [pieces, shelf]);
  const stands = item && standsOf(item, evaluation);
  if (!placing || isOut || !stands || isLocked(project, item) || isEmptyBox(box)) return null;
  const pivot = Array.from(transformPoints(stands.transform, Float64Array.from(stands.pivot))) as Vec3;
  const { rows } = stands.transform;
  return <PlaceHandles pivot={pivot} bearing={Math.atan2(rows[2], rows[8])} box={box} placing={placing} />;
}
