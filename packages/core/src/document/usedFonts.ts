import { isWords } from './kinds.ts';
import type { Project } from './schema.ts';

/** Names of all families that a document's words and letters ask for, each once. */
export function usedFamilies(project: Project): string[] {
  const sources = Object.values(project.pieces)
    .filter(isWords)
    .map((piece) => piece.source);
  const fonts = sources.flatMap(({ font, own }) => [
    font,
    ...Object.values(own).flatMap((letter) => letter.font ?? []),
  ]);
  return [...new Set(fonts.map((font) => font.family))];
}
