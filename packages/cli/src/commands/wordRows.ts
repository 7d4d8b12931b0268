import { parse } from 'csv-parse/sync';
import {
  applyEdit,
  groupsAround,
  nameOf,
  splitGraphemes,
  spliceEdits,
  type Edit,
  type Project,
  type WordsPiece,
} from '@fictile/core';
import { readGiven } from '../givenFile.ts';
import { fault, faultOf } from '../messages.ts';

/**
 * The words of a table (RFC 4180): the first field of each row; a line break inside quotes, or \\n, starts a line.
 * Empty rows are passed over.
 */
export async function readWordRows(path: string): Promise<string[]> {
  const text = (await readGiven(path)).toString('utf8');
  let rows: string[][];
  try {
    rows = parse(text, { bom: true, relaxColumnCount: true, skipEmptyLines: true });
  } catch {
    throw fault(
      'TABLE_BROKEN',
      `${path} is no table that can be read: its quotes do not fit together. Save it as CSV.`,
    );
  }
  const words = rows.map(([first = '']) => first.replace(/\\n/g, '\n')).filter((row) => row.trim() !== '');
  if (words.length === 0) throw fault('TABLE_BROKEN', `${path} has no words in its first column. Put them there.`);
  return words;
}

/** The project with other words in a piece; letters that stay keep what was said of them. */
export function withWords(project: Project, piece: WordsPiece, words: string): Project {
  const before = piece.source.graphemes.map((g) => g.text);
  const changed = applyEdit(project, {
    kind: 'many',
    edits: [
      { kind: 'setPiece', pieceId: piece.id, values: { locked: false } },
      ...groupsAround(project, piece).map(({ id }): Edit => ({
        kind: 'setGroup',
        groupId: id,
        values: { locked: false },
      })),
      ...spliceEdits(piece.id, before, splitGraphemes(words)),
    ],
  });
  if (!changed.ok) throw faultOf(changed.error);
  return changed.value;
}

/** A file name for each row: its number and its words. */
export function rowName(row: number, rows: number, words: string): string {
  const number = String(row + 1).padStart(String(rows).length, '0');
  const slug = nameOf(words)
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60);
  return slug === '' ? number : `${number}-${slug}`;
}
