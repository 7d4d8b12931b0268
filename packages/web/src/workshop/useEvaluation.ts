import type { Failure, Project, ShownPiece } from '@fictile/core';
import { useEffect, useState } from 'react';
import { GeometryShelf } from '../viewport/index.ts';
import { JobClient } from '../worker/index.ts';

export interface Evaluation {
  pieces: readonly ShownPiece[];
  failures: readonly { pieceId: string; error: Failure }[];
  milliseconds: number;
  busy: boolean;
  crashed: boolean;
}

const NOTHING: Evaluation = { pieces: [], failures: [], milliseconds: 0, busy: true, crashed: false };

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
  const [evaluation, setEvaluation] = useState<Evaluation>(NOTHING);
  const isWanted = project !== undefined;
  useEffect(() => {
    if (!isWanted) return;
    const started = new JobClient();
    setReady(started);
    return () => {
      started.stop();
      shelf.clear();
      setReady(undefined);
      setEvaluation(NOTHING);
    };
  }, [shelf, isWanted]);
  useEffect(() => {
    if (!ready || !project) return;
    let current = true;
    const start = performance.now();
    setEvaluation((before) => ({ ...before, busy: true }));
    void ready.ask({ kind: 'evaluate', project, known: shelf.keys() }).then((answer) => {
      if (!current) return; // buffers of a skipped answer are asked for again: the shelf does not hold their keys
      if (answer.kind === 'evaluated') {
        shelf.update(answer.pieces);
        performance.measure(MEASURE, { start });
        const { pieces, failures, milliseconds } = answer;
        setEvaluation({ pieces, failures, milliseconds, busy: false, crashed: false });
      } else setEvaluation((before) => ({ ...before, busy: false, crashed: answer.kind === 'crashed' }));
    });
    return () => {
      current = false;
    };
  }, [ready, project, shelf]);
  return { evaluation, shelf, client: ready };
}
