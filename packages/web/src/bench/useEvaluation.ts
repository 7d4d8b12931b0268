import {
  isShapeStep,
  type Failure,
  type Project,
  type ShownPiece,
  type Transform,
  type WorkFigures,
} from '@fictile/core';
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type Dispatch,
  type SetStateAction,
} from 'react';
import { keepShown, shownLast } from './standAtOnce.ts';
import { GeometryShelf } from '../viewport/index.ts';
import { markBuild, noteAction, watchLongTasks, type Action } from '../store/index.ts';
import { useHeldPointer } from '../ui/index.ts';
import { JobClient, type ClientAnswer, type CrashKind } from '../worker/index.ts';

export interface Evaluation {
  pieces: readonly ShownPiece[];
  /** by the id of a group: where its place counts from */
  groups: Readonly<Record<string, Transform>>;
  failures: readonly { pieceId: string; error: Failure }[];
  milliseconds: number;
  /** the project has changed since */
  busy: boolean;
  /** why there is no newer result: the last good one stays */
  crash: CrashKind | undefined;
  /** it has been building for a while */
  isLong: boolean;
}

interface Evaluated extends Omit<Evaluation, 'busy' | 'isLong'> {
  /** what it was made of */
  of: Project | undefined;
}

const NOTHING: Evaluated = { of: undefined, pieces: [], groups: {}, failures: [], milliseconds: 0, crash: undefined };

const neverChanges = () => (): void => undefined;

/** Marks for the bench: from the change of a document to its mesh at the renderer. */
export const MEASURE = 'edit to mesh';

export const PREVIEW_MEASURE = 'edit to preview';
export const STANDS_MEASURE = 'opened to standing';

/**
 * Changes that follow one another faster than this are a drag, as all are while a button is held; exact meshes that
 * take long are not made for each.
 */
const HURRIED_MS = 300;
const SLOW_MS = 50;
const STILL_MS = 120;
/** While a button is held the hand is likely to go on. */
const HELD_STILL_MS = 400;

const hasShape = (project: Project): boolean =>
  Object.values(project.pieces).some(({ steps }) => steps.some((step) => step.on && isShapeStep(step)));

/**
 * Keeps the meshes of a project up to date: asks the worker at every change; the last good result stays until the next
 * is there. Without a project there is no worker.
 */
export function useEvaluation(project: Project | undefined): {
  evaluation: Evaluation;
  shelf: GeometryShelf;
  client: JobClient | undefined;
  /** builds what did not come to its end once more */
  again: () => void;
} {
  const [shelf] = useState(() => new GeometryShelf());
  const [standing, setStanding] = useState<Evaluated>(NOTHING);
  const leave = useCallback(() => {
    shelf.clear();
    setStanding(NOTHING);
  }, [shelf]);
  const ready = useWorker(project !== undefined, leave);
  const [tries, setTries] = useState(0);
  const again = useCallback(() => setTries((n) => n + 1), []);
  useAsking(ready, project, { shelf, tries, setStanding });
  useBuildMark(project?.id);
  useEffect(watchLongTasks, []);
  const isLong = useSyncExternalStore(ready?.subscribe ?? neverChanges, () => ready?.isLong ?? false);
  const evaluation = useMemo(
    () => ({ ...standing, busy: !project || standing.of !== project, isLong }),
    [standing, project, isLong],
  );
  return { evaluation, shelf, client: ready, again };
}

const actionOf = (kind: Action['kind'], pieces: readonly ShownPiece[], start: number): Omit<Action, 'work'> => ({
  kind,
  milliseconds: performance.now() - start,
  faces: pieces.reduce((sum, { faces }) => sum + faces, 0),
});

/** Without the meshes, which nobody needs to remember. */
const workOf = ({ milliseconds, stages, threads, heldBytes }: WorkFigures): WorkFigures => ({
  ...{ milliseconds, stages, threads, heldBytes },
});

interface Asking {
  shelf: GeometryShelf;
  /** grows when it is to be built once more */
  tries: number;
  setStanding: Dispatch<SetStateAction<Evaluated>>;
}

/** Asks the worker at every change, roughly while a hand is at work, and takes its answers. */
function useAsking(
  ready: JobClient | undefined,
  project: Project | undefined,
  { shelf, tries, setStanding }: Asking,
): void {
  const pace = useRef({ changed: -Infinity, lasted: 0 });
  const isHeld = useHeldPointer();
  const flight = useRef<{ of: JobClient; next?: () => void }>(undefined);
  const standAtOnce = useStandAtOnce(shelf, setStanding);
  useEffect(() => {
    if (!ready || !project) return;
    let current = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let leaveOff: (() => void) | undefined;
    const start = performance.now();
    const take = (answer: ClientAnswer, preview: boolean): void => {
      markBuild(project.id, false);
      if (answer.kind !== 'evaluated') {
        const crash = answer.kind === 'crashed' ? answer.why : undefined;
        if (current) setStanding((before) => ({ ...before, of: project, crash }));
        return;
      }
      shelf.update(answer.pieces);
      performance.measure(preview ? PREVIEW_MEASURE : MEASURE, { start });
      const { pieces, groups, failures, milliseconds } = answer;
      noteAction({ ...actionOf(preview ? 'preview' : 'exact', pieces, start), work: workOf(answer) });
      setStanding({ of: preview ? undefined : project, pieces, groups, failures, milliseconds, crash: undefined });
      if (!preview) {
        pace.current.lasted = milliseconds;
        leaveOff = keepShown(project, pieces, shelf);
      } else if (current) timer = setTimeout(() => void ask(false), isHeld.current ? HELD_STILL_MS : STILL_MS);
    };
    const ask = async (preview: boolean): Promise<void> => {
      markBuild(project.id, true);
      flight.current = preview ? { of: ready } : undefined;
      const known = { known: shelf.keys(), faces: shelf.faces() };
      const answer = await ready.ask({ kind: 'evaluate', project, ...known, preview });
      const own = preview && flight.current?.of === ready ? flight.current : undefined;
      if (own) flight.current = undefined;
      // buffers of a skipped answer are asked for again: the shelf does not hold their keys
      if (current || own) take(answer, preview);
      own?.next?.();
    };
    // what is slow and changes on is shown roughly first, exactly once it is still
    const isMoving = isHeld.current || start - pace.current.changed < HURRIED_MS;
    const isHurried = isMoving && pace.current.lasted > SLOW_MS;
    pace.current.changed = start;
    const begin = (): void => void ask(isHurried && hasShape(project));
    // a preview comes to its end: were it given up for each newer one, a hand that never rests would see none
    if (flight.current?.of === ready) flight.current.next = () => current && begin();
    else if (shelf.keys().length > 0) begin();
    else {
      // whatever has become of what was kept, it is computed
      const stands = standAtOnce(project, () => current).catch(() => undefined);
      void stands.then(() => current && begin());
    }
    return () => {
      current = false;
      clearTimeout(timer);
      leaveOff?.();
    };
  }, [ready, project, shelf, tries, setStanding, isHeld, standAtOnce]);
}

/** Where nothing is shown yet a project stands there as it was left, before it is computed. */
function useStandAtOnce(shelf: GeometryShelf, setStanding: Asking['setStanding']) {
  return useCallback(
    async (project: Project, isCurrent: () => boolean): Promise<void> => {
      const start = performance.now();
      const pieces = await shownLast(project);
      if (!pieces || !isCurrent()) return;
      shelf.update(pieces);
      performance.measure(STANDS_MEASURE, { start });
      noteAction({ ...actionOf('kept', pieces, start), work: undefined });
      setStanding((before) => ({ ...before, pieces }));
    },
    [shelf, setStanding],
  );
}

/** A worker as long as one is wanted; `onLeft`: what it made is of no use any more. */
function useWorker(isWanted: boolean, onLeft: () => void): JobClient | undefined {
  const [ready, setReady] = useState<JobClient>();
  useEffect(() => {
    if (!isWanted) return;
    const started = new JobClient({ isCrewed: true });
    setReady(started);
    return () => {
      started.stop();
      onLeft();
      setReady(undefined);
    };
  }, [isWanted, onLeft]);
  return ready;
}

/** A page that is left in peace did not end by what it built. */
function useBuildMark(projectId: string | undefined): void {
  useEffect(() => {
    if (projectId === undefined) return;
    const leave = (): void => markBuild(projectId, false);
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [projectId]);
}
