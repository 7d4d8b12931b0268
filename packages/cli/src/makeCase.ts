import { extname } from 'node:path';
import {
  FILE_FIELDS,
  fileFlagOf,
  type FileField,
  isInVain,
  applyEdit,
  canHold,
  Engine,
  newProject,
  quietContext,
  scenePart,
  usualWriteOptions,
  writeScene,
  type Edit,
  type Evaluated,
  type Kernels,
  type MeshFormat,
  type ModelFrame,
  type Piece,
  type Project,
  type Remark,
  type WriteOptions,
  type WrittenScene,
  type Crew,
} from '@fictile/core';
import { drawingCase } from './drawingCase.ts';
import { chooseFont } from './fontChoice.ts';
import type { Flags } from './flags.ts';
import { fault, faultOf, remarkText, type CliFault } from './messages.ts';
import { refuseMeaningless } from './meaning.ts';
import { modelCase } from './modelCase.ts';
import { formatOf, type FileToWrite } from './output.ts';
import { wordsCase } from './wordsCase.ts';

const CACHE_BYTES = 128 * 1024 * 1024;

export interface CaseResult {
  file: string;
  vertices: number;
  faces: number;
  quads: number;
  seconds: number;
  remarks: Remark[];
}

/** A case's file, not written yet. */
export interface BuiltCase {
  /** the one that was asked for, then coarser levels of detail beside it */
  files: FileToWrite[];
  result: CaseResult;
}

/** One case from flags to the bytes of its file, through the same document, edits and evaluation as the application. */
export async function buildCase(flags: Flags, kernels: Kernels): Promise<BuiltCase> {
  const started = performance.now();
  if (flags.out === undefined) throw fault('FLAG_MISSING', 'There is no --out. Say which file to write.');
  const format = formatOf(flags.out);
  refuseMeaningless(flags, format);
  const font = await chooseFont(flags.font ?? 'Zilla Slab', kernels);
  const model = await modelCase(flags, kernels);
  const { piece, edits, remarks } = await (flags.svg === undefined
    ? wordsCase(flags, font.family, model?.onto)
    : drawingCase(flags, model?.onto));
  const cuts = model?.cut ? [model.cut.edit(piece.id)] : [];
  const project = edited([piece, ...(model?.pieces ?? [])], [...edits, ...cuts]);
  const engine = new Engine({
    kernels,
    catalogue: font.catalogue,
    loadFont: font.loadFont,
    loadModel: model?.loadModel,
    cacheBytes: CACHE_BYTES,
    seed: flags.seed,
  });
  const pieceId = model?.cut?.pieceId ?? piece.id;
  const evaluated = await evaluatePiece(engine, project, pieceId, { uv: (flags.uv ?? 'none') !== 'none' });
  refuseInVain(evaluated.remarks);
  const part = scenePart(project.pieces[pieceId], evaluated, project);
  const options = { ...usualWriteOptions(format, part.name), ...writeChoices(flags, format, model?.frame) };
  const written = await writeScene([part], options, kernels);
  return {
    files: filesOf(flags.out, written),
    result: resultOf(flags.out, written, [...remarks, ...(model?.remarks ?? []), ...evaluated.remarks], { started }),
  };
}

/** "row/kiln.glb" and, beside it, "row/kiln_LOD1.glb". */
function filesOf(path: string, { bytes, coarser }: WrittenScene): FileToWrite[] {
  const ending = extname(path);
  const stem = path.slice(0, path.length - ending.length);
  return [{ path, bytes }, ...coarser.map((file) => ({ path: stem + file.suffix + ending, bytes: file.bytes }))];
}

/** What would be written is not what was asked for at all. */
function refuseInVain(remarks: readonly Remark[]): void {
  const one = remarks.find(isInVain);
  if (one) throw fault(one.code as CliFault['code'], remarkText(one));
}

export function resultOf(
  file: string,
  written: WrittenScene,
  remarks: readonly Remark[],
  { started }: { started: number },
): CaseResult {
  return {
    file,
    ...written.counts,
    seconds: Math.round(performance.now() - started) / 1000,
    remarks: [...remarks, ...written.remarks],
  };
}

/** A piece with something in it; where the solid is held back or nothing is there, the input is at fault. */
export async function evaluatePiece(
  engine: Engine,
  project: Project,
  pieceId: string,
  { uv = false, crew }: { uv?: boolean; crew?: Crew } = {},
): Promise<Evaluated> {
  const evaluated = await engine.evaluate(project, pieceId, { ...quietContext, crew }, { uv, crossings: true });
  if (!evaluated.ok) throw faultOf(evaluated.error);
  if (evaluated.value.clusters.length === 0) {
    const why = evaluated.value.remarks.map(remarkText).join(' ');
    throw fault('NOTHING_BUILT', why === '' ? 'These words have no ink: nothing to build. Choose other words.' : why);
  }
  return evaluated.value;
}

function edited(pieces: readonly Piece[], edits: readonly Edit[]): Project {
  const changed = applyEdit(newProject('command-line', pieces[0].name, pieces), { kind: 'many', edits });
  if (!changed.ok) throw faultOf(changed.error);
  return changed.value;
}

/** Lettering on a model goes into the axes of the model's file. */
function writeChoices(flags: Flags, format: MeshFormat, model?: ModelFrame): Partial<WriteOptions> {
  if (flags['levels-as'] === 'linked' && !canHold(format, 'linkedLevels'))
    throw fault('FLAG_VALUE', `--levels-as linked goes into .glb, not into .${format}. Choose another --out.`);
  const names = Object.keys(FILE_FIELDS) as FileField[];
  const given = names.map((name) => [name, flags[fileFlagOf(name) ?? '']]);
  return {
    ...Object.fromEntries(given.filter(([, value]) => value !== undefined)),
    unit: flags['out-unit'] ?? flags['in-unit'] ?? FILE_FIELDS.unit.usual,
    up: flags['out-up'] ?? (!canHold(format, 'frame') ? 'usual' : (model?.up ?? 'usual')),
  };
}
