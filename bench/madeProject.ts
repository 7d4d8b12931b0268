import { applyEdit, newProject, unwrap, type Edit, type Piece, type Project } from '@fictile/core';

/** Pieces with some edits made. */
export const madeProject = (name: string, pieces: readonly Piece[], edits: readonly Edit[]): Project =>
  unwrap(applyEdit(newProject(name, name, pieces), { kind: 'many', edits }));
