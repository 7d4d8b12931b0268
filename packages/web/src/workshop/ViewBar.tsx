import { UnstyledButton } from '@mantine/core';
import type { SurfaceMode, ViewName, ViewWish } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import classes from './Workbench.module.css';

export interface ViewSettings {
  wish: ViewWish;
  mode: SurfaceMode;
  showEdges: boolean;
}

export const USUAL_VIEW: ViewSettings = {
  wish: { serial: 0, view: 'free' },
  mode: { parts: false, flat: false },
  showEdges: false,
};

export const wishFor = (settings: ViewSettings, view: ViewName): ViewSettings => ({
  ...settings,
  wish: { serial: settings.wish.serial + 1, view },
});

interface ViewBarProps {
  settings: ViewSettings;
  onChange: (settings: ViewSettings) => void;
}

const VIEWS: readonly ViewName[] = ['front', 'side', 'top', 'free'];

/** The quiet bar that floats over the view. */
export function ViewBar({ settings, onChange }: ViewBarProps) {
  const { wish, mode, showEdges } = settings;
  return (
    <div className={classes.bar} role="toolbar" aria-label={texts.view.bar}>
      {VIEWS.map((view) => (
        <BarButton
          key={view}
          label={texts.view[view]}
          isOn={wish.view === view}
          onClick={() => onChange(wishFor(settings, view))}
        />
      ))}
      <span className={classes.rule} />
      <BarButton
        label={texts.view.edges}
        isOn={showEdges}
        onClick={() => onChange({ ...settings, showEdges: !showEdges })}
      />
      <BarButton
        label={texts.view.parts}
        isOn={mode.parts}
        onClick={() => onChange({ ...settings, mode: { ...mode, parts: !mode.parts } })}
      />
      <BarButton
        label={texts.view.flat}
        isOn={mode.flat}
        onClick={() => onChange({ ...settings, mode: { ...mode, flat: !mode.flat } })}
      />
      <span className={classes.rule} />
      <BarButton label={texts.view.fit} onClick={() => onChange(wishFor(settings, wish.view))} />
    </div>
  );
}

function BarButton({ label, isOn, onClick }: { label: string; isOn?: boolean; onClick: () => void }) {
  return (
    <UnstyledButton className={classes.barButton} aria-pressed={isOn} onClick={onClick}>
      {label}
    </UnstyledButton>
  );
}
