import type { Failure, Project, ShownPiece } from '@fictile/core';
import { useEffect, useMemo, useState } from 'react';
import { GeometryShelf } from '../viewport/index.ts';
import { JobClient } from '../worker/index.ts';

export interface Evaluation {
  pieces: readonly ShownPiece[];
  failures: readonly { pieceId: string; error: Failure }[];
  milliseconds: number;
  /** the project has changed since */
  busy: boolean;
  crashed: boolean;
}

interface Standing extends Omit<Evaluation, 'busy'> {
  /** what it was made of */
  of: Project | undefined;
}

const NOTHING: Standing = { of: undefined, pieces: [], failures: [], milliseconds: 0, crashed: false };

/** Marks for the bench: from the change of a document to its mesh at the renderer. */
export const MEASURE = 'edit to mesh';

/**
 * Keeps the meshes of a project up to date: asks the worker at every change; the last good result stays until the next is there. Without a project there is no worker.
 */
export function useEvaluation(project: Project | undefined): {
  evaluation: Evaluation;
  shelf: GeometryShelf;
  client: JobClient | undefined;
} {
  const [shelf] = useState(() => new GeometryShelf());
  const [ready, setReady] = useState<JobClient>();
  const [standing, setStanding] = useState<Standing>(NOTHING);
  const isWanted = project !== undefined;
  useEffect(() => {
    if (!isWanted) return;
    const started = new JobClient();
    setReady(started);
    return () => {
      started.stop();
      shelf.clear();
      setReady(undefined);
      setStanding(NOTHING);
    };
  }, [shelf, isWanted]);
  useEffect(() => {
    if (!ready || !project) return;
    let current = true;
    const start = performance.now();
    void ready.ask({ kind: 'evaluate', project, known: shelf.keys() }).then((answer) => {
      if (!current) return; // buffers of a skipped answer are asked for again: the shelf does not hold their keys
      if (answer.kind === 'evaluated') {
        shelf.update(answer.pieces);
        performance.measure(MEASURE, { start });
        const { pieces, failures, milliseconds } = answer;
        setStanding({ of: project, pieces, failures, milliseconds, crashed: false });
      } else setStanding((before) => ({ ...before, of: project, crashed: answer.kind === 'crashed' }));
    });
    return () => {
      current = false;
    };
  }, [ready, project, shelf]);
  const evaluation = useMemo(() => ({ ...standing, busy: !project || standing.of !== project }), [standing, project]);
  return { evaluation, shelf, client: ready };
}
