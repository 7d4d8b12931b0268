import { placeItem, type Item } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import type { PlaceBench } from './recipeContext.ts';

/** Says where a piece or a group stands; a `key` joins a drag or a burst of typing into one step of undo. */
export const putPlace =
  (store: ProjectStore, item: Item): PlaceBench['put'] =>
  (values, key) => {
    const isDrag = typeof key === 'object';
    const name = isDrag ? key.drag : key;
    store.edit(placeItem(item, values), name && `${item.id} ${name}`, { isDrag });
  };
