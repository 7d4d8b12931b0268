import { applyEdit, nameOf, newPiece, newProject, splitGraphemes, unwrap, type Words } from '@fictile/core';
import { api } from '../api/index.ts';

/** A new project of words, in a font if one is given; resolves to its id when the server has it. */
export async function makeProject(words: string, font?: Words['font']): Promise<string> {
  const name = nameOf(words);
  const project = newProject(crypto.randomUUID(), name, [newPiece('title', name, splitGraphemes(words))]);
  const made = font ? unwrap(applyEdit(project, { kind: 'setWords', pieceId: 'title', values: { font } })) : project;
  await api.createProject(made, crypto.randomUUID());
  return made.id;
}
