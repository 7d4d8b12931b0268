import { Alert, Anchor, Center } from '@mantine/core';
import type { StoredProject } from '@fictile/contract';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, Refused } from '../api/index.ts';
import { announceTab, ProjectStore, takeDraft, type Draft } from '../store/index.ts';
import { Loading } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Workbench } from './Workbench.tsx';

/** One project: fetched once, then kept in its store. */
export function Workshop() {
  const { id = '' } = useParams();
  const stored = useQuery({
    queryKey: ['project', id],
    queryFn: () => open(id),
    staleTime: Infinity,
    gcTime: 0,
    retry: (count, error) => !(error instanceof Refused) && count < 2,
  });
  if (stored.isPending) return <Loading label={texts.loading} />;
  if (stored.isError) return <Missing gone={stored.error instanceof Refused} />;
  return <Opened key={id} opened={stored.data} />;
}

interface OpenedProject {
  stored: StoredProject;
  draft: Draft | undefined;
}

/** With the server gone, what this browser kept is opened all the same. */
async function open(id: string): Promise<OpenedProject> {
  await announceTab();
  const draft = await takeDraft(id);
  try {
    return { stored: await api.readProject(id), draft };
  } catch (error) {
    if (!draft || error instanceof Refused) throw error;
    const { project, baseRevision } = draft;
    return { stored: { project, revision: baseRevision, updatedAt: new Date().toISOString() }, draft };
  }
}

function Missing({ gone }: { gone: boolean }) {
  return (
    <Center h="100vh">
      <Alert color="red" maw={420}>
        {gone ? texts.workshop.missing : texts.workshop.failed}{' '}
        <Anchor component={Link} to="/">
          {texts.toRack}
        </Anchor>
      </Alert>
    </Center>
  );
}

function Opened({ opened }: { opened: OpenedProject }) {
  const [store] = useState(() => new ProjectStore(opened.stored, opened.draft));
  useEffect(() => {
    const leave = (): void => store.stop();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      store.stop();
    };
  }, [store]);
  return <Workbench store={store} />;
}
