import type { StoredProject } from '@fictile/contract';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { api, Refused } from '../api/index.ts';
import { announceTab, endedWhileBuilding, ProjectStore, takeDraft, type Draft } from '../store/index.ts';
import { Loading } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Unopened } from './Unopened.tsx';
import { Workbench } from './Workbench.tsx';

/** One project: fetched once, then kept in its store. */
export function Workshop() {
  const { id = '' } = useParams();
  return <WorkshopOf key={id} id={id} />;
}

function WorkshopOf({ id }: { id: string }) {
  const [older, setOlder] = useState<number>();
  const stored = useQuery({
    queryKey: ['project', id, older],
    queryFn: () => open(id, older),
    staleTime: Infinity,
    gcTime: 0,
    retry: (count, error) => !(error instanceof Refused) && count < 2,
  });
  if (stored.isPending) return <Loading label={texts.loading} />;
  if (stored.isError)
    return (
      <Unopened
        id={id}
        error={stored.error}
        draft={undefined}
        onOlder={setOlder}
        onAgain={() => void stored.refetch()}
      />
    );
  if ('error' in stored.data)
    return <Unopened id={id} {...stored.data} onOlder={setOlder} onAgain={() => void stored.refetch()} />;
  return <Opened opened={stored.data} />;
}

interface OpenedProject {
  stored: StoredProject;
  draft: Draft | undefined;
  /** the last life of this page ended while it built it */
  isHeld: boolean;
}

/**
 * With the server gone, what this browser kept is opened all the same. `older`: in the place of the newest revision,
 * which can't be read; what is
 * made of it comes after that one.
 */
async function open(id: string, older?: number): Promise<OpenedProject | { error: Refused; draft: Draft | undefined }> {
  await announceTab();
  const isHeld = await endedWhileBuilding(id);
  const readRevision = async (number: number) => (await api.readRevision(id, number)).project;
  const draft = await takeDraft(id, { readRevision });
  try {
    if (older === undefined) return { stored: await api.readProject(id), draft, isHeld };
    const [{ project, updatedAt }, [newest]] = await Promise.all([api.readRevision(id, older), api.listRevisions(id)]);
    return { stored: { project, updatedAt, revision: newest.number }, draft, isHeld };
  } catch (error) {
    if (error instanceof Refused) return { error, draft };
    if (!draft) throw error;
    const { project, baseRevision } = draft;
    return { stored: { project, revision: baseRevision, updatedAt: new Date().toISOString() }, draft, isHeld };
  }
}

function Opened({ opened }: { opened: OpenedProject }) {
  const [store] = useState(() => new ProjectStore(opened.stored, opened.draft));
  useEffect(() => {
    const [leave, come] = [() => store.stop(), () => store.resume()];
    come();
    window.addEventListener('pagehide', leave);
    window.addEventListener('pageshow', come);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('pageshow', come);
      store.stop();
    };
  }, [store]);
  return <Workbench store={store} isHeld={opened.isHeld} />;
}
