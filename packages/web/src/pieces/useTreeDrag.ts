import type { DragEndEvent, DragMoveEvent } from '@dnd-kit/core';
import { closesCircle, isGroup, isLettering, itemOf, type Item, type Project } from '@fictile/core';
import { useState, type RefObject } from 'react';
import type { TreeTools } from './treeTools.ts';
import type { DropZone } from './TreeLine.tsx';
import { besideRow } from './treeMoves.ts';

/** Of a row's height at either end: what is let go there comes beside it. */
const BESIDE = 0.28;

interface Over {
  id: string;
  zone: DropZone;
}

/**
 * Rows pulled over others: let go between two they come there, on a group into it, and on another piece they are put
 * on that.
 */
export function useTreeDrag(latest: RefObject<TreeTools>) {
  const [over, setOver] = useState<Over>();
  const follow = (event: DragMoveEvent): void => {
    const next = overOf(event);
    setOver((before) => (before?.id === next?.id && before?.zone === next?.zone ? before : next));
  };
  const letGo = (event: DragEndEvent): void => {
    const at = overOf(event);
    setOver(undefined);
    if (at) drop(String(event.active.id), at, latest.current);
  };
  const handlers = {
    onDragMove: follow,
    onDragEnd: letGo,
    onDragCancel: () => setOver(undefined),
  };
  return { over, handlers };
}

function overOf({ active, over, activatorEvent, delta }: DragMoveEvent): Over | undefined {
  if (!over || over.id === active.id) return undefined;
  const share = ((activatorEvent as PointerEvent).clientY + delta.y - over.rect.top) / over.rect.height;
  const zone = share < BESIDE ? 'before' : share > 1 - BESIDE ? 'after' : 'into';
  return { id: String(over.id), zone };
}

function drop(pulled: string, { id, zone }: Over, { project, rows, closed, chosen, actions, onPut }: TreeTools): void {
  const [item, target] = [itemOf(project, pulled), itemOf(project, id)];
  const row = rows.find((one) => one.id === id);
  if (!item || !target || !row) return;
  const items = chosen.items.includes(item) ? chosen.items : [item];
  if (zone !== 'into') {
    const { within, before } = besideRow(rows, row, { side: zone, isOpen: !closed.has(id) });
    if (fits(project, items, within)) actions.move(items, within, before);
  } else if (isGroup(target)) {
    if (fits(project, items, id)) actions.move(items, id);
  } else if (!isGroup(item)) onPut(rolesOf(project, pulled, id));
}

/** A group is put into none that is in it. */
const fits = (project: Project, items: readonly Item[], within: string): boolean =>
  within === '' || items.every((item) => item.id !== within && !closesCircle(project, item.id, within));

/** Words are put on bodies, whichever of the two was pulled. */
function rolesOf({ pieces }: Project, pulled: string, onto: string): { pieceId: string; bodyId: string } {
  const isTurned = !isLettering(pieces[pulled]) && isLettering(pieces[onto]);
  return isTurned ? { pieceId: onto, bodyId: pulled } : { pieceId: pulled, bodyId: onto };
}
