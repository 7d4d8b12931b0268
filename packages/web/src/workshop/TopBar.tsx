import { ActionIcon, Button, TextInput, Tooltip, UnstyledButton } from '@mantine/core';
import { IconArrowBackUp, IconArrowForwardUp } from '@tabler/icons-react';
import { useSyncExternalStore } from 'react';
import type { ProjectStore } from '../store/index.ts';
import { Mark } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { SaveStatus } from './SaveStatus.tsx';
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
      <SaveStatus store={store} onVersions={onVersions} />
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
