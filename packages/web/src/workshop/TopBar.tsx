import { ActionIcon, Button, Text, TextInput, Tooltip, UnstyledButton } from '@mantine/core';
import { IconArrowBackUp, IconArrowForwardUp } from '@tabler/icons-react';
import { useSyncExternalStore } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { Mark } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { lastEdit, nextEdit } from './workshopCommands.ts';
import classes from './Workbench.module.css';

interface TopBarProps {
  store: ProjectStore;
  onSearch: () => void;
  onVersions: () => void;
  onHandOver: () => void;
}

/** Name, saving, search, undo, handing over. */
export function TopBar({ store, onSearch, onVersions, onHandOver }: TopBarProps) {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const { project, past, future } = state.history;
  return (
    <header className={classes.top}>
      <Mark label={`${texts.product}. ${texts.toRack}`} />
      <TextInput
        aria-label={texts.workshop.name}
        variant="unstyled"
        classNames={{ input: classes.name }}
        value={project.name}
        maxLength={200}
        onChange={(event) => store.edit({ kind: 'renameProject', name: event.currentTarget.value }, 'name')}
      />
      <UnstyledButton onClick={onVersions} title={texts.versions.title}>
        <Text size="sm" className={classes.state} data-state={state.isKept ? state.save : 'offline'} role="status">
          {state.save !== 'saved' && !state.isKept ? texts.saving.noRoom : texts.saving[state.save]}
        </Text>
      </UnstyledButton>
      {state.save === 'conflict' && <Conflict store={store} />}
      <span className={classes.gap} />
      <UnstyledButton className={classes.search} onClick={onSearch}>
        <span>{texts.workshop.search}</span>
        <kbd>Ctrl K</kbd>
      </UnstyledButton>
      <Step
        label={texts.workshop.undo(lastEdit(store))}
        disabled={past.length === 0}
        onClick={() => store.undo()}
        icon={<IconArrowBackUp size={18} />}
      />
      <Step
        label={texts.workshop.redo(nextEdit(store))}
        disabled={future.length === 0}
        onClick={() => store.redo()}
        icon={<IconArrowForwardUp size={18} />}
      />
      <Button radius="xl" onClick={onHandOver}>
        {texts.workshop.handOver}
      </Button>
    </header>
  );
}

function Conflict({ store }: { store: ProjectStore }) {
  const navigate = useNavigate();
  const keep = async (): Promise<void> => {
    const project = {
      ...store.project,
      id: crypto.randomUUID(),
      name: texts.saving.copyOf(store.project.name).slice(0, 200),
    };
    await api.createProject(project, crypto.randomUUID());
    store.forgetMine();
    await navigate(`/projects/${project.id}`);
  };
  return (
    <>
      <Button size="compact-sm" variant="default" onClick={() => store.takeTheirs()}>
        {texts.saving.takeTheirs}
      </Button>
      <Button size="compact-sm" variant="default" onClick={() => void keep()}>
        {texts.saving.keepMine}
      </Button>
    </>
  );
}

interface StepProps {
  label: string;
  disabled: boolean;
  onClick: () => void;
  icon: React.ReactNode;
}

function Step({ label, disabled, onClick, icon }: StepProps) {
  return (
    <Tooltip label={label}>
      <ActionIcon
        variant="transparent"
        c="var(--ink)"
        className={classes.step}
        aria-label={label}
        disabled={disabled}
        onClick={onClick}
      >
        {icon}
      </ActionIcon>
    </Tooltip>
  );
}
