import { Alert, Button, Loader, Stack, TextInput } from '@mantine/core';
import type { Project } from '@fictile/core';
import type { Revision } from '@fictile/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent, type ReactNode } from 'react';
import { api } from '../api/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { ageText, SidePanel } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import classes from './Versions.module.css';

interface VersionsProps {
  opened: boolean;
  onClose: () => void;
  store: ProjectStore;
  /** holds a version against the state at work */
  onCompare: (label: string, project: Project) => void;
}

/** What the project was before: a list to go back to, and a name for what must never be lost. */
export function Versions({ opened, onClose, store, onCompare }: VersionsProps) {
  return (
    <SidePanel opened={opened} onClose={onClose} title={texts.versions.title}>
      {opened && <VersionList store={store} onCompare={onCompare} />}
    </SidePanel>
  );
}

function VersionList({ store, onCompare }: Pick<VersionsProps, 'store' | 'onCompare'>) {
  const { id } = store.project;
  const queries = useQueryClient();
  const list = useQuery({ queryKey: ['versions', id], queryFn: () => api.listRevisions(id), staleTime: 0 });
  const goBack = useMutation({
    mutationFn: (number: number) => api.readRevision(id, number),
    onSuccess: ({ project }) => store.edit({ kind: 'takeDocument', project }),
  });
  const compare = useMutation({
    mutationFn: (revision: Revision) => api.readRevision(id, revision.number),
    onSuccess: ({ project }, { name, number }) => onCompare(name ?? texts.rack.revision(number), project),
  });
  const keep = useMutation({
    mutationFn: async (name: string) => {
      await store.settle();
      await api.nameRevision(id, store.revision, name);
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ['versions', id] }),
  });
  return (
    <Stack gap="lg">
      <KeepForm onKeep={(name) => keep.mutate(name)} isBusy={keep.isPending} />
      {(list.isError || goBack.isError || compare.isError || keep.isError) && (
        <Alert color="red">{texts.versions.failed}</Alert>
      )}
      {list.isPending && <Loader aria-label={texts.loading} />}
      {GROUPS.map(({ heading, has }) => (
        <VersionGroup key={heading} heading={heading}>
          {list.data?.filter(has).map((revision) => (
            <VersionRow
              key={revision.number}
              revision={revision}
              isNewest={revision === list.data[0]}
              onGoBack={() => goBack.mutate(revision.number)}
              onCompare={() => compare.mutate(revision)}
            />
          ))}
        </VersionGroup>
      ))}
    </Stack>
  );
}

/** What somebody kept by name stands apart from what was kept on the way. */
const GROUPS: readonly { heading: string; has: (revision: Revision) => boolean }[] = [
  { heading: texts.versions.kept, has: ({ name }) => Boolean(name) },
  { heading: texts.versions.onTheWay, has: ({ name }) => !name },
];

function VersionGroup({ heading, children }: { heading: string; children: ReactNode[] | undefined }) {
  if (!children || children.length === 0) return null;
  return (
    <section aria-label={heading}>
      <h3 className={classes.heading}>{heading}</h3>
      <ul className={classes.list}>{children}</ul>
    </section>
  );
}

function KeepForm({ onKeep, isBusy }: { onKeep: (name: string) => void; isBusy: boolean }) {
  const [name, setName] = useState('');
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (name.trim() === '') return;
    onKeep(name.trim());
    setName('');
  };
  return (
    <form onSubmit={submit}>
      <Stack gap="xs">
        <TextInput
          label={texts.versions.keep}
          placeholder={texts.versions.example}
          maxLength={200}
          value={name}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <Button type="submit" variant="default" loading={isBusy} disabled={name.trim() === ''}>
          {texts.versions.keepIt}
        </Button>
      </Stack>
    </form>
  );
}

interface VersionRowProps {
  revision: Revision;
  isNewest: boolean;
  onGoBack: () => void;
  onCompare: () => void;
}

function VersionRow({ revision, isNewest, onGoBack, onCompare }: VersionRowProps) {
  return (
    <li className={classes.row}>
      <div className={classes.text}>
        {revision.name && <div className={classes.name}>{revision.name}</div>}
        <div className={classes.age}>
          {texts.rack.revision(revision.number)} ·{' '}
          <time dateTime={revision.createdAt}>{ageText(new Date(revision.createdAt), new Date())}</time>
        </div>
      </div>
      {!isNewest && (
        <>
          <Button size="compact-sm" variant="subtle" onClick={onCompare}>
            {texts.compare.button}
          </Button>
          <Button size="compact-sm" variant="default" onClick={onGoBack}>
            {texts.versions.goBack}
          </Button>
        </>
      )}
    </li>
  );
}
