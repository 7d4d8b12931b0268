import {
  applyEdit,
  nameOf,
  newPiece,
  newProject,
  splitGraphemes,
  unwrap,
  type Project,
  type Words,
} from '@fictile/core';
import { api } from '../api/index.ts';

/** A new project of words, which nobody has kept yet. */
export function wordsProject(words: string): Project {
  const name = nameOf(words);
  return newProject(crypto.randomUUID(), name, [newPiece('title', name, splitGraphemes(words))]);
}

/** A new project of words, in a font if one is given; resolves to its id when the server has it. */
export async function makeProject(words: string, font?: Words['font']): Promise<string> {
  const project = wordsProject(words);
  const made = font ? unwrap(applyEdit(project, { kind: 'setWords', pieceId: 'title', values: { font } })) : project;
  await api.createProject(made, crypto.randomUUID());
  return made.id;
}
