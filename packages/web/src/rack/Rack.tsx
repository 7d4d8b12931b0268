import { Alert, Container, FileButton, Loader, Text, Title, UnstyledButton } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { api, Unreachable } from '../api/index.ts';
import { useProjects } from '../store/index.ts';
import { ScreenNav, Unreached } from '../ui/index.ts';
import navClasses from '../ui/ScreenNav.module.css';
import { texts } from '../words/index.ts';
import { CheckMesh } from './CheckMesh.tsx';
import { ProjectCardView, type CardActions } from './ProjectCardView.tsx';
import { bringIn, duplicateProject, renameProject, saveProjectFile } from './projectActions.ts';
import classes from './Rack.module.css';
import { WordsField } from './WordsField.tsx';

/** All projects, the field that makes a new one, and the bin. */
export function Rack() {
  const [parameters] = useSearchParams();
  const inBin = parameters.has('bin');
  const [fault, setFault] = useState<string>();
  return (
    <>
      <ScreenNav at={inBin ? undefined : '/'}>
        <BringIn onFault={setFault} />
        <CheckMesh onFault={setFault} />
        <Link to="/?bin" className={navClasses.place} aria-current={inBin ? 'page' : undefined}>
          {texts.rack.bin}
        </Link>
      </ScreenNav>
      <Container size={1180} pt={28} pb={60}>
        {!inBin && <WordsField />}
        {fault && (
          <Alert color="red" mt="md" withCloseButton onClose={() => setFault(undefined)}>
            {fault}
          </Alert>
        )}
        <Projects inBin={inBin} onFault={setFault} />
      </Container>
    </>
  );
}

function BringIn({ onFault }: { onFault: (fault: string | undefined) => void }) {
  const navigate = useNavigate();
  const take = async (file: File | null): Promise<void> => {
    if (!file) return;
    try {
      const result = await bringIn(file);
      if ('fault' in result) onFault(result.fault);
      else await navigate(`/projects/${result.id}`);
    } catch (error) {
      onFault(error instanceof Unreachable ? texts.rack.failed : texts.rack.fileBroken(file.name));
    }
  };
  return (
    <FileButton onChange={(file) => void take(file)} accept=".fictile">
      {(props) => (
        <UnstyledButton {...props} className={navClasses.place}>
          {texts.rack.bringIn}
        </UnstyledButton>
      )}
    </FileButton>
  );
}

function Projects({ inBin, onFault }: { inBin: boolean; onFault: (fault: string | undefined) => void }) {
  const list = useProjects(inBin);
  const actions = useCardActions(onFault);
  const t = texts.rack;
  return (
    <>
      <div className={classes.heading}>
        <Title order={1} size="h3">
          {inBin ? t.inBin : t.heading}
        </Title>
        {list.data && list.data.length > 0 && <Text className={classes.figures}>{t.count(list.data.length)}</Text>}
      </div>
      {inBin && list.data && list.data.length > 0 && <Text size="sm">{t.binAge}</Text>}
      {list.isPending && <Loader aria-label={texts.loading} />}
      {list.isError && <Unreached text={t.failed} onRetry={() => void list.refetch()} />}
      {list.data?.length === 0 && <Text>{inBin ? t.binEmpty : t.none}</Text>}
      <ul className={classes.list}>
        {list.data?.map((card) => (
          <ProjectCardView key={card.id} card={card} actions={actions} />
        ))}
      </ul>
    </>
  );
}

function useCardActions(onFault: (fault: string | undefined) => void): CardActions {
  const queries = useQueryClient();
  const work = useMutation({
    mutationFn: (run: () => Promise<unknown>) => run(),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['projects'] }),
    onMutate: () => onFault(undefined),
    onError: () => onFault(texts.rack.actionFailed),
  });
  return {
    rename: (id, name) => work.mutate(() => renameProject(id, name)),
    duplicate: (id) => work.mutate(() => duplicateProject(id)),
    saveFile: (id) => work.mutate(() => saveProjectFile(id)),
    bin: (id) => work.mutate(() => api.bin(id)),
    restore: (id) => work.mutate(() => api.restore(id)),
  };
}
