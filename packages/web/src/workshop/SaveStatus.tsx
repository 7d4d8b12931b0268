import { Button, Text, UnstyledButton } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useState, useSyncExternalStore } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import classes from './Workbench.module.css';

interface SaveStatusProps {
  store: ProjectStore;
  onVersions: () => void;
}

/** Whether all is saved; where saving waits for the person, what can be done. */
export function SaveStatus({ store, onVersions }: SaveStatusProps) {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  return (
    <>
      <UnstyledButton onClick={onVersions} title={texts.versions.title}>
        <Text size="sm" className={classes.state} data-state={state.isKept ? state.save : 'offline'} role="status">
          {state.save !== 'saved' && !state.isKept ? texts.saving.noRoom : texts.saving.states[state.save]}
        </Text>
      </UnstyledButton>
      <WaysOn key={state.save} store={store} />
    </>
  );
}

function WaysOn({ store }: { store: ProjectStore }) {
  const navigate = useNavigate();
  const [isBusy, setIsBusy] = useState(false);
  const t = texts.saving;
  const { save } = store.state;
  /** What does not work out is said; nothing is given up by it. */
  const attempt = (work: () => Promise<unknown>, failed: string) => async (): Promise<void> => {
    setIsBusy(true);
    const done = await work().then(
      (result) => result !== false,
      () => false,
    );
    setIsBusy(false);
    if (!done) notifications.show({ color: 'var(--clay)', message: failed });
  };
  const keepMine = async (): Promise<void> => {
    const name = t.copyOf(store.project.name).slice(0, 200);
    const project = { ...store.project, id: crypto.randomUUID(), name };
    await api.createProject(project, crypto.randomUUID());
    store.forgetMine();
    await navigate(`/projects/${project.id}`);
  };
  const act = (label: string, work: () => Promise<unknown>, failed: string) => (
    <Button size="compact-sm" variant="default" disabled={isBusy} onClick={() => void attempt(work, failed)()}>
      {label}
    </Button>
  );
  if (save === 'conflict')
    return (
      <>
        {act(t.takeTheirs, () => store.takeTheirs(t.mineBefore), t.takeFailed)}
        {act(t.keepMine, keepMine, t.keepFailed)}
      </>
    );
  if (save === 'binned') return act(t.putBack, () => store.putBack(), t.putBackFailed);
  if (save === 'gone') return act(t.makeAgain, () => store.makeAgain(), t.makeAgainFailed);
  if (save === 'refused' || save === 'large') return act(t.keepMine, keepMine, t.keepFailed);
  return null;
}
