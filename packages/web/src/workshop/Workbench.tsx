import { Alert, Text, useMantineColorScheme } from '@mantine/core';
import { spotlight } from '@mantine/spotlight';
import type { Project } from '@fictile/core';
import { useCallback, useMemo, useState, useSyncExternalStore } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { Checks } from '../checks/index.ts';
import { CommandSearch, useKeys } from '../commands/index.ts';
import { HandOver } from '../handover/index.ts';
import { pieceActions, Pieces } from '../pieces/index.ts';
import { Recipe } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { boundsOf, canDraw, Viewport, type TakePicture } from '../viewport/index.ts';
import { failureText, texts } from '../words/index.ts';
import { TopBar } from './TopBar.tsx';
import { useEvaluation, type Evaluation } from './useEvaluation.ts';
import { USUAL_VIEW, ViewBar, type ViewSettings } from './ViewBar.tsx';
import classes from './Workbench.module.css';
import { workshopCommands } from './workshopCommands.ts';

/** The workshop: recipe left, view in the middle, pieces and checks right. */
export function Workbench({ store }: { store: ProjectStore }) {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const { project } = state.history;
  const { evaluation, shelf, client } = useEvaluation(project);
  const [view, setView] = useState<ViewSettings>(USUAL_VIEW);
  const [isHandingOver, setIsHandingOver] = useState(false);
  const [take, setTake] = useState<TakePicture>();
  const [wanted, setWanted] = useState<string>();
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
    openHandOver: () => setIsHandingOver(true),
    toggleLight: toggleColorScheme,
    toRack: () => void navigate('/'),
  });
  useKeys(commands);
  const onPictures = useCallback((next: TakePicture | undefined) => setTake(() => next), []);
  return (
    <div className={classes.bench}>
      <TopBar store={store} onSearch={() => spotlight.open()} onHandOver={() => setIsHandingOver(true)} />
      <aside className={classes.recipe} aria-label={texts.recipe.label}>
        {piece ? (
          <Recipe piece={piece} store={store} shown={shown} milliseconds={evaluation.milliseconds} />
        ) : (
          <Text p="md">{texts.workshop.noPieces}</Text>
        )}
        <Faults evaluation={evaluation} refusal={state.refusal} pieceId={chosen} />
      </aside>
      <main className={classes.view} aria-busy={evaluation.busy}>
        <Drawn
          project={project}
          evaluation={evaluation}
          shelf={shelf}
          view={view}
          onChoose={setWanted}
          onPictures={onPictures}
        />
        <SizeLabel project={project} evaluation={evaluation} shelf={shelf} />
        <ViewBar settings={view} onChange={setView} />
      </main>
      <aside className={classes.side}>
        <Pieces project={project} shown={evaluation.pieces} chosen={chosen} actions={actions} onChoose={setWanted} />
        {(shown?.faces ?? 0) > 0 && <Checks client={client} project={project} pieceId={chosen} />}
      </aside>
      <HandOver
        opened={isHandingOver}
        onClose={() => setIsHandingOver(false)}
        client={client}
        project={project}
        takePicture={take}
      />
      <CommandSearch commands={commands} />
    </div>
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

type Shelf = ReturnType<typeof useEvaluation>['shelf'];

interface DrawnProps {
  project: Project;
  evaluation: Evaluation;
  shelf: Shelf;
  view: ViewSettings;
  onChoose: (pieceId: string) => void;
  onPictures: (take: TakePicture | undefined) => void;
}

function Drawn({ project, evaluation, shelf, view, onChoose, onPictures }: DrawnProps) {
  const [drawing] = useState(canDraw);
  const [parameters] = useSearchParams();
  if (!drawing) return <Text p="xl">{texts.workshop.noView}</Text>;
  if (parameters.get('view') === 'off') return null;
  return (
    <Viewport
      project={project}
      pieces={evaluation.pieces}
      shelf={shelf}
      mode={view.mode}
      showEdges={view.showEdges}
      wish={view.wish}
      label={texts.workshop.view}
      onChoose={onChoose}
      onPictures={onPictures}
    />
  );
}

/** Name and outer size of everything that is seen. */
function SizeLabel({ project, evaluation, shelf }: Pick<DrawnProps, 'project' | 'evaluation' | 'shelf'>) {
  const box = useMemo(() => boundsOf(evaluation.pieces, shelf), [evaluation.pieces, shelf]);
  const size = box.isEmpty() ? undefined : [box.max.x - box.min.x, box.max.y - box.min.y, box.max.z - box.min.z];
  return (
    <div className={classes.label} data-testid="figures" aria-live="polite">
      {evaluation.busy ? texts.workshop.working : texts.workshop.size(project.name, size ?? [0, 0, 0])}
    </div>
  );
}
