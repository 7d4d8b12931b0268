import {
  afterwards,
  groupsAround,
  isGroup,
  isLocked,
  isStill,
  itemOf,
  placeItem,
  standingAs,
  transformPoints,
  turnedBack,
  turnOf,
  type Edit,
  type Item,
  type Placement,
  type Stands,
  type Transform,
  type Vec3,
} from '@fictile/core';
import { useMemo, useRef } from 'react';
import { standsOf, type StandingPieces } from '../pieces/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { useDragName } from '../ui/index.ts';
import type { PlaceChange, Placing } from '../viewport/index.ts';
import { texts } from '../words/index.ts';

/** As it stood when the drag began. */
interface HeldItem {
  item: Item;
  stands: Stands;
}

/** Drags of what is chosen in the view, each drag one step of undo. */
export function usePlacing(store: ProjectStore, items: readonly Item[], standing: StandingPieces): Placing {
  const from = useRef<readonly HeldItem[]>([]);
  const drag = useDragName();
  const latest = useRef(standing);
  latest.current = standing;
  return useMemo(
    () => ({
      begin: () => {
        const { project } = store;
        const ids = new Set(items.map(({ id }) => id));
        from.current = items.flatMap(({ id }) => {
          const item = itemOf(project, id);
          const stands = item && standsOf(item, latest.current);
          if (!item || !stands || isLocked(project, item)) return [];
          // what goes along with something else that is held is not moved twice
          return groupsAround(project, item).some((group) => ids.has(group.id)) ? [] : [{ item, stands }];
        });
        drag.begin();
      },
      change: (change) => {
        const edits = from.current.map((held): Edit => placeItem(held.item, after(held, change)));
        if (edits.length > 0) store.edit({ kind: 'many', edits }, drag.of('place'), { isDrag: true });
      },
      words: texts.view.dragged,
    }),
    [store, items, drag],
  );
}

type Placed = Partial<Pick<Placement, 'atMm' | 'turnDegrees' | 'sizePercent'>>;

const FARTHEST_MM = 100_000;
const within = (v: number): number => Math.min(FARTHEST_MM, Math.max(-FARTHEST_MM, v));

/** Turned about its pivot, round the upright axis of the scene, and moved in the scene. */
function after({ item, stands }: HeldItem, { moveMm, turnDegrees: by }: PlaceChange): Placed {
  const { atMm, turnDegrees } = item.placement;
  if (isStill(stands.frame)) {
    const turn = ((((turnDegrees[1] + by) % 360) + 540) % 360) - 180;
    return {
      atMm: atMm.map((v, k) => within(v + moveMm[k])) as Placement['atMm'],
      turnDegrees: by === 0 ? turnDegrees : [turnDegrees[0], turn === -180 ? 180 : turn, turnDegrees[2]],
    };
  }
  const moved = turnedBack(stands.frame, afterwards(aboutPivot(stands, moveMm, by), stands.transform));
  const placed = standingAs(moved, stands.pivot);
  const { atMm: at } = placed;
  // on the table its height counts from there
  const isOnTable = !isGroup(item) && item.placement.stand === 'table';
  return { ...placed, atMm: [within(at[0]), isOnTable ? atMm[1] : within(at[1]), within(at[2])] };
}

function aboutPivot({ transform, pivot }: Stands, moveMm: readonly number[], degrees: number): Transform {
  const rows = turnOf([0, degrees, 0]);
  const at = transformPoints(transform, Float64Array.from(pivot));
  const turned = transformPoints({ rows, move: [0, 0, 0] }, at);
  return { rows, move: at.map((v, k) => v - turned[k] + moveMm[k]) as unknown as Vec3 };
}
