import { STILL, type Item } from '@fictile/core';
import { putPlace, type PlaceBench } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';

/** The place of a piece that is built nowhere. */
export const placeIn = (store: ProjectStore, item: Item): PlaceBench => ({
  item,
  put: putPlace(store, item),
  ground: undefined,
  hooks: [],
  hang: (hung) => store.edit({ kind: 'hang', items: [item.id], hung }),
  pivoting: {
    ...{ marks: [], owners: [], transform: STILL, at: [0, 0, 0], isOut: false, near: undefined },
    setOut: () => undefined,
    nearer: () => undefined,
    put: () => undefined,
  },
});
