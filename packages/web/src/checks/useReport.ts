import { isCancelled, neighboursOf, type MeshReport, type Piece, type Project, type Remark } from '@fictile/core';
import { useEffect, useState } from 'react';
import type { JobClient } from '../worker/index.ts';

/** Checking waits until the hands rest: a report of a state that is gone helps nobody. */
const REST_MS = 350;

/** The report on a piece as it stands; undefined while it is not there yet. */
export function useReport(client: JobClient | undefined, project: Project, pieceId: string | undefined) {
  const [found, setFound] = useState<{ of: unknown; report: MeshReport | undefined; crossing: readonly Remark[] }>();
  const piece = pieceId === undefined ? undefined : project.pieces[pieceId];
  // what it runs into depends on where it stands, and on its neighbours
  const around = piece && [piece.placement, ...neighboursOf(project, piece).flatMap(meshOf)].map(serialOf);
  const subject = piece && JSON.stringify([piece.source, piece.body, piece.steps, project.faceBudget, around]);
  useEffect(() => {
    if (!client || subject === undefined || pieceId === undefined) return;
    let current = true;
    const check = (): void => {
      void client.ask({ kind: 'check', project, pieceId }).then((answer) => {
        if (!current) return;
        // something else was built meanwhile
        if (answer.kind === 'failed' && isCancelled(answer.error)) timer = setTimeout(check, REST_MS);
        else if (answer.kind === 'checked') setFound({ of: subject, report: answer.report, crossing: answer.crossing });
        else setFound({ of: subject, report: undefined, crossing: [] });
      });
    };
    let timer = setTimeout(check, REST_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // the mesh depends on the subject alone
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [client, subject, pieceId]);
  return found?.of === subject ? found : undefined;
}

/** What a neighbour's mesh and place depend on. */
const meshOf = ({ source, body, steps, placement }: Piece): object[] => [source, body, steps, placement];

const serials = new WeakMap<object, number>();
let last = 0;

/** A number for each object: documents are never changed in place, so it stands for what the object holds. */
function serialOf(part: object): number {
  const serial = serials.get(part) ?? ++last;
  serials.set(part, serial);
  return serial;
}
