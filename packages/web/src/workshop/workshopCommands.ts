import type { Piece } from '@fictile/core';
import type { Command } from '../commands/index.ts';
import type { PieceActions } from '../pieces/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { wishFor, type ViewSettings } from './ViewBar.tsx';

interface Bench {
  store: ProjectStore;
  actions: PieceActions;
  piece: Piece | undefined;
  view: ViewSettings;
  setView: (view: ViewSettings) => void;
  choose: (pieceId: string) => void;
  openHandOver: () => void;
  openVersions: () => void;
  type: (pieceId: string) => void;
  toggleLight: () => void;
  toRack: () => void;
}

/** Everything that can be done in the workshop without a value. Keys are initials of our own words. */
export function workshopCommands(bench: Bench): Command[] {
  const { store, openHandOver, toggleLight, toRack } = bench;
  const { past, future } = store.state.history;
  const t = texts.commands;
  return [
    { id: 'undo', label: texts.workshop.undo, keys: 'mod+Z', isPossible: past.length > 0, run: () => store.undo() },
    {
      id: 'redo',
      label: texts.workshop.redo,
      keys: 'mod+shift+Z',
      isPossible: future.length > 0,
      run: () => store.redo(),
    },
    {
      id: 'redo-too',
      label: texts.workshop.redo,
      keys: 'mod+Y',
      isPossible: future.length > 0,
      run: () => store.redo(),
    },
    { id: 'hand', label: t.hand, keys: 'H', run: openHandOver },
    {
      id: 'words',
      label: t.words,
      keys: '1',
      run: () => document.querySelector<HTMLElement>('[aria-label="Words"] textarea')?.focus(),
    },
    {
      id: 'type',
      label: t.type,
      keys: 'Enter',
      isPossible: bench.piece !== undefined,
      run: () => bench.piece && bench.type(bench.piece.id),
    },
    ...pieceCommands(bench),
    ...viewCommands(bench),
    { id: 'versions', label: t.versions, run: bench.openVersions },
    { id: 'light', label: t.light, run: toggleLight },
    { id: 'rack', label: t.rack, run: toRack },
  ];
}

function pieceCommands({ store, actions, piece, choose }: Bench): Command[] {
  const t = texts.commands;
  const order = store.project.pieceOrder;
  const next = (): void => choose(order[(order.indexOf(piece?.id ?? '') + 1) % order.length]);
  const forPiece = (run: (piece: Piece) => void): Pick<Command, 'isPossible' | 'run'> => ({
    isPossible: piece !== undefined,
    run: () => piece && run(piece),
  });
  return [
    { id: 'add', label: t.add, keys: 'N', run: () => choose(actions.add()) },
    { id: 'next', label: t.next, keys: 'J', isPossible: order.length > 1, run: next },
    { id: 'duplicate', label: t.duplicate, keys: 'mod+D', ...forPiece((p) => choose(actions.duplicate(p))) },
    { id: 'hide', label: t.hide, keys: 'S', ...forPiece((p) => actions.show(p, !p.visible)) },
    { id: 'all', label: t.all, run: () => actions.showAll() },
    { id: 'zero', label: t.zero, ...forPiece((p) => actions.toZero(p)) },
    { id: 'table', label: t.table, ...forPiece((p) => actions.ontoTable(p)) },
    { id: 'remove', label: t.remove, ...forPiece((p) => !p.locked && actions.remove(p)) },
  ];
}

function viewCommands({ view, setView }: Bench): Command[] {
  const t = texts.commands;
  const names = ['front', 'side', 'top', 'free'] as const;
  return [
    ...names.map((name) => ({
      id: `view ${name}`,
      label: t.view(texts.view[name]),
      run: () => setView(wishFor(view, name)),
    })),
    { id: 'fit', label: t.fit, keys: 'V', run: () => setView(wishFor(view, view.wish.view)) },
    { id: 'edges', label: t.edges, keys: 'P', run: () => setView({ ...view, showEdges: !view.showEdges }) },
    { id: 'parts', label: t.parts, run: () => setView({ ...view, mode: { ...view.mode, parts: !view.mode.parts } }) },
    { id: 'flat', label: t.flat, run: () => setView({ ...view, mode: { ...view.mode, flat: !view.mode.flat } }) },
  ];
}
