import { join } from 'node:path';
import {
  Engine,
  isWords,
  parseBoundedJson,
  parseProject,
  quietContext,
  meetingsOf,
  scenePart,
  sharedMeshes,
  standAlone,
  unpackProject,
  unwrap,
  usualWriteOptions,
  writeScene,
  type Crew,
  type Piece,
  type Project,
  type Remark,
  type ScenePart,
  type WordsPiece,
} from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import { parseArguments } from '../arguments.ts';
import { startThreads } from '../crew/threads.ts';
import { documentFonts } from '../fontChoice.ts';
import { evaluatePiece, resultOf } from '../makeCase.ts';
import { readGiven } from '../givenFile.ts';
import { fault, faultOf } from '../messages.ts';
import { formatOf, writeWhole } from '../output.ts';
import { only } from './only.ts';
import { tell } from './tell.ts';
import { readWordRows, rowName, withWords } from './wordRows.ts';

const CACHE_BYTES = 256 * 1024 * 1024;

/**
 * All pieces of a saved project that are seen, or one of them, to a mesh file with the bytes the application would
 * write; or a file for every row of a table of words.
 */
export async function bake(row: readonly string[]): Promise<void> {
  const { positional, flags } = parseArguments(row, (name) => name === 'json' || name === 'quiet');
  only(flags, ['piece', 'words', 'out', 'out-dir', 'format', 'json', 'quiet']);
  const [path] = positional;
  if (path === undefined) throw fault('FLAG_MISSING', 'There is no project. Give its .fictile or JSON file.');
  const files = await filesOf(flags);
  const { project, fonts } = await readProject(path);
  const kernels = await loadKernels();
  const pieces = choosePieces(project, typeof flags.piece === 'string' ? flags.piece : undefined);
  const named = files.some(({ words }) => words !== undefined) ? wordsPiece(pieces) : undefined;
  const engine = new Engine({
    kernels,
    ...documentFonts(fonts, kernels),
    loadModel: (hash) => Promise.resolve(fonts.get(hash)),
    cacheBytes: CACHE_BYTES,
  });
  // threads take a second to get going: that is too long for one file
  const threads = files.length > 1 ? startThreads() : undefined;
  try {
    const crew = threads?.hub.until(Infinity);
    for (const { out, words } of files) {
      const started = performance.now();
      const changed = words === undefined || !named ? project : withWords(project, named, words);
      const { parts, remarks } = await partsOf(engine, changed, { pieces, crew });
      const name = parts.length === 1 ? parts[0].name : changed.name.trim() || parts[0].name;
      const written = await writeScene(parts, usualWriteOptions(formatOf(out), name), kernels);
      await writeWhole(out, written.bytes);
      const result = resultOf(out, written, remarks, { started });
      tell(result, { json: flags.json === true, quiet: flags.quiet === true });
    }
  } finally {
    await threads?.end();
  }
}

/** What files are written from; among several, a piece goes by the name that people gave it. */
async function partsOf(
  engine: Engine,
  project: Project,
  { pieces, crew }: { pieces: readonly Piece[]; crew: Crew | undefined },
): Promise<{ parts: ScenePart[]; remarks: Remark[] }> {
  const parts: ScenePart[] = [];
  const remarks: Remark[] = [];
  const tree = unwrap(await engine.tree(project, quietContext));
  const meshOf = sharedMeshes();
  for (const { id } of pieces) {
    const piece = project.pieces[id];
    const evaluated = await evaluatePiece(engine, project, id, { crew });
    const part = scenePart(piece, evaluated, { pieces: project.pieces, tree, meshOf });
    parts.push(pieces.length > 1 ? { ...part, name: piece.name.trim() || part.name } : part);
    remarks.push(...evaluated.remarks);
  }
  return {
    parts,
    remarks: [
      ...remarks,
      ...meetingsOf(
        project,
        pieces.map(({ id }) => id),
        parts,
      ),
    ],
  };
}

/** The one that takes the words of a table. */
function wordsPiece(pieces: readonly Piece[]): WordsPiece {
  const own = pieces.filter(isWords);
  if (own.length === 1) return own[0];
  throw fault(
    'PIECE_UNKNOWN',
    own.length === 0
      ? `${pieces.length === 1 ? `The piece "${pieces[0].name}" takes` : 'The pieces that are seen take'} no ` +
          'words. Say another with --piece.'
      : 'The project has several pieces of words. Say which with ' +
          `--piece: ${own.map((piece) => piece.name).join(', ')}.`,
  );
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

/** By name or id; without either, all that are seen. */
function choosePieces(project: Project, wanted: string | undefined): Piece[] {
  const pieces = project.pieceOrder.map((id) => project.pieces[id]);
  const alone = new Set(standAlone(project));
  const found = pieces.filter((p) => (wanted === undefined ? alone.has(p.id) : p.name === wanted || p.id === wanted));
  if (found.length > 0 && (wanted === undefined || found.length === 1)) return found;
  const names = (list: readonly Piece[]): string => list.map((p) => p.name).join(', ');
  throw fault(
    'PIECE_UNKNOWN',
    found.length === 0
      ? `The project has no piece "${wanted ?? 'that is shown'}". It has: ${names(pieces)}.`
      : `The project has ${found.length} pieces called "${wanted}". Say the id of ` +
          `one: ${found.map((p) => p.id).join(', ')}.`,
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
  const json = parseBoundedJson(bytes, 'document');
  if (!json.ok) throw faultOf(json.error);
  const project = parseProject(json.value);
  if (!project.ok) throw faultOf(project.error);
  return { project: project.value, fonts: new Map() };
}
