import { useCallback, useMemo, useRef, useState, type RefObject } from 'react';
import type { ChapterName } from '../recipe/index.ts';
import type { CameraHandle, TakePicture } from '../viewport/index.ts';
import type { Comparing } from '../views/index.ts';
import { USUAL_VIEW, type ViewSettings } from '../views/index.ts';

type Panel = 'hand over' | 'versions' | 'figures';

/** How the model is looked at, and what is open beside it. */
export interface Open {
  view: ViewSettings;
  setView: (view: ViewSettings) => void;
  /** of the first view */
  camera: RefObject<CameraHandle | undefined>;
  comparing: Comparing | undefined;
  setComparing: (comparing: Comparing | undefined) => void;
  panel: Panel | undefined;
  setPanel: (panel: Panel | undefined) => void;
  /** the chapter that is worked on, and which of its steps */
  atWork: ChapterName | undefined;
  setAtWork: (chapter: ChapterName | undefined) => void;
  stepId: string | undefined;
  setStepId: (id: string) => void;
  showsSection: boolean;
  setShowsSection: (shows: boolean) => void;
  /** takes a still picture of the first view */
  take: TakePicture | undefined;
  setTake: (take: TakePicture | undefined) => void;
}

export function useOpen(): Open {
  const [view, setView] = useState<ViewSettings>(USUAL_VIEW);
  const [comparing, setComparing] = useState<Comparing>();
  const [panel, setPanel] = useState<Panel>();
  const [atWork, setAtWork] = useState<ChapterName>();
  const [showsSection, setShowsSection] = useState(false);
  const [stepId, setStepId] = useState<string>();
  const [held, setHeld] = useState<{ take: TakePicture | undefined }>();
  const setTake = useCallback((take: TakePicture | undefined) => setHeld({ take }), []);
  const camera = useRef<CameraHandle>(undefined);
  return useMemo(
    () => ({
      ...{ view, setView, camera, comparing, setComparing, panel, setPanel, atWork, setAtWork },
      ...{ stepId, setStepId, showsSection, setShowsSection },
      take: held?.take,
      setTake,
    }),
    [view, comparing, panel, atWork, stepId, showsSection, held, setTake],
  );
}
