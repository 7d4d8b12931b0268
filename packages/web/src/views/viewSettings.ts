import type { SceneView } from '@fictile/core';
import type { SurfaceMode, ViewName, ViewWish } from '../viewport/index.ts';

export interface ViewSettings {
  wish: ViewWish;
  /** of the view beside it, when there is one */
  second: ViewWish | undefined;
  mode: SurfaceMode;
  showEdges: boolean;
  showGrid: boolean;
  /** what is chosen stays in the middle */
  follows: boolean;
}

export const USUAL_VIEW: ViewSettings = {
  wish: { serial: 0, view: 'free' },
  second: undefined,
  mode: { parts: false, flat: false },
  showEdges: false,
  showGrid: false,
  follows: false,
};

export const wishFor = (settings: ViewSettings, view: ViewWish['view']): ViewSettings => ({
  ...settings,
  wish: { serial: settings.wish.serial + 1, view },
});

export const withSecond = (settings: ViewSettings): ViewSettings => ({
  ...settings,
  second: settings.second ? undefined : { serial: 0, view: settings.wish.view === 'front' ? 'free' : 'front' },
});

export const VIEWS: readonly ViewName[] = ['front', 'side', 'top', 'free'];

export const SURROUNDINGS: readonly SceneView['surroundings'][] = ['daylight', 'window', 'kiln'];

/** A kept view is fitted as a free one. */
export const named = (wish: ViewWish): ViewName => (typeof wish.view === 'string' ? wish.view : 'free');
