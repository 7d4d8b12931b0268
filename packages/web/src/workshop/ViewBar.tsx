import { Menu, UnstyledButton } from '@mantine/core';
import type { SceneView } from '@fictile/core';
import { IconCheck } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import type { Pose, ViewName, ViewWish } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { KeptViews } from './KeptViews.tsx';
import { named, SURROUNDINGS, VIEWS, wishFor, type ViewSettings } from '../views/index.ts';
import classes from './Workbench.module.css';

interface ViewBarProps {
  settings: ViewSettings;
  onChange: (settings: ViewSettings) => void;
  scene: SceneView;
  onScene: (values: Partial<SceneView>) => void;
  /** where the view looks from now */
  pose: () => Pose | undefined;
  /** more of the bar */
  children?: ReactNode;
}

/** The quiet bar that floats over the view. */
export function ViewBar({ settings, onChange, scene, onScene, pose, children }: ViewBarProps) {
  const { wish, mode, showEdges, showGrid } = settings;
  const t = texts.view;
  return (
    <div className={classes.bar} role="toolbar" aria-label={t.bar}>
      <ViewNames wish={wish} onWish={(view) => onChange(wishFor(settings, view))} />
      <BarButton label={t.fit} onClick={() => onChange(wishFor(settings, named(wish)))} />
      <span className={classes.rule} />
      <BarButton label={t.edges} isOn={showEdges} onClick={() => onChange({ ...settings, showEdges: !showEdges })} />
      <BarButton
        label={t.parts}
        isOn={mode.parts}
        onClick={() => onChange({ ...settings, mode: { ...mode, parts: !mode.parts } })}
      />
      <BarButton
        label={t.flat}
        isOn={mode.flat}
        onClick={() => onChange({ ...settings, mode: { ...mode, flat: !mode.flat } })}
      />
      <BarButton label={t.grid} isOn={showGrid} onClick={() => onChange({ ...settings, showGrid: !showGrid })} />
      <span className={classes.rule} />
      <LightMenu scene={scene} onScene={onScene} />
      <KeptViews settings={settings} onChange={onChange} scene={scene} onScene={onScene} pose={pose} />
      {children}
    </div>
  );
}

export function ViewNames({ wish, onWish }: { wish: ViewWish; onWish: (view: ViewName) => void }) {
  return VIEWS.map((view) => (
    <BarButton key={view} label={texts.view[view]} isOn={wish.view === view} onClick={() => onWish(view)} />
  ));
}

const SKIES: Readonly<Record<SceneView['surroundings'], string>> = {
  daylight: 'linear-gradient(160deg, #ffffff, #e2d4bb)',
  window: 'linear-gradient(110deg, #ffe9c2 30%, #8b7150 70%)',
  kiln: 'radial-gradient(circle at 75% 80%, #ff8a34, #211d21 60%)',
};

function LightMenu({ scene, onScene }: Pick<ViewBarProps, 'scene' | 'onScene'>) {
  const tick = (isOn: boolean): ReactNode => (isOn ? <IconCheck size={14} aria-hidden /> : undefined);
  return (
    <Menu position="top" withinPortal>
      <Menu.Target>
        <UnstyledButton className={classes.barButton}>{texts.view.light}</UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        {SURROUNDINGS.map((surroundings) => (
          <Menu.Item
            key={surroundings}
            leftSection={<span className={classes.sky} style={{ background: SKIES[surroundings] }} />}
            rightSection={tick(scene.surroundings === surroundings)}
            onClick={() => onScene({ surroundings })}
          >
            {texts.view.surroundings[surroundings]}
          </Menu.Item>
        ))}
        <Menu.Divider />
        <Menu.Item rightSection={tick(scene.ground)} onClick={() => onScene({ ground: !scene.ground })}>
          {texts.view.ground}
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}

function BarButton({ label, isOn, onClick }: { label: string; isOn?: boolean; onClick: () => void }) {
  return (
    <UnstyledButton className={classes.barButton} aria-pressed={isOn} onClick={onClick}>
      {label}
    </UnstyledButton>
  );
}
