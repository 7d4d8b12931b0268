import { isAbsolute, join } from 'node:path';
import type { Kernels } from '@fictile/core';
import { isProfileFile } from '../flagKinds.ts';
import { ALL_FLAGS, flagsOf, type Flags } from '../flags.ts';
import { buildCase, type BuiltCase } from '../makeCase.ts';
import { fault, InputFault } from '../messages.ts';
import { OURS } from '@fictile/words';

/** Where a case's paths start. */
export interface Folders {
  from: string;
  to: string;
}

/** What became of a case, as it is told. */
export type CaseAnswer =
  ({ ok: true; out: string } & Omit<BuiltCase['result'], 'file'>) | { ok: false; code: string; message: string };

export interface WorkedCase {
  answer: CaseAnswer;
  /** none where the case failed */
  files?: BuiltCase['files'];
}

/** One line of a batch, up to the bytes of its file. Whatever is wrong with it becomes its answer. */
export async function runCase(line: string, folders: Folders, kernels: Kernels): Promise<WorkedCase> {
  try {
    const flags = flagsOf(parseCase(line));
    const out = flags.out === undefined ? undefined : join(folders.to, flags.out);
    const { files, result } = await buildCase({ ...flags, ...filesFrom(folders.from, flags), out }, kernels);
    const { file, ...rest } = result;
    return { answer: { ok: true, out: file, ...rest }, files };
  } catch (error) {
    return { answer: failed(error) };
  }
}

/** Flags that name files, those files being beside the file of cases. */
function filesFrom(folder: string, flags: Flags): Flags {
  const named = Object.entries(flags).filter(
    ([name, path]) => typeof path === 'string' && namesFile(name, path) && !isAbsolute(path),
  );
  return Object.fromEntries(named.map(([name, path]) => [name, join(folder, String(path))]));
}

function namesFile(name: string, path: string): boolean {
  const { kind } = ALL_FLAGS[name];
  if (kind === 'shape') return isProfileFile(path);
  // a family, or a file of a font
  return kind === 'file' || (kind === 'font' && /[/\\]|\.(ttf|otf|ttc|woff2?)$/i.test(path));
}

export function failed(error: unknown): CaseAnswer {
  if (error instanceof InputFault) return { ok: false, code: error.code, message: error.message };
  return { ok: false, code: 'INTERNAL', message: OURS };
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
