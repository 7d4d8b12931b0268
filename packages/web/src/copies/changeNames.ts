import { type Changes, type Piece } from '@fictile/core';
import { stepName, texts } from '../words/index.ts';

const T = texts.copies;

/** Something that a copy has otherwise than its source, by what it is called. */
export interface NamedChange {
  name: string;
  paths: string[];
}

/** What is changed in a copy, in the order of its recipe; what belongs together as one. */
export function namedChanges(changes: Changes, copy: Piece, source: Piece): NamedChange[] {
  const steps = new Map([...source.steps, ...copy.steps].map(({ id, kind }) => [id, stepName(kind)]));
  const byName = new Map<string, string[]>();
  for (const path of Object.keys(changes).sort(inOrder)) {
    const name = nameOfChange(path.split('/').slice(1), steps);
    byName.set(name, [...(byName.get(name) ?? []), path]);
  }
  return [...byName].map(([name, paths]) => ({ name, paths }));
}

const ORDER = ['source', 'body', 'steps', 'slots', 'role'];
const placeOf = (path: string): number => ORDER.indexOf(path.split('/')[1]);
const inOrder = (a: string, b: string): number => placeOf(a) - placeOf(b) || (a < b ? -1 : 1);

function nameOfChange([first, second, ...rest]: readonly string[], steps: ReadonlyMap<string, string>): string {
  if (first === 'role') return T.role;
  if (first === 'slots') return T.of(texts.chapters.finish, T.slots[second as keyof typeof T.slots]);
  if (first === 'steps') return second === undefined ? T.steps : named(steps.get(second) ?? second, rest);
  if (first === 'source')
    return TEXT.has(second) ? T.text : named(texts.chapters.words, second === undefined ? [] : [second, ...rest]);
  return named(second === 'solid' ? texts.chapters.solid : texts.chapters.faces, rest);
}

/** A text goes with its counter and what is said of its letters. */
const TEXT: ReadonlySet<string> = new Set(['graphemes', 'nextId', 'own']);

const named = (whole: string, path: readonly string[]): string =>
  path.length === 0 ? whole : T.of(whole, path.map(plainName).join(', '));

/** "edgeWidthMm" -> "edge width": fields are called as they are, without their units. */
const plainName = (field: string): string =>
  field.replace(/(Mm|Degrees|Percent)$/, '').replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
