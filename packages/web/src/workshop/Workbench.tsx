import { Alert, Text, useMantineColorScheme } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import {
  type Edit,
  cutBy,
  cutsOf,
  groundOf,
  type CutStep,
  type Piece,
  type Project,
  type ShownPiece,
} from '@fictile/core';
import { useCallback, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useNavigate } from 'react-router';
import { Checks, OnceChecks, type CheckCure } from '../checks/index.ts';
import { CommandSearch, search, useKeys, useSingleKeys } from '../commands/index.ts';
import { HandOver } from '../handover/index.ts';
import { pieceActions, Pieces, useChosen, type Chosen, type PieceActions } from '../pieces/index.ts';
import { pieceEdits, Recipe, type ChapterName, type PutActs } from '../recipe/index.ts';
import { SectionCard } from '../section/index.ts';
import { SilhouetteDialog } from '../silhouette/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { DropFiles, Notes } from '../ui/index.ts';
import {
  boundsOf,
  fromView,
  type CameraHandle,
  type GeometryShelf,
  type Pose,
  type TakePicture,
} from '../viewport/index.ts';
import { Versions } from '../versions/index.ts';
import { failureText, texts } from '../words/index.ts';
import { canFit, fitFlat } from './fitFlat.ts';
import { Announcer } from './Announcer.tsx';
import { BuildNotice } from './BuildNotice.tsx';
import type { Comparing } from './comparing.ts';
import { Leaving } from './Leaving.tsx';
import { TopBar } from './TopBar.tsx';
import { useBending } from './useBending.ts';
import { useDrawings } from './useDrawings.tsx';
import { useEvaluation, type Evaluation } from './useEvaluation.ts';
import { useOnItsWay, usePutting } from './putting/usePutting.ts';
import { otherOf, useOthers } from './useOthers.ts';
import { useMarks, type MarksState } from './useMarks.ts';
import { isModelFile, useModels } from './useModels.tsx';
import { usePlacing } from './usePlacing.ts';
import { useShaping } from './useShaping.ts';
import { useStepping } from './useStepping.ts';
import { useTyping } from './useTyping.ts';
import { USUAL_VIEW, type ViewSettings } from './viewSettings.ts';
import { ViewPane } from './ViewPane.tsx';
import classes from './Workbench.module.css';
import { workshopCommands } from './workshopCommands.ts';

/** All that the workshop holds: document, meshes, choice, view, what is at work. */
function useBench(store: ProjectStore, startsHeld: boolean) {
  const [isHeld, setIsHeld] = useState(startsHeld);
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const { project } = state.history;
  const open = useOpen();
  const put = usePutting({
    store,
    project,
    open,
    choose: (id) => chosen.choose(id),
    addForm: (form) => actions.addForm(form),
  });
  const { evaluation, shelf, client, again } = useEvaluation(isHeld ? undefined : put.shownProject);
  const { putting, carrying } = useOnItsWay({ ...put, project, pieces: evaluation.pieces, otherOf });
  const build = (): void => (isHeld ? setIsHeld(false) : again());
  const { view, setView, atWork, setAtWork, stepId } = open;
  const marks = useMarks(project);
  const chosen = useChosen(project);
  const typing = useTyping(store, chosen.choose);
  const placing = usePlacing(store, chosen.ids);
  const bending = useBending(store, chosen.pieces[0]);
  const shaping = useShaping(store, chosen.pieces);
  const { stepping, curving } = useStepping(store, chosen.pieces[0], stepId);
  const actions = usePieceActions(store, evaluation, shelf);
  const drawings = useDrawings({ store, client, actions, chosen, busy: evaluation.busy });
  const models = useModels({ actions, chosen, client, store });
  const [navigate, singleKeys] = [useNavigate(), useSingleKeys()];
  const { toggleColorScheme } = useMantineColorScheme();
  const fit = (): void => void fitFlat(store, client, chosen.pieces[0]);
  const camera = useRef<CameraHandle>(undefined);
  const lookFrom = (): void =>
    layFromView(store, chosen.pieces[0], evaluation.pieces, { pose: camera.current?.pose() });
  const commands = workshopCommands({
    store,
    actions,
    chosen,
    view,
    setView,
    ...openings(open),
    rest: () => {
      setAtWork(undefined);
      typing.drop();
    },
    type: typing.start,
    fit,
    toggleLight: toggleColorScheme,
    putOn: put.acts.start,
    singleKeys,
    toRack: () => void navigate('/'),
    toTypeCase: () => void navigate('/fonts'),
    bringIn: drawings.choose,
    bringModel: models.choose,
  });
  useKeys(commands, singleKeys.areOn);
  return {
    ...open,
    ...{ project, refusal: state.refusal, shelf, client, isHeld, build },
    // what is not being built keeps nobody waiting
    evaluation: isHeld ? { ...evaluation, busy: false } : evaluation,
    acts: { ...put.acts, now: putting },
    ...{ carrying, shownProject: put.shownProject },
    ...{ marks, chosen, typing, actions, commands, drawings, models, fit, lookFrom, camera },
    placing: atWork === 'place' && !putting && !typing.now && !chosen.pieces.some(groundOf) ? placing : undefined,
    bending:
      typing.now || putting ? undefined : atWork === 'words' ? bending : atWork === 'steps' ? curving : undefined,
    stepping: atWork === 'steps' && !putting && !typing.now ? stepping : undefined,
    cutting: atWork === 'steps' && chosen.pieces.length > 0 ? cuttingOf(project, chosen.pieces[0], stepId) : NO_TOOLS,
    others: useOthers(project, evaluation, chosen.ids[0]),
    shaping: atWork === 'solid' && !typing.now ? shaping : undefined,
  };
}

function layFromView(
  store: ProjectStore,
  piece: Piece | undefined,
  shown: readonly ShownPiece[],
  { pose }: { pose: Pose | undefined },
): void {
  const own = piece && shown.find(({ pieceId }) => pieceId === piece.id);
  const step = own && pose && fromView(piece, own, pose);
  if (step) pieceEdits(store, [piece]).steps(piece.steps.map((one) => (one.id === step.id ? step : one)));
}

/** How the model is looked at, and what is open beside it. */
function useOpen() {
  const [view, setView] = useState<ViewSettings>(USUAL_VIEW);
  const [comparing, setComparing] = useState<Comparing>();
  const [panel, setPanel] = useState<'hand over' | 'versions'>();
  const [atWork, setAtWork] = useState<ChapterName>();
  const [showsSection, setShowsSection] = useState(false);
  const [stepId, setStepId] = useState<string>();
  return {
    ...{ view, setView, comparing, setComparing, panel, setPanel, atWork, setAtWork },
    ...{ showsSection, setShowsSection, stepId, setStepId },
  };
}

/** What commands open. */
const openings = ({ setAtWork, setShowsSection, setPanel }: ReturnType<typeof useOpen>) => ({
  goTo: (chapter: ChapterName) => {
    setAtWork(chapter);
    focusChapter(chapter);
  },
  openSection: () => {
    setAtWork('solid');
    setShowsSection(true);
  },
  openHandOver: () => setPanel('hand over'),
  openVersions: () => setPanel('versions'),
});

const NO_TOOLS: readonly string[] = [];

/**
 * What is seen as a ghost while steps are at work: the piece that cuts others, or the one that the step at work lets
 * in. What stands out of another is seen anyway.
 */
function cuttingOf(project: Project, lead: Piece, stepId: string | undefined): readonly string[] {
  const hidden = (step: CutStep): boolean => step.operation !== 'raise' && step.operation !== 'join';
  const own = cutsOf(lead).filter((step) => step.id === stepId && hidden(step));
  return [...own.map(({ target }) => target), ...(cutBy(project, lead.id).some(hidden) ? [lead.id] : [])];
}

/** Pixels by which the view gives way to the section's card. */
const SECTION_LIFT = 180;

const NONE: readonly number[] = [];

/** The workshop: recipe left, view in the middle, pieces and checks right. */
export function Workbench({ store, isHeld }: { store: ProjectStore; isHeld: boolean }) {
  const bench = useBench(store, isHeld);
  const { project, evaluation, shelf, client, chosen, marks, setPanel } = bench;
  const [take, setTake] = useState<TakePicture>();
  const onPictures = useCallback((next: TakePicture | undefined) => setTake(() => next), []);
  const lead = chosen.pieces.length > 0 ? chosen.pieces[0] : undefined;
  const shown = evaluation.pieces.find((p) => p.pieceId === lead?.id);
  const common = { project, evaluation, chosen };
  const inView = { store, camera: bench.camera, view: bench.view, setView: bench.setView };
  return (
    <div className={classes.bench}>
      <Leaving store={store} />
      <TopBar
        store={store}
        onSearch={search.open}
        onVersions={() => setPanel('versions')}
        onHandOver={() => setPanel('hand over')}
      />
      <aside className={classes.recipe} aria-label={texts.recipe.label}>
        <LeadRecipe bench={bench} store={store} lead={lead} shown={shown} />
        <Faults evaluation={evaluation} refusal={bench.refusal} pieceId={lead?.id} />
      </aside>
      <ViewPane
        {...common}
        project={bench.shownProject}
        carrying={bench.carrying}
        {...inView}
        shelf={shelf}
        marks={marks.places}
        typing={bench.typing}
        placing={bench.placing}
        bending={bench.bending}
        shaping={bench.shaping}
        stepping={bench.stepping}
        cutting={bench.cutting}
        comparing={bench.comparing}
        onCompare={bench.setComparing}
        lift={bench.showsSection ? SECTION_LIFT : 0}
        onPictures={onPictures}
      >
        <OverView bench={bench} store={store} lead={lead} shown={shown} />
      </ViewPane>
      <SideColumn
        {...common}
        client={client}
        actions={bench.actions}
        acts={bench.acts}
        marks={marks}
        onFile={bench.drawings.choose}
        models={bench.models}
        onCure={(id, cure) => store.edit(cure.edit(store.project.pieces[id], crypto.randomUUID()))}
        onEdits={(edits) => store.edit({ kind: 'many', edits })}
      />
      <Panels bench={bench} store={store} take={take} />
      <Notes />
      <DropFiles
        text={texts.drawing.dropHere}
        accept={LET_GO}
        onFiles={(files) => {
          bench.models.takeFiles(files.filter(({ name }) => isModelFile(name)));
          bench.drawings.takeFiles(files.filter(({ name }) => !isModelFile(name)));
        }}
        onReject={(files) => tellNotTaken(files.map(({ file }) => file.name))}
      />
      <SilhouetteDialog
        picture={bench.drawings.picture}
        client={client}
        onTake={bench.drawings.takeOutline}
        onClose={bench.drawings.dropPicture}
      />
      <CommandSearch commands={bench.commands} />
      <Announcer piece={lead} shown={shown} shelf={shelf} isBusy={evaluation.busy} />
    </div>
  );
}

/** Files that may be let go over the workshop. */
const LET_GO = {
  'image/*': ['.svg', '.png', '.jpg', '.jpeg', '.webp', '.gif', '.bmp', '.avif'],
  'application/pdf': ['.pdf'],
  'model/mesh': ['.obj', '.stl', '.ply', '.glb'],
};

type Bench = ReturnType<typeof useBench>;

/** What lies over the view: how building goes, and the card on which a section is drawn. */
function OverView({ bench, store, lead, shown }: LeadRecipeProps) {
  const { evaluation, client, shelf, chosen } = bench;
  return (
    <>
      <BuildNotice
        evaluation={evaluation}
        isHeld={bench.isHeld}
        onCancel={() => client?.cancel()}
        onBuild={bench.build}
      />
      {bench.showsSection && lead && !lead.locked && (
        <SectionCard
          key={lead.id}
          store={store}
          pieces={chosen.pieces}
          shown={shown}
          shelf={shelf}
          picked={pickedOf(bench, lead.id)}
          onClose={() => bench.setShowsSection(false)}
        />
      )}
    </>
  );
}

/** What opens over the workshop's right. */
function Panels({ bench, store, take }: { bench: Bench; store: ProjectStore; take: TakePicture | undefined }) {
  const { project, evaluation, client, panel, setPanel } = bench;
  const close = (): void => setPanel(undefined);
  const faces = evaluation.pieces.reduce((sum, p) => sum + p.faces, 0);
  const compare = (label: string, other: Project): void => {
    bench.setComparing({ label, project: other, how: 'beside' });
    close();
  };
  return (
    <>
      <HandOver
        opened={panel === 'hand over'}
        onClose={close}
        client={client}
        project={project}
        faces={faces}
        takePicture={take}
      />
      <Versions opened={panel === 'versions'} onClose={close} store={store} onCompare={compare} />
    </>
  );
}

const pickedOf = ({ typing }: Bench, pieceId: string): readonly number[] =>
  typing.picked?.pieceId === pieceId ? typing.picked.ids : NONE;

interface LeadRecipeProps {
  bench: Bench;
  store: ProjectStore;
  lead: Piece | undefined;
  shown: ShownPiece | undefined;
}

function LeadRecipe({ bench, store, lead, shown }: LeadRecipeProps) {
  if (!lead) return <Text p="md">{texts.workshop.noPieces}</Text>;
  return (
    <Recipe
      pieces={bench.chosen.pieces}
      store={store}
      shown={shown}
      milliseconds={bench.evaluation.milliseconds}
      atWork={bench.atWork}
      onWork={bench.setAtWork}
      onStep={bench.setStepId}
      picked={pickedOf(bench, lead.id)}
      readCurve={bench.drawings.readCurve}
      acts={bench.acts}
      laying={{ fit: canFit(lead) ? bench.fit : undefined, fromView: bench.lookFrom }}
      others={bench.others}
      onPick={(ids) => bench.typing.pick(lead.id, ids)}
      onSection={() => bench.setShowsSection(true)}
    />
  );
}

const tellNotTaken = (names: readonly string[]): void => {
  for (const name of names) notifications.show({ color: 'var(--clay)', message: texts.drawing.notTaken(name) });
};

/** Alignment asks for the boxes as they stand when it is used. */
function usePieceActions(store: ProjectStore, evaluation: Evaluation, shelf: GeometryShelf): PieceActions {
  const pieces = useRef(evaluation.pieces);
  pieces.current = evaluation.pieces;
  return useMemo(
    () =>
      pieceActions(store, (id) => {
        const shown = pieces.current.find((p) => p.pieceId === id);
        const box = boundsOf(shown ? [shown] : [], shelf);
        return box.isEmpty() ? undefined : { min: box.min.toArray(), max: box.max.toArray() };
      }),
    [store, shelf],
  );
}

const focusChapter = (chapter: ChapterName): void =>
  document.querySelector<HTMLElement>(`[data-chapter="${chapter}"] :is(textarea, [class*="value"])`)?.focus();

interface SideColumnProps {
  project: Project;
  evaluation: Evaluation;
  client: ReturnType<typeof useEvaluation>['client'];
  chosen: Chosen;
  actions: PieceActions;
  acts: PutActs;
  marks: MarksState;
  onFile: () => void;
  models: ReturnType<typeof useModels>;
  onCure: (pieceId: string, cure: CheckCure) => void;
  onEdits: (edits: Edit[]) => void;
}

function SideColumn({
  project,
  evaluation,
  client,
  chosen,
  actions,
  acts,
  marks,
  onFile,
  models,
  onCure,
  onEdits,
}: SideColumnProps) {
  const { now, start } = acts;
  const [lead] = chosen.ids;
  const shownLead = evaluation.pieces.find((p) => p.pieceId === lead);
  const faces = shownLead?.faces ?? 0;
  return (
    <aside className={classes.side} aria-label={texts.pieces.heading}>
      <Pieces
        project={project}
        shown={evaluation.pieces}
        chosen={chosen.ids}
        actions={actions}
        selection={chosen}
        onFile={onFile}
        onModel={models.choose}
        onPlain={models.makePlain}
        onPut={start}
      />
      {now && <OnceChecks onto={now.shown?.onto} />}
      {!now && faces > 0 && (
        <Checks
          client={client}
          project={project}
          pieceId={lead}
          shownPiece={shownLead}
          shown={marks.what}
          onShow={marks.set}
          onCure={onCure}
          onEdits={onEdits}
        />
      )}
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
    </>
  );
}
