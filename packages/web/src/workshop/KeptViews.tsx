import { ActionIcon, Button, Group, Popover, Stack, Switch, Text, TextInput, UnstyledButton } from '@mantine/core';
import { KEPT_VIEWS, type KeptView, type SceneView } from '@fictile/core';
import { IconX } from '@tabler/icons-react';
import { useState, type FormEvent } from 'react';
import type { Pose } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { wishFor, withSecond, type ViewSettings } from '../views/index.ts';
import classes from './Workbench.module.css';

interface KeptViewsProps {
  settings: ViewSettings;
  onChange: (settings: ViewSettings) => void;
  scene: SceneView;
  onScene: (values: Partial<SceneView>) => void;
  pose: () => Pose | undefined;
}

const rounded = (point: Pose['from']): KeptView['from'] =>
  point.map((v) => Math.round(v * 100) / 100) as KeptView['from'];

/** Views kept by name, and the second view. */
export function KeptViews({ settings, onChange, scene, onScene, pose }: KeptViewsProps) {
  const [isOpen, setIsOpen] = useState(false);
  const t = texts.view;
  return (
    <Popover
      opened={isOpen}
      onChange={setIsOpen}
      position="top-end"
      withinPortal
      trapFocus
      returnFocus
      shadow="md"
      width={260}
    >
      <Popover.Target>
        <UnstyledButton className={classes.barButton} aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
          {t.views}
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown aria-label={t.views}>
        <Stack gap="sm">
          <Switch
            label={t.second}
            checked={settings.second !== undefined}
            onChange={() => onChange(withSecond(settings))}
          />
          <Switch
            label={t.follow}
            checked={settings.follows}
            onChange={() => onChange({ ...settings, follows: !settings.follows })}
          />
          {scene.kept.length === 0 && (
            <Text size="sm" c="dimmed">
              {t.none}
            </Text>
          )}
          <div className={classes.kept}>
            {scene.kept.map((view) => (
              <KeptRow
                key={view.name}
                view={view}
                onLook={() => onChange(wishFor(settings, view))}
                onDrop={() => onScene({ kept: scene.kept.filter((other) => other !== view) })}
              />
            ))}
          </div>
          <KeepForm scene={scene} onScene={onScene} pose={pose} />
        </Stack>
      </Popover.Dropdown>
    </Popover>
  );
}

function KeptRow({ view, onLook, onDrop }: { view: KeptView; onLook: () => void; onDrop: () => void }) {
  return (
    <Group gap={4} wrap="nowrap">
      <UnstyledButton className={classes.keptName} onClick={onLook}>
        {view.name}
      </UnstyledButton>
      <ActionIcon variant="subtle" color="dark" size="sm" aria-label={texts.view.drop(view.name)} onClick={onDrop}>
        <IconX size={14} />
      </ActionIcon>
    </Group>
  );
}

/** A name that is kept already is taken over. */
function KeepForm({ scene, onScene, pose }: Pick<KeptViewsProps, 'scene' | 'onScene' | 'pose'>) {
  const [text, setText] = useState('');
  const name = text.trim();
  const t = texts.view;
  const others = scene.kept.filter((view) => view.name !== name);
  const isFull = others.length >= KEPT_VIEWS;
  const keep = (event: FormEvent): void => {
    event.preventDefault();
    const now = pose();
    if (!now || isFull || name === '') return;
    onScene({ kept: [...others, { name, from: rounded(now.from), to: rounded(now.to) }] });
    setText('');
  };
  return (
    <form onSubmit={keep}>
      <Group gap={6} align="end" wrap="nowrap">
        <TextInput
          size="xs"
          flex={1}
          label={t.keep}
          placeholder={t.example}
          maxLength={60}
          value={text}
          error={isFull ? t.full : undefined}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <Button size="xs" type="submit" disabled={isFull || name === ''}>
          {t.keepIt}
        </Button>
      </Group>
    </form>
  );
}
