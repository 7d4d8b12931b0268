import { loadKernels } from '@fictile/kernels';
import { parseArguments } from '../arguments.ts';
import { isSwitch, readFlag, type Flags } from '../flags.ts';
import { buildCase } from '../makeCase.ts';
import { fault } from '../messages.ts';
import { writeAll } from '../output.ts';
import { tell } from './tell.ts';

export async function make(row: readonly string[]): Promise<void> {
  const { positional, flags: raw } = parseArguments(row, isSwitch);
  if (positional.length > 0)
    throw fault('FLAG_UNKNOWN', `"${positional[0]}" belongs to no flag. Put words with spaces in quotes.`);
  const flags = Object.fromEntries(Object.entries(raw).map(([name, value]) => [name, readFlag(name, value)])) as Flags;
  const { files, result } = await buildCase(flags, await loadKernels());
  await writeAll(files);
  tell(result, flags);
}
