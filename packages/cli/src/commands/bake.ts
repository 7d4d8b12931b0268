import { join } from 'node:path';
import {
  Engine,
  isWords,
  parseProject,
  scenePart,
  standAlone,
  unpackProject,
  usualWriteOptions,
  writeScene,
  type Piece,
  type Project,
  type WordsPiece,
} from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import { parseArguments } from '../arguments.ts';
import { documentFonts } from '../fontChoice.ts';
import { evaluatePiece, resultOf } from '../makeCase.ts';
import { readGiven } from '../givenFile.ts';
import { fault, faultOf } from '../messages.ts';
import { formatOf, writeWhole } from '../output.ts';
import { only } from './only.ts';
import { tell } from './tell.ts';
import { readWordRows, rowName, withWords } from './wordRows.ts';

const CACHE_BYTES = 256 * 1024 * 1024;

/** One piece of a saved project to a mesh file, with the bytes the application would write; or a file for every row of a table of words. */
export async function bake(row: readonly string[]): Promise<void> {
  const { positional, flags } = parseArguments(row, (name) => name === 'json' || name === 'quiet');
  only(flags, ['piece', 'words', 'out', 'out-dir', 'format', 'json', 'quiet']);
  const [path] = positional;
  if (path === undefined) throw fault('FLAG_MISSING', 'There is no project. Give its .fictile or JSON file.');
  const files = await filesOf(flags);
  const { project, fonts } = await readProject(path);
  const kernels = await loadKernels();
  const piece = choosePiece(project, typeof flags.piece === 'string' ? flags.piece : undefined);
  const engine = new Engine({
    kernels,
    ...documentFonts(fonts, kernels),
    loadModel: (hash) => Promise.resolve(fonts.get(hash)),
    cacheBytes: CACHE_BYTES,
  });
  for (const { out, words } of files) {
    const started = performance.now();
    const changed = words === undefined ? project : withWords(project, wordsPiece(piece), words);
    const evaluated = await evaluatePiece(engine, changed, piece.id);
    const part = scenePart(changed.pieces[piece.id], evaluated, changed);
    const written = await writeScene([part], usualWriteOptions(formatOf(out), part.name));
    await writeWhole(out, written.bytes);
    const result = resultOf(out, written, evaluated.remarks, started);
    tell(result, { json: flags.json === true, quiet: flags.quiet === true });
  }
}

function wordsPiece(piece: Piece): WordsPiece {
  if (isWords(piece)) return piece;
  throw fault('PIECE_UNKNOWN', `The piece "${piece.name}" is a drawing: it takes no words. Say another with --piece.`);
}

/** What is to be written: one file, or one for each row of words. */
async function filesOf(
  flags: Readonly<Record<string, unknown>>,
): Promise<{ out: string; words: string | undefined }[]> {
  const { out, words, format = 'obj', 'out-dir': folder } = flags;
  if (typeof words !== 'string') {
    if (typeof out !== 'string') throw fault('FLAG_MISSING', 'There is no --out. Say which file to write.');
    formatOf(out);
    return [{ out, words: undefined }];
  }
  if (typeof folder !== 'string')
    throw fault('FLAG_MISSING', 'There is no --out-dir. Say where the files of --words go.');
  const ending = String(format);
  formatOf(`x.${ending}`);
  const rows = await readWordRows(words);
  return rows.map((text, i) => ({ out: join(folder, `${rowName(i, rows.length, text)}.${ending}`), words: text }));
}

/** By name or id; without either, the only one that is seen. */
function choosePiece(project: Project, wanted: string | undefined): Piece {
  const pieces = Object.values(project.pieces);
  const alone = new Set(standAlone(project));
  const found = pieces.filter((p) => (wanted === undefined ? alone.has(p.id) : p.name === wanted || p.id === wanted));
  const names = (list: readonly Piece[]): string => list.map((p) => p.name).join(', ');
  if (found.length === 1) return found[0];
  throw fault(
    'PIECE_UNKNOWN',
    found.length === 0
      ? `The project has no piece "${wanted ?? 'that is shown'}". It has: ${names(pieces)}.`
      : `The project has several pieces. Say which with --piece: ${names(found)}.`,
  );
}

interface ReadProject {
  project: Project;
  /** by the hashes of their files */
  fonts: ReadonlyMap<string, Uint8Array>;
}

async function readProject(path: string): Promise<ReadProject> {
  const bytes = await readGiven(path);
  if (bytes.toString('latin1', 0, 2) === 'PK') {
    const file = unpackProject(bytes);
    if (!file.ok) throw faultOf(file.error);
    return { project: file.value.project, fonts: file.value.assets };
  }
  const project = parseProject(parseJson(bytes.toString('utf8')));
  if (!project.ok) throw faultOf(project.error);
  return { project: project.value, fonts: new Map() };
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw faultOf({ code: 'PROJECT_BROKEN', params: { path: 'document', why: 'it is no JSON' } });
  }
}
