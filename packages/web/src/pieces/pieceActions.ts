import { newPiece, splitGraphemes, type Edit, type Piece, type Project } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';

/** What can be done with whole pieces. All of it is undoable. */
export interface PieceActions {
  add(): string;
  duplicate(piece: Piece): string;
  rename(piece: Piece, name: string): void;
  show(piece: Piece, visible: boolean): void;
  showAlone(piece: Piece): void;
  showAll(): void;
  lock(piece: Piece, locked: boolean): void;
  remove(piece: Piece): void;
  toZero(piece: Piece): void;
  ontoTable(piece: Piece): void;
}

export function pieceActions(store: ProjectStore): PieceActions {
  const set = (piece: Piece, values: Extract<Edit, { kind: 'setPiece' }>['values']): Edit => ({
    kind: 'setPiece',
    pieceId: piece.id,
    values,
  });
  const place = (piece: Piece, values: Partial<Piece['placement']>): void =>
    store.edit({ kind: 'setPlacement', pieceId: piece.id, values });
  const add = (piece: Piece, after?: string): string => {
    store.edit({ kind: 'addPiece', piece, after });
    return piece.id;
  };
  const all = (): Piece[] => store.project.pieceOrder.map((id) => store.project.pieces[id]);
  return {
    add: () => add(newPiece(freshId(), nameFor(store.project), splitGraphemes(texts.pieces.newWords))),
    duplicate: (piece) =>
      add({ ...piece, id: freshId(), name: texts.pieces.copyOf(piece.name).slice(0, 200) }, piece.id),
    rename: (piece, name) => store.edit(set(piece, { name })),
    show: (piece, visible) => store.edit(set(piece, { visible })),
    showAlone: (piece) => store.edit({ kind: 'many', edits: all().map((p) => set(p, { visible: p.id === piece.id })) }),
    showAll: () => store.edit({ kind: 'many', edits: all().map((p) => set(p, { visible: true })) }),
    lock: (piece, locked) => store.edit(set(piece, { locked })),
    remove: (piece) => store.edit({ kind: 'removePiece', pieceId: piece.id }),
    toZero: (piece) => place(piece, { stand: 'free', atMm: [0, 0, 0], turnDegrees: [0, 0, 0] }),
    ontoTable: (piece) => place(piece, { stand: 'table', atMm: [piece.placement.atMm[0], 0, piece.placement.atMm[2]] }),
  };
}

const freshId = (): string => crypto.randomUUID();

function nameFor(project: Project): string {
  const taken = new Set(Object.values(project.pieces).map((p) => p.name));
  let name: string = texts.pieces.newWords;
  for (let i = 2; taken.has(name); i++) name = `${texts.pieces.newWords} ${i}`;
  return name;
}
