import bidiFactory from 'bidi-js';
import type { FontFace } from './fontFace.ts';
import type { Grapheme } from './graphemes.ts';
import { scriptOf } from './scripts.ts';

/** A stretch of one line that is shaped at once: one font, one script, one direction. */
export interface Run {
  /** graphemes from `start` to before `end` of the line */
  start: number;
  end: number;
  face: FontFace;
  script: string | undefined;
  isRightToLeft: boolean;
}

const bidi = bidiFactory();

/** A line of graphemes -> runs in the order they are seen, from left to right (UAX 9, rules L1 and L2). */
export function itemise(
  line: readonly Grapheme[],
  faceFor: (grapheme: Grapheme) => FontFace,
  direction: 'ltr' | 'rtl' | 'auto',
): Run[] {
  const levels = levelsOf(line, direction);
  const scripts = scriptsOf(line);
  const faces = facesOf(line, faceFor);
  const runs: (Run & { level: number })[] = [];
  for (let i = 0; i < line.length; i++) {
    const last = runs[runs.length - 1];
    if (last && last.level === levels[i] && last.script === scripts[i] && last.face === faces[i]) last.end = i + 1;
    else {
      const level = levels[i];
      runs.push({ start: i, end: i + 1, face: faces[i], script: scripts[i], isRightToLeft: level % 2 === 1, level });
    }
  }
  return inSight(runs);
}

/** By grapheme. Spaces at the end take the level of the whole line. */
function levelsOf(line: readonly Grapheme[], direction: 'ltr' | 'rtl' | 'auto'): number[] {
  const text = line.map((g) => g.text).join('');
  const { levels, paragraphs } = bidi.getEmbeddingLevels(text, direction);
  const base = paragraphs[0]?.level ?? 0;
  let offset = 0;
  const own = line.map((g) => {
    const level = levels[offset];
    offset += g.text.length;
    return level;
  });
  for (let i = line.length - 1; i >= 0 && line[i].text.trim() === ''; i--) own[i] = base;
  return own;
}

/** What belongs to no script goes with the text before it, at the start with the text after it. */
function scriptsOf(line: readonly Grapheme[]): (string | undefined)[] {
  const scripts = line.map((g) => scriptOf(g.text));
  for (let i = 1; i < scripts.length; i++) scripts[i] ??= scripts[i - 1];
  for (let i = scripts.length - 2; i >= 0; i--) scripts[i] ??= scripts[i + 1];
  return scripts;
}

/** Spaces between words of a stand-in stay in its font, so that it is shaped in one run. */
function facesOf(line: readonly Grapheme[], faceFor: (grapheme: Grapheme) => FontFace): FontFace[] {
  const faces = line.map((g) => faceFor(g));
  for (let i = 1; i + 1 < line.length; i++)
    if (line[i].text.trim() === '' && faces[i - 1] === faces[i + 1]) faces[i] = faces[i - 1];
  return faces;
}

/** From the highest level down to the lowest odd one, rows of runs at that level or higher are turned round. */
function inSight<R extends { level: number }>(runs: R[]): R[] {
  const seen = [...runs];
  const highest = Math.max(0, ...seen.map((r) => r.level));
  for (let level = highest; level >= 1; level--) {
    for (let i = 0; i < seen.length; i++) {
      if (seen[i].level < level) continue;
      let end = i;
      while (end < seen.length && seen[end].level >= level) end++;
      seen.splice(i, end - i, ...seen.slice(i, end).reverse());
      i = end;
    }
  }
  return seen;
}
