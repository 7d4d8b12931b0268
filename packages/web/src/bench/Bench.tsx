import { isEmptyBox } from '@fictile/core';
import { useMemo, useRef, useState, useSyncExternalStore, type ReactNode } from 'react';
import { pieceActions, standsOf, useChosen, type PieceActions } from '../pieces/index.ts';
import { usePivoting } from '../pivots/index.ts';
import { useOnItsWay, usePutting } from '../putting/index.ts';
import { pieceEdits } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { boundsOf, fromView, type GeometryShelf } from '../viewport/index.ts';
import {
  ActsContext,
  ChoiceContext,
  DocumentContext,
  MeshesContext,
  OpenContext,
  TrialsContext,
  useChoice,
  useDocument,
  useMeshes,
  useOpenParts,
} from './contexts.ts';
import { fitFlat } from './fitFlat.ts';
import { useDrawings } from './useDrawings.tsx';
import { useEvaluation, type Evaluation } from './useEvaluation.ts';
import { useMarks } from './useMarks.ts';
import { useModels } from './useModels.tsx';
import { useOpen } from './useOpen.ts';
import { usePiecesOf } from './usePiecesOf.ts';
import { otherOf } from './useOthers.ts';
import { useTyping } from './useTyping.ts';

interface Inside {
  children: ReactNode;
}

/** All that the workshop holds, by concern; what is inside takes of it what it needs. */
export function Bench({ store, isHeld, children }: Inside & { store: ProjectStore; isHeld: boolean }) {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const { history, refusal } = state;
  const document = useMemo(() => ({ store, project: history.project, refusal }), [store, history.project, refusal]);
  return (
    <DocumentContext value={document}>
      <OpenContext value={useOpen()}>
        <ChoiceBench>
          <MeshBench startsHeld={isHeld}>{children}</MeshBench>
        </ChoiceBench>
      </OpenContext>
    </DocumentContext>
  );
}

const NONE: readonly number[] = [];

function ChoiceBench({ children }: Inside) {
  const { store, project } = useDocument();
  const chosen = useChosen(project);
  const typing = useTyping(store, chosen.choose);
  const lead = chosen.pieces.length > 0 ? chosen.pieces[0] : undefined;
  const picked = lead && typing.picked?.pieceId === lead.id ? typing.picked.ids : NONE;
  return <ChoiceContext value={{ chosen, lead, typing, picked }}>{children}</ChoiceContext>;
}

/** What is tried is built as if it were in the document; what is built is asked for room by what is tried. */
function MeshBench({ startsHeld, children }: Inside & { startsHeld: boolean }) {
  const { store, project } = useDocument();
  const { chosen, lead } = useChoice();
  const open = useOpenParts();
  const [isHeld, setIsHeld] = useState(startsHeld);
  const put = usePutting({
    store,
    project,
    open,
    choose: chosen.choose,
    addForm: (form) => actions.addForm(form),
  });
  const { evaluation, shelf, client, again } = useEvaluation(isHeld ? undefined : put.shownProject);
  const actions = usePieceActions(store, evaluation, shelf);
  const { putting, carrying } = useOnItsWay({ ...put, project, pieces: evaluation.pieces, otherOf });
  const meshes = {
    // what is not being built keeps nobody waiting
    evaluation: isHeld ? { ...evaluation, busy: false } : evaluation,
    ...{ shelf, client, isHeld },
    shown: evaluation.pieces.find((p) => p.pieceId === lead?.id),
    build: (): void => (isHeld ? setIsHeld(false) : again()),
  };
  const trials = { project: put.shownProject, acts: { ...put.acts, now: putting }, carrying };
  return (
    <MeshesContext value={meshes}>
      <TrialsContext value={trials}>
        <ActsBench actions={actions}>{children}</ActsBench>
      </TrialsContext>
    </MeshesContext>
  );
}

function ActsBench({ actions, children }: Inside & { actions: PieceActions }) {
  const { store, project } = useDocument();
  const { chosen, lead, picked } = useChoice();
  const { evaluation, client, shown } = useMeshes();
  const { camera, atWork } = useOpenParts();
  const item = chosen.items.at(0);
  const pivoting = usePivoting({
    ...{ store, project, client, item },
    pieces: usePiecesOf(project, item, evaluation.pieces),
    transform: item && standsOf(item, evaluation)?.transform,
    picked: chosen.group ? NONE : picked,
    isAtWork: atWork === 'place',
  });
  const drawings = useDrawings({ store, client, actions, chosen, busy: evaluation.busy });
  const models = useModels({ actions, chosen, client, store });
  const marks = useMarks(project);
  const lookFrom = (): void => {
    const pose = camera.current?.pose();
    const step = lead && shown && pose && fromView(lead, shown, pose);
    if (step) pieceEdits(store, [lead]).steps(lead.steps.map((one) => (one.id === step.id ? step : one)));
  };
  const fit = (): void => void fitFlat(store, client, lead);
  return <ActsContext value={{ actions, drawings, models, marks, pivoting, fit, lookFrom }}>{children}</ActsContext>;
}

/** Alignment asks for the boxes as they stand when it is used. */
function usePieceActions(store: ProjectStore, evaluation: Evaluation, shelf: GeometryShelf): PieceActions {
  const latest = useRef(evaluation);
  latest.current = evaluation;
  return useMemo(
    () =>
      pieceActions(store, {
        boxOf: (id) => {
          const shown = latest.current.pieces.find((p) => p.pieceId === id);
          const box = boundsOf(shown ? [shown] : [], shelf);
          return isEmptyBox(box) ? undefined : box;
        },
        standing: () => latest.current,
      }),
    [store, shelf],
  );
}
