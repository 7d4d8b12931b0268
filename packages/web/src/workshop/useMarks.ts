import type { PlaceKind, Project } from '@fictile/core';
import { useState } from 'react';
import type { MarkedPlaces } from '../viewport/index.ts';

/** Places painted on the model; they belong to one state of the document and go when that changes. */
export interface MarksState {
  what: PlaceKind | undefined;
  places: MarkedPlaces | undefined;
  set: (what: PlaceKind, places: MarkedPlaces | undefined) => void;
}

export function useMarks(project: Project): MarksState {
  const [marks, setMarks] = useState<{ of: Project; what: PlaceKind; places: MarkedPlaces }>();
  const current = marks?.of === project ? marks : undefined;
  return {
    what: current?.what,
    places: current?.places,
    set: (what, places) => setMarks(places && { of: project, what, places }),
  };
}
