import { ActionIcon, Text, useComputedColorScheme } from '@mantine/core';
import { isWords, type Project, type SceneView } from '@fictile/core';
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { IconX } from '@tabler/icons-react';
import { useSearchParams } from 'react-router';
import { pieceEdits } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import {
  backdropOf,
  boundsOf,
  canDraw,
  gridStep,
  moved,
  nearer,
  turned,
  Viewport,
  type Bending,
  type CameraHandle,
  type Carrying,
  type GeometryShelf,
  type Ghosts,
  type MarkedPlaces,
  type Placing,
  type Pose,
  type Shaping,
  type Stepping,
  type TakePicture,
  type ViewWish,
} from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { CameraLink } from './cameraLink.ts';
import type { Comparing } from './comparing.ts';
import { TypingField } from './TypingField.tsx';
import type { Chosen } from '../pieces/index.ts';
import { useEvaluation, type Evaluation } from './useEvaluation.ts';
import type { TypingState } from './useTyping.ts';
import { CompareMenu } from './CompareMenu.tsx';
import { ViewBar, ViewNames } from './ViewBar.tsx';
import type { ViewSettings } from './viewSettings.ts';
import classes from './Workbench.module.css';

interface ViewPaneProps {
  store: ProjectStore;
  /** of the first view */
  camera: React.RefObject<CameraHandle | undefined>;
  project: Project;
  evaluation: Evaluation;
  shelf: GeometryShelf;
  view: ViewSettings;
  setView: (view: ViewSettings) => void;
  chosen: Chosen;
  marks: MarkedPlaces | undefined;
  typing: TypingState;
  placing: Placing | undefined;
  bending: Bending | undefined;
  shaping: Shaping | undefined;
  stepping: Stepping | undefined;
  /** a piece on its way onto a body */
  carrying: Carrying | undefined;
  /** pieces that cut others and are at work */
  cutting: readonly string[];
  comparing: Comparing | undefined;
  onCompare: (comparing: Comparing | undefined) => void;
  /** pixels that the view is shown further up, above what covers its foot */
  lift: number;
  onPictures: (take: TakePicture | undefined) => void;
  /** what floats over the view */
  children: ReactNode;
}

/** The view, or two of them, with what floats over it: size, bar, and the field behind the caret. */
export function ViewPane(props: ViewPaneProps) {
  const { store, project, evaluation, shelf, view, setView, typing, chosen, onPictures } = props;
  const typed = typing.now && project.pieces[typing.now.pieceId];
  const { comparing, onCompare } = props;
  const compared = useEvaluation(comparing?.project);
  const [link] = useState(() => new CameraLink());
  const { camera } = props;
  const ghost = useMemo(
    () => (comparing?.how === 'over' ? { pieces: compared.evaluation.pieces, shelf: compared.shelf } : undefined),
    [comparing?.how, compared.evaluation.pieces, compared.shelf],
  );
  const isBeside = comparing?.how === 'beside';
  const backdrop = useBackdrop(project);
  const box = useMemo(() => boundsOf(evaluation.pieces, shelf), [evaluation.pieces, shelf]);
  const onScene = (values: Partial<SceneView>): void => store.edit({ kind: 'setView', values });
  return (
    <main
      className={classes.view}
      style={{ background: backdrop }}
      aria-busy={evaluation.busy}
      onMouseDown={(event) => typing.now && event.preventDefault()} // the field behind the caret keeps the focus
    >
      <div className={classes.views} data-two={isBeside || view.second !== undefined}>
        <Drawn
          {...props}
          box={box}
          wish={view.wish}
          camera={camera}
          link={isBeside ? link.first : undefined}
          ghost={ghost}
          onPictures={onPictures}
        />
        {view.second && !isBeside && <SecondView {...props} box={box} wish={view.second} />}
        {comparing && isBeside && (
          <ComparedView {...props} {...compared} project={comparing.project} comparing={comparing} link={link.second} />
        )}
      </div>
      {typing.now && typed && isWords(typed) && (
        <TypingField
          key={typed.id}
          piece={typed}
          place={typing.now.place}
          onPlace={typing.place}
          onText={pieceEdits(store, [typed]).retype}
          onEnd={typing.end}
        />
      )}
      <SizeLabel name={project.name} isBusy={evaluation.busy} box={box} showGrid={view.showGrid} />
      <ViewBar
        settings={view}
        onChange={setView}
        scene={project.view}
        onScene={onScene}
        pose={() => camera.current?.pose()}
      >
        <CompareMenu store={store} chosen={chosen.pieces[0]} comparing={comparing} onCompare={onCompare} />
      </ViewBar>
      {props.carrying && <div className={classes.keys}>{texts.put.act.keys}</div>}
      {comparing && <ComparedLabel comparing={comparing} onEnd={() => onCompare(undefined)} />}
      {props.children}
    </main>
  );
}

/** Daylight takes the table of the scheme, which the tokens hold once it is set. */
function useBackdrop(project: Project): string {
  const scheme = useComputedColorScheme('light');
  const { surroundings } = project.view;
  return useMemo(
    () => (surroundings === 'daylight' ? '' : `linear-gradient(${backdropOf(surroundings).join(', ')})`),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [surroundings, scheme],
  );
}

const nothing = (): void => undefined;

function SecondView(props: Omit<DrawnProps, 'camera'>) {
  const { view, setView, wish } = props;
  const camera = useRef<CameraHandle>(undefined);
  return (
    <div className={classes.second}>
      <Drawn {...props} camera={camera} onPictures={nothing} />
      <div className={classes.secondBar} role="toolbar" aria-label={texts.view.second}>
        <ViewNames
          wish={wish}
          onWish={(name) => setView({ ...view, second: { serial: wish.serial + 1, view: name } })}
        />
      </div>
    </div>
  );
}

/** Another state of the project, seen with the same camera. */
function ComparedView(props: Omit<DrawnProps, 'camera' | 'box' | 'wish' | 'ghost'> & { comparing: Comparing }) {
  const camera = useRef<CameraHandle>(undefined);
  const box = useMemo(() => boundsOf(props.evaluation.pieces, props.shelf), [props.evaluation.pieces, props.shelf]);
  const only = {
    marks: undefined,
    placing: undefined,
    bending: undefined,
    shaping: undefined,
    stepping: undefined,
    carrying: undefined,
    cutting: [],
    typing: { ...props.typing, now: undefined, picked: undefined },
  };
  return (
    <div className={classes.second} data-testid="compared" aria-busy={props.evaluation.busy}>
      <Drawn
        {...props}
        {...only}
        box={box}
        wish={props.view.wish}
        camera={camera}
        ghost={undefined}
        onPictures={nothing}
      />
    </div>
  );
}

function ComparedLabel({ comparing, onEnd }: { comparing: Comparing; onEnd: () => void }) {
  return (
    <div className={classes.compared}>
      {texts.compare.with(comparing.label)}
      <ActionIcon variant="subtle" color="dark" size={18} aria-label={texts.compare.end} onClick={onEnd}>
        <IconX size={13} />
      </ActionIcon>
    </div>
  );
}

interface DrawnProps extends ViewPaneProps {
  box: ReturnType<typeof boundsOf>;
  wish: ViewWish;
  camera: React.RefObject<CameraHandle | undefined>;
  /** told of the camera where another follows it */
  link?: (camera: CameraHandle | undefined) => void;
  ghost?: Ghosts;
}

function Drawn({
  project,
  box,
  evaluation,
  shelf,
  view,
  wish,
  chosen,
  marks,
  typing,
  placing,
  bending,
  shaping,
  stepping,
  carrying,
  cutting,
  lift,
  camera,
  link,
  ghost,
  onPictures,
}: DrawnProps) {
  const [drawing] = useState(canDraw);
  const [parameters] = useSearchParams();
  const onCamera = useCallback((handle: CameraHandle | undefined) => void (camera.current = handle), [camera]);
  useEffect(() => {
    link?.(camera.current);
    return () => link?.(undefined);
  }, [link, camera, box]);
  if (!drawing)
    return (
      <Text p="xl" pt={64}>
        {texts.workshop.noView}
      </Text>
    );
  if (parameters.get('view') === 'off') return null;
  return (
    <div
      className={classes.drawn}
      role="group"
      tabIndex={0}
      aria-label={texts.view.keys}
      onKeyDown={(event) => {
        const move = moveOf(event);
        if (!move || typing.now) return;
        event.preventDefault();
        camera.current?.change(move);
      }}
    >
      <Viewport
        project={project}
        pieces={evaluation.pieces}
        box={box}
        shelf={shelf}
        mode={view.mode}
        showEdges={view.showEdges}
        showGrid={view.showGrid}
        wish={wish}
        label={texts.workshop.view}
        chosen={chosen.ids}
        marks={marks}
        typing={typing.now}
        picked={typing.picked}
        placing={placing}
        bending={bending}
        shaping={shaping}
        stepping={stepping}
        carrying={carrying}
        cutting={cutting}
        ghost={ghost}
        lift={lift}
        onChoose={chosen.choose}
        onType={typing.start}
        onPlace={typing.place}
        onCamera={onCamera}
        onPictures={onPictures}
      />
    </div>
  );
}

const TURN_DEGREES = 7.5;
const MOVE_SHARE = 0.04;
const NEARER = 1.15;

/** What a key does to the view. */
function moveOf(event: KeyboardEvent): ((pose: Pose) => Pose) | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  if (event.key === '+' || event.key === '=') return (pose) => nearer(pose, NEARER);
  if (event.key === '-') return (pose) => nearer(pose, 1 / NEARER);
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
  if (!way) return undefined;
  const [right, up] = way;
  return event.shiftKey
    ? (pose) => moved(pose, right * MOVE_SHARE, up * MOVE_SHARE)
    : (pose) => turned(pose, right * TURN_DEGREES, up * TURN_DEGREES);
}

interface SizeLabelProps {
  name: string;
  isBusy: boolean;
  box: ReturnType<typeof boundsOf>;
  showGrid: boolean;
}

/** Name and outer size of everything that is seen. */
function SizeLabel({ name, isBusy, box, showGrid }: SizeLabelProps) {
  const size = box.isEmpty() ? [0, 0, 0] : [box.max.x - box.min.x, box.max.y - box.min.y, box.max.z - box.min.z];
  const grid = showGrid ? ` · ${texts.view.gridStep(gridStep(Math.max(...size) || 100))}` : '';
  return (
    <div className={classes.label} data-testid="figures">
      {isBusy ? texts.workshop.working : `${texts.workshop.size(name, size)}${grid}`}
    </div>
  );
}
