import { fault } from './messages.ts';

export interface Arguments {
  positional: string[];
  flags: Record<string, string | true>;
}

/** "--name value", "--name=value" and "--switch". `isSwitch` says which flags take no value. */
export function parseArguments(row: readonly string[], isSwitch: (name: string) => boolean): Arguments {
  const found: Arguments = { positional: [], flags: {} };
  for (let i = 0; i < row.length; i++) {
    const word = row[i];
    if (!word.startsWith('--')) {
      found.positional.push(word);
      continue;
    }
    const equals = word.indexOf('=');
    const name = equals < 0 ? word.slice(2) : word.slice(2, equals);
    if (Object.hasOwn(found.flags, name)) throw fault('FLAG_VALUE', `--${name} is given twice. Give it once.`);
    if (equals >= 0) found.flags[name] = word.slice(equals + 1);
    else if (isSwitch(name)) found.flags[name] = true;
    else if (i + 1 < row.length) found.flags[name] = row[++i];
    else throw fault('FLAG_VALUE', `--${name} has no value. Put one after it.`);
  }
  return found;
}
