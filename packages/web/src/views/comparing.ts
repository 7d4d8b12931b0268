import { undo, usualBody, type Piece, type Project } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';

/** The style with the fewest faces. */
const { style: BARE } = usualBody().faces;

/** Another state that is held against the one at work. */
export interface Comparing {
  label: string;
  project: Project;
  how: 'beside' | 'over';
}

export type ComparedState = 'hold' | 'before' | 'bare' | 'plain';

/** The project in another state; undefined where it has none like that. */
export function comparedProject(
  state: ComparedState,
  store: ProjectStore,
  lead: Piece | undefined,
): Project | undefined {
  const { project } = store;
  switch (state) {
    case 'hold':
      return project;
    case 'before':
      return store.state.history.past.length > 0 ? undo(store.state.history).project : undefined;
    case 'bare':
      return lead && lead.steps.some((step) => step.on) ? withLead(project, { ...lead, steps: [] }) : undefined;
    case 'plain': {
      if (!lead || lead.body.faces.style === BARE) return undefined;
      return withLead(project, { ...lead, body: { ...lead.body, faces: { ...lead.body.faces, style: BARE } } });
    }
  }
}

const withLead = (project: Project, piece: Piece): Project => ({
  ...project,
  pieces: { ...project.pieces, [piece.id]: piece },
});

export const STATES = ['hold', 'before', 'bare', 'plain'] as const satisfies readonly ComparedState[];
export const stateLabel = (state: ComparedState): string => texts.compare.labels[state];
