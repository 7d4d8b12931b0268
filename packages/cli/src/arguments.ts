import { parseArgs } from 'node:util';
import { fault } from './messages.ts';

export interface Arguments {
  positional: string[];
  flags: Record<string, string | true>;
}

/** "--name value", "--name=value" and "--switch". `isSwitch` says which flags take no value. */
export function parseArguments(row: readonly string[], isSwitch: (name: string) => boolean): Arguments {
  const found: Arguments = { positional: [], flags: {} };
  for (const token of tokensOf(row, isSwitch)) {
    if (token.kind === 'positional') found.positional.push(token.value);
    if (token.kind !== 'option') continue;
    const { name, rawName, value } = token;
    // one hyphen begins no flag: it may be a number
    if (!rawName.startsWith('--')) found.positional.push(rawName);
    else if (Object.hasOwn(found.flags, name)) throw fault('FLAG_VALUE', `--${name} is given twice. Give it once.`);
    else if (value === undefined && !isSwitch(name))
      throw fault('FLAG_VALUE', `--${name} has no value. Put one after it.`);
    else found.flags[name] = value ?? true;
  }
  return found;
}

function tokensOf(row: readonly string[], isSwitch: (name: string) => boolean) {
  const names = row.filter((word) => word.startsWith('--')).map((word) => word.slice(2).split('=')[0]);
  const options = Object.fromEntries(
    names.filter((name) => name !== '').map((name) => [name, { type: isSwitch(name) ? 'boolean' : 'string' } as const]),
  );
  return parseArgs({ args: [...row], options, allowPositionals: true, strict: false, tokens: true }).tokens;
}
