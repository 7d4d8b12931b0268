import { createReadStream } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { dirname, extname, isAbsolute, join, resolve } from 'node:path';
import { createInterface } from 'node:readline';
import {
  Engine,
  checkMesh,
  parseProject,
  pieceMesh,
  projectSchema,
  readObj,
  readStl,
  usualWriteOptions,
  writeMesh,
  type Kernels,
} from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import { z } from 'zod';
import { parseArguments } from './arguments.ts';
import { flagsOf, isSwitch, MAKE_FLAGS, readFlag, type FlagKind, type Flags } from './flags.ts';
import { shippedFonts } from './fontChoice.ts';
import { evaluatePiece, makeCase, resultOf, type CaseResult } from './makeCase.ts';
import { fault, faultOf, InputFault, remarkText } from './messages.ts';
import { formatOf, writeWhole } from './output.ts';

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const remarkOn = (line: string): void => void process.stderr.write(`fictile: ${line}\n`);

export async function make(row: readonly string[]): Promise<void> {
  const { positional, flags: raw } = parseArguments(row, isSwitch);
  if (positional.length > 0)
    throw fault('FLAG_UNKNOWN', `"${positional[0]}" belongs to no flag. Put words with spaces in quotes.`);
  const flags = Object.fromEntries(Object.entries(raw).map(([name, value]) => [name, readFlag(name, value)])) as Flags;
  tell(await makeCase(flags, await loadKernels()), flags);
}

function tell(result: CaseResult, flags: { json?: true; quiet?: true }): void {
  if (flags.json) say(JSON.stringify(result));
  else if (!flags.quiet)
    say(
      `${result.file}: ${result.faces} faces, ${result.quads} of them quads, ${result.vertices} points, ${result.seconds} s`,
    );
  if (!flags.quiet) result.remarks.forEach((remark) => remarkOn(remarkText(remark)));
}

export async function batch(row: readonly string[]): Promise<void> {
  const { positional, flags } = parseArguments(row, () => false);
  only(flags, ['out-dir', 'jobs']);
  const [cases] = positional;
  if (cases === undefined)
    throw fault('FLAG_MISSING', 'There is no file of cases. Give one: fictile batch CASES.jsonl --out-dir DIR.');
  if (flags['out-dir'] === undefined) throw fault('FLAG_MISSING', 'There is no --out-dir. Say where to write.');
  const jobs = Number(flags.jobs ?? 1);
  if (!(Number.isInteger(jobs) && jobs >= 1 && jobs <= 64))
    throw fault('FLAG_VALUE', `--jobs is "${flags.jobs}"; it takes a whole number from 1 to 64. Change it.`);
  const lines = await readLines(cases);
  const kernels = await loadKernels();
  const folders = { from: dirname(resolve(cases)), to: resolve(String(flags['out-dir'])) };
  let next = 0;
  let told = 0;
  const results: (string | undefined)[] = lines.map(() => undefined);
  const worker = async (): Promise<void> => {
    while (next < lines.length) {
      const i = next++;
      results[i] = JSON.stringify({ case: i + 1, ...(await runCase(lines[i], folders, kernels)) });
      for (; told < lines.length && results[told] !== undefined; told++) say(results[told] as string);
    }
  };
  await Promise.all(Array.from({ length: jobs }, worker));
}

async function readLines(path: string): Promise<string[]> {
  const lines: string[] = [];
  try {
    for await (const line of createInterface({ input: createReadStream(path), crlfDelay: Infinity })) lines.push(line);
  } catch {
    throw fault('FILE_UNREADABLE', `The file of cases ${path} can't be opened. Check its path.`);
  }
  while (lines.length > 0 && lines[lines.length - 1].trim() === '') lines.pop();
  return lines;
}

async function runCase(line: string, folders: { from: string; to: string }, kernels: Kernels): Promise<object> {
  try {
    const flags = flagsOf(parseCase(line));
    const out = flags.out === undefined ? undefined : join(folders.to, flags.out);
    const isFile = flags.font !== undefined && /[/\\]|\.(ttf|otf|ttc|woff2?)$/i.test(flags.font);
    const font = isFile && !isAbsolute(flags.font as string) ? join(folders.from, flags.font as string) : flags.font;
    const { file, ...rest } = await makeCase({ ...flags, out, font }, kernels);
    return { ok: true, out: file, ...rest };
  } catch (error) {
    if (error instanceof InputFault) return { ok: false, code: error.code, message: error.message };
    return { ok: false, code: 'INTERNAL', message: error instanceof Error ? error.message : String(error) };
  }
}

function parseCase(line: string): Record<string, unknown> {
  let data: unknown;
  try {
    data = JSON.parse(line);
  } catch {
    throw fault('CASE_BROKEN', 'This line is no JSON. Write one object a line.');
  }
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    throw fault('CASE_BROKEN', 'This line is no object. Write one object a line.');
  return data as Record<string, unknown>;
}

export async function bake(row: readonly string[]): Promise<void> {
  const { positional, flags } = parseArguments(row, (name) => name === 'json' || name === 'quiet');
  only(flags, ['piece', 'out', 'json', 'quiet']);
  const [path] = positional;
  if (path === undefined) throw fault('FLAG_MISSING', 'There is no project. Give its JSON file.');
  if (typeof flags.out !== 'string') throw fault('FLAG_MISSING', 'There is no --out. Say which file to write.');
  const started = performance.now();
  const format = formatOf(flags.out);
  const project = parseProject(await readJson(path));
  if (!project.ok) throw faultOf(project.error);
  const kernels = await loadKernels();
  const engine = new Engine({ kernels, ...shippedFonts(), cacheBytes: 256 * 1024 * 1024 });
  const pieces = Object.values(project.value.pieces);
  const wanted =
    flags.piece === undefined
      ? pieces.filter((p) => p.visible)
      : pieces.filter((p) => p.name === flags.piece || p.id === flags.piece);
  if (wanted.length === 0)
    throw fault(
      'PIECE_UNKNOWN',
      `The project has no piece "${String(flags.piece ?? 'that is shown')}". It has: ${pieces.map((p) => p.name).join(', ')}.`,
    );
  if (wanted.length > 1)
    throw fault(
      'PIECE_UNKNOWN',
      `The project has several pieces. Say which with --piece: ${wanted.map((p) => p.name).join(', ')}.`,
    );
  const evaluated = await evaluatePiece(engine, project.value, wanted[0].id);
  const written = await writeMesh(
    pieceMesh(evaluated),
    usualWriteOptions(
      format,
      project.value.name,
      evaluated.letters.map((l) => l.text),
    ),
  );
  await writeWhole(flags.out, written.bytes);
  tell(resultOf(flags.out, written.mesh, [...evaluated.remarks, ...written.remarks], started), {
    json: flags.json === true ? true : undefined,
    quiet: flags.quiet === true ? true : undefined,
  });
}

async function readJson(path: string): Promise<unknown> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch {
    throw fault('FILE_UNREADABLE', `${path} can't be opened. Check its path.`);
  }
  try {
    return JSON.parse(text);
  } catch {
    throw faultOf({ code: 'PROJECT_BROKEN', params: { path: 'document', why: 'it is no JSON' } });
  }
}

export async function check(row: readonly string[]): Promise<void> {
  const { positional, flags } = parseArguments(row, (name) => name === 'json');
  only(flags, ['json']);
  const [path] = positional;
  if (path === undefined) throw fault('FLAG_MISSING', 'There is no mesh. Give an OBJ or STL file.');
  let bytes: Uint8Array;
  try {
    bytes = await readFile(path);
  } catch {
    throw fault('FILE_UNREADABLE', `${path} can't be opened. Check its path.`);
  }
  const readers: Record<string, typeof readObj> = { '.obj': readObj, '.stl': readStl };
  const reader = readers[extname(path).toLowerCase()];
  if (!reader) throw fault('FORMAT_UNKNOWN', `${path} ends in no format that can be read. Use .obj or .stl.`);
  const mesh = reader(bytes);
  if (!mesh.ok) throw faultOf(mesh.error);
  const report = checkMesh(mesh.value);
  if (flags.json) {
    say(JSON.stringify({ file: path, ...report }));
    return;
  }
  const yes = (value: boolean): string => (value ? 'yes' : 'NO');
  say(
    `closed ${yes(report.closed)}, manifold ${yes(report.manifold)}, outward ${yes(report.outward)}, crossing faces ${report.crossingFaces}${report.crossingCapped ? ' or more' : ''}`,
  );
  say(
    `${report.faces} faces: ${report.quads} quads, ${report.triangles} triangles, ${report.ngons} larger; ${report.slivers} slivers, ${report.degenerate} without area`,
  );
  say(
    `${report.sizeMm.map((v) => Number(v.toFixed(3))).join(' x ')}, edges ${report.edgeMm.shortest.toPrecision(3)} to ${report.edgeMm.longest.toPrecision(3)}`,
  );
}

export function schema(row: readonly string[]): void {
  const [name = 'project'] = row;
  if (name === 'project') say(JSON.stringify(z.toJSONSchema(projectSchema, { unrepresentable: 'any' }), null, 2));
  else if (name === 'case') say(JSON.stringify(caseSchema(), null, 2));
  else throw fault('COMMAND_UNKNOWN', `There is no schema "${name}". There are: project, case.`);
}

function caseSchema(): object {
  const properties = Object.fromEntries(
    Object.entries(MAKE_FLAGS).map(([name, kind]) => [
      name.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase()),
      flagSchema(kind),
    ]),
  );
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    type: 'object',
    properties,
    required: ['text', 'out'],
    additionalProperties: false,
  };
}

function flagSchema(kind: FlagKind): object {
  switch (kind.kind) {
    case 'text':
      return { type: 'string' };
    case 'switch':
      return { const: true };
    case 'choice':
      return { enum: kind.of };
    case 'number':
      return { type: kind.whole ? 'integer' : 'number', minimum: kind.min, maximum: kind.max };
    case 'length':
      return {
        anyOf: [
          { type: 'number', minimum: kind.min, maximum: kind.max },
          { type: 'string', description: 'a length: 18mm, 1.8cm, 0.7in' },
        ],
      };
  }
}

function only(flags: Readonly<Record<string, unknown>>, allowed: readonly string[]): void {
  const stray = Object.keys(flags).find((name) => !allowed.includes(name));
  if (stray !== undefined)
    throw fault(
      'FLAG_UNKNOWN',
      `There is no flag --${stray} here. There are: ${allowed.map((n) => `--${n}`).join(', ')}.`,
    );
}
