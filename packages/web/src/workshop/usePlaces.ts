import { pieceName } from '@fictile/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/index.ts';
import { useChoice, useDocument } from '../bench/index.ts';
import type { Command } from '../commands/index.ts';
import { texts } from '../words/index.ts';

type Cards = Awaited<ReturnType<typeof api.listProjects>>;

/** Where one can go: the pieces of this project, and the other projects on the rack. */
export function usePlaces(): () => Command[] {
  const { store, project } = useDocument();
  const { chosen } = useChoice();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [cards, setCards] = useState<Cards>([]);
  useEffect(() => {
    // a server that is away has nothing to be found
    queries
      .fetchQuery({ queryKey: ['places'], queryFn: api.listProjects, staleTime: 60_000 })
      .then(setCards)
      .catch(() => undefined);
  }, [queries]);
  const t = texts.commands;
  return () => [
    ...store.project.pieceOrder.map((id) => ({
      id: `piece ${id}`,
      label: t.toPiece(pieceName(project.pieces[id])),
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
