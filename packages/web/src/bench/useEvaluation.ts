import { isShapeStep, type Failure, type Project, type ShownPiece } from '@fictile/core';
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { GeometryShelf } from '../viewport/index.ts';
import { markBuild } from '../store/index.ts';
import { JobClient, type CrashKind } from '../worker/index.ts';

export interface Evaluation {
  pieces: readonly ShownPiece[];
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

const NOTHING: Evaluated = { of: undefined, pieces: [], failures: [], milliseconds: 0, crash: undefined };

const neverChanges = () => (): void => undefined;

/** Marks for the bench: from the change of a document to its mesh at the renderer. */
export const MEASURE = 'edit to mesh';

export const PREVIEW_MEASURE = 'edit to preview';

/**
 * Changes that follow one another faster than this are a drag; exact meshes that took longer than that are not made for
 * each.
 */
const HURRIED_MS = 300;
const SLOW_MS = 50;
const STILL_MS = 120;

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
  const pace = useRef({ changed: -Infinity, lasted: 0 });
  useEffect(() => {
    if (!ready || !project) return;
    let current = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const start = performance.now();
    const ask = async (preview: boolean): Promise<void> => {
      markBuild(project.id, true);
      const answer = await ready.ask({ kind: 'evaluate', project, known: shelf.keys(), preview });
      if (!current) return; // buffers of a skipped answer are asked for again: the shelf does not hold their keys
      if (answer.kind !== 'evaluated') {
        markBuild(project.id, false);
        setStanding((before) => ({
          ...before,
          of: project,
          crash: answer.kind === 'crashed' ? answer.why : undefined,
        }));
        return;
      }
      markBuild(project.id, false);
      shelf.update(answer.pieces);
      performance.measure(preview ? PREVIEW_MEASURE : MEASURE, { start });
      const { pieces, failures, milliseconds } = answer;
      setStanding({ of: preview ? undefined : project, pieces, failures, milliseconds, crash: undefined });
      if (preview) timer = setTimeout(() => void ask(false), STILL_MS);
      else pace.current.lasted = milliseconds;
    };
    // what is slow and changes on is shown roughly first, exactly once it is still
    const isHurried = start - pace.current.changed < HURRIED_MS && pace.current.lasted > SLOW_MS;
    pace.current.changed = start;
    void ask(isHurried && hasShape(project));
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [ready, project, shelf, tries]);
  useBuildMark(project?.id);
  const isLong = useSyncExternalStore(ready?.subscribe ?? neverChanges, () => ready?.isLong ?? false);
  const evaluation = useMemo(
    () => ({ ...standing, busy: !project || standing.of !== project, isLong }),
    [standing, project, isLong],
  );
  return { evaluation, shelf, client: ready, again };
}

/** A worker as long as one is wanted; `onLeft`: what it made is of no use any more. */
function useWorker(isWanted: boolean, onLeft: () => void): JobClient | undefined {
  const [ready, setReady] = useState<JobClient>();
  useEffect(() => {
    if (!isWanted) return;
    const started = new JobClient();
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
