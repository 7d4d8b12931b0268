import { isGroup, type Item } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import type { PlaceBench } from './recipeContext.ts';

/** Says where a piece or a group stands; a `key` joins a drag or a burst of typing into one step of undo. */
export const putPlace =
  (store: ProjectStore, item: Item): PlaceBench['put'] =>
  (values, key) => {
    const isDrag = typeof key === 'object';
    const name = isDrag ? key.drag : key;
    const { pivot: _pivot, stand: _stand, ...own } = values;
    store.edit(
      isGroup(item)
        ? { kind: 'placeGroup', groupId: item.id, values: own }
        : { kind: 'setPlacement', pieceId: item.id, values },
      name && `${item.id} ${name}`,
      { isDrag },
    );
  };
