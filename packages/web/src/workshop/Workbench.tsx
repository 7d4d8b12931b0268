import { ActionIcon, Alert, Anchor, Button, Group, Menu, Switch, Text, TextInput, Tooltip } from '@mantine/core';
import { MESH_FORMATS, type MeshFormat } from '@fictile/core';
import { IconArrowBackUp, IconArrowForwardUp } from '@tabler/icons-react';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { api } from '../api/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { canDraw, Viewport } from '../viewport/index.ts';
import { failureText, texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';
import classes from './Workbench.module.css';
import { Checks } from './Checks.tsx';
import { PieceForm } from './PieceForm.tsx';
import { saveFile } from './saveFile.ts';
import { useEvaluation } from './useEvaluation.ts';

/** The plain workshop: values left, view right, saving and files above. */
export function Workbench({ store }: { store: ProjectStore }) {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const { project } = state.history;
  const { evaluation, shelf, client } = useEvaluation(project);
  const [showEdges, setShowEdges] = useState(false);
  const [fitRequest, setFitRequest] = useState(0);
  const [drawing] = useState(canDraw);
  const [parameters] = useSearchParams();
  useKeys(store);
  const pieceId = project.pieceOrder[0];
  const piece = project.pieces[pieceId];
  const shown = evaluation.pieces.find((p) => p.pieceId === pieceId);
  const failure = state.refusal ?? evaluation.failures.find((f) => f.pieceId === pieceId)?.error;
  return (
    <div className={classes.bench}>
      <Top store={store} client={client} canSave={(shown?.faces ?? 0) > 0} />
      <aside className={classes.values}>
        {piece && <PieceForm piece={piece} store={store} remarks={shown?.remarks ?? []} />}
        {failure && (
          <Alert color="red" role="alert">
            {failureText(failure)}
          </Alert>
        )}
        {evaluation.crashed && <Alert color="red">{texts.mishap.title}</Alert>}
        {client && (shown?.faces ?? 0) > 0 && <Checks client={client} project={project} pieceId={pieceId} />}
      </aside>
      <main className={classes.view} aria-busy={evaluation.busy}>
        {drawing ? (
          parameters.get('view') !== 'off' && (
            <Viewport
              pieces={evaluation.pieces}
              shelf={shelf}
              showEdges={showEdges}
              fitRequest={fitRequest}
              label={texts.workshop.view}
            />
          )
        ) : (
          <Text p="xl">{texts.workshop.noView}</Text>
        )}
        <Group className={classes.bar} gap="md">
          <Switch
            label={texts.workshop.edges}
            checked={showEdges}
            onChange={(event) => setShowEdges(event.currentTarget.checked)}
          />
          <Button size="compact-sm" variant="default" onClick={() => setFitRequest((n) => n + 1)}>
            {texts.workshop.fit}
          </Button>
          <Text size="sm" c="var(--ink-soft)" aria-live="polite" data-testid="figures">
            {shown && !evaluation.busy
              ? texts.figures(shown.faces, shown.quads, evaluation.milliseconds)
              : texts.workshop.working}
          </Text>
        </Group>
      </main>
    </div>
  );
}

function Top({ store, client, canSave }: { store: ProjectStore; client: JobClient | undefined; canSave: boolean }) {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const { project, past, future } = state.history;
  const [failed, setFailed] = useState<string>();
  const download = async (format: MeshFormat): Promise<void> => {
    const answer = await client?.ask({ kind: 'write', project, pieceId: project.pieceOrder[0], format });
    if (answer?.kind === 'written') saveFile(answer.bytes, `${project.name || 'Words'}.${format}`);
    setFailed(answer?.kind === 'failed' ? failureText(answer.error) : undefined);
  };
  return (
    <header className={classes.top}>
      <Anchor component={Link} to="/" className={classes.product}>
        {texts.product}
      </Anchor>
      <TextInput
        aria-label={texts.workshop.name}
        variant="unstyled"
        classNames={{ input: classes.name }}
        value={project.name}
        maxLength={200}
        onChange={(event) => store.edit({ kind: 'renameProject', name: event.currentTarget.value }, 'name')}
      />
      <Text size="sm" className={classes.state} data-state={state.save} role="status">
        {state.save === 'conflict' ? texts.saving.conflict : texts.saving[state.save]}
      </Text>
      {state.save === 'conflict' && <Conflict store={store} />}
      {failed && <Text c="red">{failed}</Text>}
      <span className={classes.gap} />
      <Step
        label={texts.workshop.undo}
        disabled={past.length === 0}
        onClick={() => store.undo()}
        icon={<IconArrowBackUp size={18} />}
      />
      <Step
        label={texts.workshop.redo}
        disabled={future.length === 0}
        onClick={() => store.redo()}
        icon={<IconArrowForwardUp size={18} />}
      />
      <Menu>
        <Menu.Target>
          <Button disabled={!canSave || !client}>{texts.workshop.download}</Button>
        </Menu.Target>
        <Menu.Dropdown>
          {MESH_FORMATS.map((format) => (
            <Menu.Item key={format} onClick={() => void download(format)}>
              {format.toUpperCase()}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
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
      <ActionIcon variant="subtle" color="dark" aria-label={label} disabled={disabled} onClick={onClick}>
        {icon}
      </ActionIcon>
    </Tooltip>
  );
}

/** Undo and redo as the desktop has them; the fields' own undo gives way to the document's. */
function useKeys(store: ProjectStore): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) store.redo();
      else store.undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store]);
}
