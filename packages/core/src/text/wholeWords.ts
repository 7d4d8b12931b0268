import type { FontFace } from './fontFace.ts';
import type { Grapheme } from './graphemes.ts';
import { scriptOf } from './scripts.ts';

/**
 * Stand-ins by grapheme id, word by word: where a font lacks one letter of a word, its whole stretch of that script is
 * set in the stand-in, so that no word is set in two hands. `standIn` gives the face for a grapheme that the primary
 * lacks, undefined for one that it has.
 */
export function standInsByWord(
  graphemes: readonly Grapheme[],
  standIn: (text: string) => FontFace | undefined,
  hasAll: (face: FontFace, text: string) => boolean,
): Map<number, FontFace> {
  const chosen = new Map<number, FontFace>();
  for (const word of wordsOf(graphemes)) {
    const byScript = new Map<string, FontFace>();
    for (const { id, text } of word) {
      const face = standIn(text);
      if (!face) continue;
      chosen.set(id, face);
      const script = scriptOf(text);
      if (script && !byScript.has(script)) byScript.set(script, face);
    }
    for (const { id, text } of word) {
      const face = byScript.get(scriptOf(text) ?? '');
      if (face && !chosen.has(id) && hasAll(face, text)) chosen.set(id, face);
    }
  }
  return chosen;
}

function wordsOf(graphemes: readonly Grapheme[]): Grapheme[][] {
  const words: Grapheme[][] = [[]];
  for (const g of graphemes) {
    if (g.text.trim() === '') words.push([]);
    else words[words.length - 1].push(g);
  }
  return words.filter((word) => word.length > 0);
}
