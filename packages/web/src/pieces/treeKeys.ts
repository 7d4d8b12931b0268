import type { KeyboardEvent } from 'react';
import { known } from './groupActions.ts';
import type { TreeTools } from './treeTools.ts';
import { steppedTo, type TreeStep } from './treeMoves.ts';

type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'shiftKey' | 'ctrlKey' | 'metaKey'>;

const STEPS: Readonly<Record<string, TreeStep>> = {
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowRight: 'in',
  ArrowLeft: 'out',
};

/**
 * What keys do in the tree (as the ARIA pattern for trees has it), and with Alt: arrows move what is chosen. False: the
 * key means nothing here.
 */
export function treeKey(event: Pressed, tools: TreeTools): boolean {
  const { open, reached, chosen, isPutting } = tools;
  const at = open.findIndex(({ id }) => id === reached);
  if (at < 0 || isPutting) return false;
  const row = open[at];
  if (event.altKey) return moveBy(STEPS[event.key], row.id, tools);
  const isAlso = event.ctrlKey || event.metaKey;
  switch (event.key) {
    case 'Enter':
    case ' ':
      if (event.shiftKey) chosen.chooseTo(row.id);
      else chosen.choose(row.id, isAlso);
      return true;
    case 'F2':
      tools.name(row.id);
      return true;
    default:
      return !isAlso && goTo(target(event.key, at, tools), event.shiftKey, tools);
  }
}

/** The row that a key goes to; 'turned': it has opened or closed a group instead. */
function target(key: string, at: number, { open, closed, turn }: TreeTools): number | 'turned' | undefined {
  const row = open[at];
  switch (key) {
    case 'ArrowDown':
      return at + 1;
    case 'ArrowUp':
      return at - 1;
    case 'Home':
      return 0;
    case 'End':
      return open.length - 1;
    case 'ArrowRight':
      if (!row.isGroup) return at;
      if (!closed.has(row.id)) return at + 1;
      turn(row.id);
      return 'turned';
    case 'ArrowLeft':
      if (!row.isGroup || closed.has(row.id)) return open.findIndex(({ id }) => id === row.within);
      turn(row.id);
      return 'turned';
    default:
      return undefined;
  }
}

/** The row there is chosen, with Shift all from the one at work to it. */
function goTo(to: number | 'turned' | undefined, isRow: boolean, { open, reach, chosen }: TreeTools): boolean {
  if (to === undefined) return false;
  if (to === 'turned' || to < 0 || to >= open.length) return true;
  const { id } = open[to];
  reach(id);
  if (isRow) chosen.chooseTo(id);
  else chosen.choose(id);
  return true;
}

/** All that is chosen goes where the row goes. */
function moveBy(step: TreeStep | undefined, id: string, { rows, chosen, project, actions, reach }: TreeTools): boolean {
  const place = step && steppedTo(rows, id, step);
  if (!step) return false;
  if (!place) return true;
  const items = chosen.items.some((item) => item.id === id) ? chosen.items : known(project, [id]);
  actions.move(items, place.within, place.before);
  reach(id);
  return true;
}
