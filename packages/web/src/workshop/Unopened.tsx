import { Alert, Anchor, Button, Center, Stack, Text } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, Refused } from '../api/index.ts';
import type { Draft } from '../store/index.ts';
import { ageText } from '../ui/index.ts';
import { texts } from '../words/index.ts';

export interface UnopenedProps {
  id: string;
  error: unknown;
  /** what this browser holds of it */
  draft: Draft | undefined;
  /** opens an older version in the place of the newest */
  onOlder: (number: number) => void;
  onAgain: () => void;
}

/** A project that can't be opened as it stands: why, and the ways on. */
export function Unopened({ id, error, draft, onOlder, onAgain }: UnopenedProps) {
  const t = texts.workshop;
  const isUnreadable = error instanceof Refused && error.code === 'REVISION_UNREADABLE';
  const isGone = error instanceof Refused && error.status === 404;
  const make = useMutation({
    mutationFn: async ({ project }: Draft) => api.createProject(project, crypto.randomUUID()),
    onSuccess: onAgain,
  });
  return (
    <Center mih="100vh" p="md">
      <Stack maw={460} gap="sm">
        <Alert color="red">
          {isUnreadable ? t.unreadable : isGone ? t.missing : t.failed}{' '}
          <Anchor component={Link} to="/" inherit>
            {texts.toRack}
          </Anchor>
        </Alert>
        {isGone && draft && (
          <>
            <Text size="sm">{t.draftLeft(draft.project.name)}</Text>
            <Button loading={make.isPending} onClick={() => make.mutate(draft)}>
              {texts.saving.makeAgain}
            </Button>
            {make.isError && <Alert color="red">{texts.saving.makeAgainFailed}</Alert>}
          </>
        )}
        {isUnreadable && <OlderVersions id={id} unreadable={Number(error.params.revision)} onOlder={onOlder} />}
        {!isUnreadable && !isGone && <Button onClick={onAgain}>{texts.mishap.again}</Button>}
      </Stack>
    </Center>
  );
}

function OlderVersions({
  id,
  unreadable,
  onOlder,
}: {
  id: string;
  unreadable: number;
  onOlder: (number: number) => void;
}) {
  const list = useQuery({ queryKey: ['versions', id], queryFn: () => api.listRevisions(id), staleTime: 0 });
  const older = (list.data ?? []).filter(({ number }) => number !== unreadable).slice(0, 12);
  return (
    <>
      <Text size="sm">{texts.workshop.olderVersions(older.length)}</Text>
      {older.map(({ number, name, createdAt }) => (
        <Button
          key={number}
          variant="default"
          justify="space-between"
          onClick={() => onOlder(number)}
          rightSection={ageText(new Date(createdAt), new Date())}
        >
          {name ?? texts.rack.revision(number)}
        </Button>
      ))}
    </>
  );
}
