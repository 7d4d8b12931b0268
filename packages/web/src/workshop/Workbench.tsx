import { Alert, Text, useMantineColorScheme } from '@mantine/core';
import { spotlight } from '@mantine/spotlight';
import type { Project } from '@fictile/core';
import { useCallback, useMemo, useState, useSyncExternalStore } from 'react';
import { useNavigate } from 'react-router';
import { Checks } from '../checks/index.ts';
import { CommandSearch, useKeys } from '../commands/index.ts';
import { HandOver } from '../handover/index.ts';
import { pieceActions, Pieces, type PieceActions } from '../pieces/index.ts';
import { Recipe } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import type { TakePicture } from '../viewport/index.ts';
import { Versions } from '../versions/index.ts';
import { failureText, texts } from '../words/index.ts';
import { TopBar } from './TopBar.tsx';
import { useEvaluation, type Evaluation } from './useEvaluation.ts';
import { useMarks, type MarksState } from './useMarks.ts';
import { useTyping } from './useTyping.ts';
import { USUAL_VIEW, type ViewSettings } from './ViewBar.tsx';
import { ViewPane } from './ViewPane.tsx';
import classes from './Workbench.module.css';
import { workshopCommands } from './workshopCommands.ts';

/** The workshop: recipe left, view in the middle, pieces and checks right. */
export function Workbench({ store }: { store: ProjectStore }) {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const { project } = state.history;
  const { evaluation, shelf, client } = useEvaluation(project);
  const [view, setView] = useState<ViewSettings>(USUAL_VIEW);
  const [panel, setPanel] = useState<'hand over' | 'versions'>();
  const [take, setTake] = useState<TakePicture>();
  const marks = useMarks(project);
  const [wanted, setWanted] = useState<string>();
  const typing = useTyping(store, setWanted);
  const chosen = wanted !== undefined && project.pieces[wanted] ? wanted : project.pieceOrder[0];
  const piece = chosen === undefined ? undefined : project.pieces[chosen];
  const shown = evaluation.pieces.find((p) => p.pieceId === chosen);
  const actions = useMemo(() => pieceActions(store), [store]);
  const navigate = useNavigate();
  const { toggleColorScheme } = useMantineColorScheme();
  const commands = workshopCommands({
    store,
    actions,
    piece,
    view,
    setView,
    choose: setWanted,
    openHandOver: () => setPanel('hand over'),
    openVersions: () => setPanel('versions'),
    type: typing.start,
    toggleLight: toggleColorScheme,
    toRack: () => void navigate('/'),
  });
  useKeys(commands);
  const onPictures = useCallback((next: TakePicture | undefined) => setTake(() => next), []);
  const common = { project, evaluation, chosen, onChoose: setWanted };
  const close = (): void => setPanel(undefined);
  return (
    <div className={classes.bench}>
      <TopBar
        store={store}
        onSearch={() => spotlight.open()}
        onVersions={() => setPanel('versions')}
        onHandOver={() => setPanel('hand over')}
      />
      <aside className={classes.recipe} aria-label={texts.recipe.label}>
        {piece ? (
          <Recipe piece={piece} store={store} shown={shown} milliseconds={evaluation.milliseconds} />
        ) : (
          <Text p="md">{texts.workshop.noPieces}</Text>
        )}
        <Faults evaluation={evaluation} refusal={state.refusal} pieceId={chosen} />
      </aside>
      <ViewPane
        {...common}
        store={store}
        shelf={shelf}
        view={view}
        setView={setView}
        marks={marks.places}
        typing={typing}
        onPictures={onPictures}
      />
      <SideColumn {...common} client={client} actions={actions} marks={marks} />
      <HandOver opened={panel === 'hand over'} onClose={close} client={client} project={project} takePicture={take} />
      <Versions opened={panel === 'versions'} onClose={close} store={store} />
      <CommandSearch commands={commands} />
    </div>
  );
}

interface SideColumnProps {
  project: Project;
  evaluation: Evaluation;
  client: ReturnType<typeof useEvaluation>['client'];
  chosen: string | undefined;
  actions: PieceActions;
  marks: MarksState;
  onChoose: (pieceId: string) => void;
}

function SideColumn({ project, evaluation, client, chosen, actions, marks, onChoose }: SideColumnProps) {
  const faces = evaluation.pieces.find((p) => p.pieceId === chosen)?.faces ?? 0;
  return (
    <aside className={classes.side} aria-label={texts.pieces.heading}>
      <Pieces project={project} shown={evaluation.pieces} chosen={chosen} actions={actions} onChoose={onChoose} />
      {faces > 0 && <Checks client={client} project={project} pieceId={chosen} shown={marks.what} onShow={marks.set} />}
    </aside>
  );
}

interface FaultsProps {
  evaluation: Evaluation;
  refusal: Parameters<typeof failureText>[0] | undefined;
  pieceId: string | undefined;
}

function Faults({ evaluation, refusal, pieceId }: FaultsProps) {
  const failure = refusal ?? evaluation.failures.find((f) => f.pieceId === pieceId)?.error;
  return (
    <>
      {failure && (
        <Alert color="red" role="alert" m="md">
          {failureText(failure)}
        </Alert>
      )}
      {evaluation.crashed && (
        <Alert color="red" m="md">
          {texts.mishap.title} {texts.mishap.text}
        </Alert>
      )}
    </>
  );
}
