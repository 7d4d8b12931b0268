import { Alert, Anchor, Center } from '@mantine/core';
import type { StoredProject } from '@fictile/contract';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, Refused } from '../api/index.ts';
import { ProjectStore } from '../store/index.ts';
import { Loading } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Workbench } from './Workbench.tsx';

/** One project: fetched once, then kept in its store. */
export function Workshop() {
  const { id = '' } = useParams();
  const stored = useQuery({
    queryKey: ['project', id],
    queryFn: () => api.readProject(id),
    staleTime: Infinity,
    gcTime: 0,
    retry: (count, error) => !(error instanceof Refused) && count < 2,
  });
  if (stored.isPending) return <Loading label={texts.loading} />;
  if (stored.isError) return <Missing gone={stored.error instanceof Refused} />;
  return <Opened key={id} stored={stored.data} />;
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

function Opened({ stored }: { stored: StoredProject }) {
  const [store] = useState(() => new ProjectStore(stored));
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
