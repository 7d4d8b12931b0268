import type { Project } from '@fictile/core';
import type { Painted } from '../checks/index.ts';
import { useState } from 'react';
import type { MarkedPlaces } from '../viewport/index.ts';

/** Places painted on the model; they belong to one state of the document and go when that changes. */
export interface MarksState {
  what: Painted | undefined;
  places: MarkedPlaces | undefined;
  set: (what: Painted, places: MarkedPlaces | undefined) => void;
}

export function useMarks(project: Project): MarksState {
  const [marks, setMarks] = useState<{ of: Project; what: Painted; places: MarkedPlaces }>();
  const current = marks?.of === project ? marks : undefined;
  return {
    what: current?.what,
    places: current?.places,
    set: (what, places) => setMarks(places && { of: project, what, places }),
  };
}
