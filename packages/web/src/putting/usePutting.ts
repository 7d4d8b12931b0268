import { ontoStepOf, type Piece, type Project, type PutWay, type ShownPiece, usualStep } from '@fictile/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Putting, PutActs } from '../recipe/index.ts';
import type { OtherPiece } from '../fields/index.ts';
import type { ProjectStore } from '../store/index.ts';
import type { Carrying, HeldOn } from '../viewport/index.ts';
import {
  begun,
  bodiesFor,
  inFront,
  largerBy,
  laidBy,
  lettersFor,
  letInBy,
  newWords,
  pieceOf,
  putEdits,
  settled,
  sizeOn,
  shownOnTheWay,
  turnedBy,
  type Moves,
  type OnTheWay,
} from './onTheWay.ts';
import { usePutKeys } from './usePutKeys.ts';

interface PuttingBench {
  store: ProjectStore;
  project: Project;
  /** what is at work */
  open: { setAtWork: (chapter: 'steps') => void; setStepId: (id: string) => void };
  choose: (pieceId: string) => void;
  addForm: (form: 'block') => string;
}

/** The act of putting a piece on a body: not in the document before it is taken. */
export function usePutting(bench: PuttingBench): {
  acts: Omit<PutActs, 'now'>;
  state: OnTheWay | undefined;
  shownProject: Project;
  moves: Moves;
} {
  const [state, setState] = useState<OnTheWay>();
  const { project, store } = bench;
  const latest = useRef(bench);
  latest.current = bench;
  const isGone =
    state &&
    ((state.pieceId !== undefined && !(state.pieceId in project.pieces)) ||
      (state.held && !(state.held.bodyId in project.pieces)));
  useEffect(() => {
    if (isGone) setState(undefined);
  }, [isGone]);
  const now = isGone ? undefined : state;
  const shownProject = useMemo(() => (now ? shownOnTheWay(now, project) : project), [now, project]);
  const change = useCallback(
    (make: (before: OnTheWay) => OnTheWay) => setState((before) => before && make(before)),
    [],
  );
  const start = useCallback((from: Parameters<PutActs['start']>[0]) => {
    const { store: kept, open, choose } = latest.current;
    choose(from.pieceId ?? from.bodyId ?? kept.project.pieceOrder[0]);
    open.setAtWork('steps');
    setState(startOf(kept.project, from));
  }, []);
  const take = useCallback(
    (held?: HeldOn) => {
      const at = latest.current.store.project;
      const last = state && (held ? { ...state, held } : state);
      const piece = last && pieceOf(last, at);
      const onto = last && piece && laidBy(last, piece);
      if (!last || !piece || !onto) return;
      store.edit({ kind: 'many', edits: putEdits(last, at, last.way) });
      setState(undefined);
      latest.current.choose(piece.id);
      latest.current.open.setStepId(onto.id);
    },
    [state, store],
  );
  const leave = useCallback(() => setState(undefined), []);
  const moves: Moves = { change, take, leave, addSlab: () => latest.current.addForm('block') };
  usePutKeys(now, moves);
  return { acts: { start }, state: now, shownProject, moves };
}

/** What can't be meant otherwise is taken at once: the only body, or the only words that lie nowhere yet. */
function startOf(project: Project, from: Parameters<PutActs['start']>[0]): OnTheWay {
  const { pieceId, bodyId, way } = from;
  if (pieceId !== undefined) {
    const lies = ontoStepOf(project.pieces[pieceId])?.target;
    const bodies = bodiesFor(project, pieceId);
    const only = bodies.length === 1 ? bodies[0].id : undefined;
    const first = lies !== undefined && lies in project.pieces ? lies : only;
    return begun(project, { pieceId, bodyId: bodyId ?? first, way });
  }
  const letters = bodyId === undefined ? [] : lettersFor(project, bodyId);
  if (letters.length === 0) return begun(project, { made: newWords(), bodyId, way });
  const free = letters.filter((piece) => ontoStepOf(piece) === undefined);
  return begun(project, { pieceId: free.length === 1 ? free[0].id : undefined, bodyId, way });
}

interface Onlooking {
  state: OnTheWay | undefined;
  moves: Moves;
  project: Project;
  pieces: readonly ShownPiece[];
  otherOf: (piece: Piece, shown: ShownPiece | undefined) => OtherPiece;
}

/** What the recipe and the view need of the act that goes on. */
export function useOnItsWay({ state, moves, project, pieces, otherOf }: Onlooking): {
  putting: Putting | undefined;
  carrying: Carrying | undefined;
} {
  const piece = state && pieceOf(state, project);
  const shown = piece && pieces.find(({ pieceId }) => pieceId === piece.id);
  const { change } = moves;
  useEffect(() => {
    if (state) change((before) => settled(before, project, shown));
  }, [state, change, project, shown]);
  if (!state) return { putting: undefined, carrying: undefined };
  const pickPiece = (id: string | undefined): void =>
    change((before) => {
      const next = begun(project, {
        ...(id === undefined ? { made: newWords() } : { pieceId: id }),
        bodyId: before.held?.bodyId,
        way: before.way,
      });
      return { ...next, held: before.held ?? next.held };
    });
  const act: Act = { state, moves, project, piece, shown, pickPiece };
  const as = (one: Piece): OtherPiece =>
    otherOf(
      one,
      pieces.find(({ pieceId }) => pieceId === one.id),
    );
  return { putting: puttingOf(act, as), carrying: carryingOf(act) };
}

/** What goes on, and with which piece. */
interface Act {
  state: OnTheWay;
  moves: Moves;
  project: Project;
  piece: Piece | undefined;
  shown: ShownPiece | undefined;
  pickPiece: (id: string | undefined) => void;
}

const lettersOf = ({ state, project, piece }: Act): Piece[] =>
  state.held && !piece ? lettersFor(project, state.held.bodyId) : [];

/** What the recipe says and asks. */
function puttingOf(act: Act, as: (piece: Piece) => OtherPiece): Putting {
  const { state, moves, project, piece, shown, pickPiece } = act;
  const { change } = moves;
  const body = state.held && project.pieces[state.held.bodyId];
  const pickBody = (id: string): void =>
    change((before) => ({ ...before, begunOn: id, held: before.held?.bodyId === id ? before.held : inFront(id) }));
  const asks = !piece
    ? ({ for: 'piece', among: lettersOf(act).map(as) } as const)
    : !body
      ? ({ for: 'body', among: bodiesFor(project, piece.id).map(as) } as const)
      : undefined;
  return {
    ...{ piece, asks, shown, pickBody, pickPiece },
    body: body && as(body),
    way: state.way,
    cut: piece ? letInBy(state, project, piece) : usualStep('cut', state.ids.cut),
    onto: piece && laidBy(state, piece),
    sizeMm: piece && sizeOn(state, piece),
    setWay: (way: PutWay) => change((before) => ({ ...before, way })),
    setMethod: (method) => change((before) => ({ ...before, method, isMethodChosen: true })),
    addSlab: () => pickBody(moves.addSlab()),
    take: () => moves.take(),
    leave: moves.leave,
  };
}

/** What the pointer does in the view. */
function carryingOf(act: Act): Carrying {
  const { state, moves, project, piece, shown, pickPiece } = act;
  const { change } = moves;
  return {
    over: piece ? bodiesFor(project, piece.id).map(({ id }) => id) : [],
    press: lettersOf(act).map(({ id }) => id),
    begunOn: state.begunOn,
    shown,
    hold: (held) => change((before) => ({ ...before, held })),
    pick: pickPiece,
    size: (notches) => change((before) => largerBy(before, notches)),
    turn: (degrees) => change((before) => turnedBy(before, degrees)),
    take: moves.take,
  };
}
