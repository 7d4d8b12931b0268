import { pieceName } from '@fictile/core';
import { useNavigate } from 'react-router';
import { useChoice, useDocument } from '../bench/index.ts';
import type { Command } from '../commands/index.ts';
import { useProjects } from '../store/index.ts';
import { texts } from '../words/index.ts';

/** What the rack has just listed is not asked for again. */
const LISTED_MS = 60_000;

/** Where one can go: the pieces of this project, and the other projects on the rack. */
export function usePlaces(): () => Command[] {
  const { store, project } = useDocument();
  const { chosen } = useChoice();
  const navigate = useNavigate();
  const cards = useProjects(false, LISTED_MS).data ?? [];
  const t = texts.commands;
  return () => [
    ...store.project.pieceOrder.map((id) => ({
      id: `piece ${id}`,
      label: t.toPiece(pieceName(project.pieces[id])),
      detail: texts.pieces.heading,
      run: () => chosen.choose(id),
    })),
    ...Object.values(store.project.groups).map(({ id, name }) => ({
      id: `group ${id}`,
      label: t.toGroup(name),
      detail: texts.pieces.heading,
      run: () => chosen.choose(id),
    })),
    ...cards
      .filter(({ id }) => id !== project.id)
      .map(({ id, name }) => ({
        id: `project ${id}`,
        label: t.toProject(name),
        detail: texts.rack.heading,
        isFar: true,
        run: () => void navigate(`/projects/${id}`),
      })),
  ];
}
