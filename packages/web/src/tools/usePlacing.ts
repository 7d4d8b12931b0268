import type { Edit, Placement } from '@fictile/core';
import { useMemo, useRef } from 'react';
import type { ProjectStore } from '../store/index.ts';
import { useDragName } from '../ui/index.ts';
import type { PlaceChange, Placing } from '../viewport/index.ts';
import { texts } from '../words/index.ts';

/** Drags of the chosen pieces in the view, each drag one step of undo. */
export function usePlacing(store: ProjectStore, ids: readonly string[]): Placing {
  const from = useRef<readonly (readonly [string, Placement])[]>([]);
  const drag = useDragName();
  return useMemo(
    () => ({
      begin: () => {
        const pieces = ids.map((id) => store.project.pieces[id]).filter((piece) => piece && !piece.locked);
        from.current = pieces.map((piece) => [piece.id, piece.placement]);
        drag.begin();
      },
      change: (change) => {
        const edits = from.current.map(([pieceId, placement]): Edit => ({
          kind: 'setPlacement',
          pieceId,
          values: after(placement, change),
        }));
        if (edits.length > 0) store.edit({ kind: 'many', edits }, drag.of('place'), { isDrag: true });
      },
      words: texts.view.dragged,
    }),
    [store, ids, drag],
  );
}

const FARTHEST_MM = 100_000;

function after({ atMm, turnDegrees }: Placement, { moveMm, turnDegrees: by }: PlaceChange): Partial<Placement> {
  const at = atMm.map((v, k) => Math.min(FARTHEST_MM, Math.max(-FARTHEST_MM, v + moveMm[k])));
  const turn = ((((turnDegrees[1] + by) % 360) + 540) % 360) - 180;
  return {
    atMm: at as Placement['atMm'],
    turnDegrees: by === 0 ? turnDegrees : [turnDegrees[0], turn === -180 ? 180 : turn, turnDegrees[2]],
  };
}
