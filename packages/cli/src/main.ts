import { readFileSync } from 'node:fs';
import { batch, bake, check, make, schema } from './commands/index.ts';
import { say } from './console.ts';
import { helpFor, helpForAll } from './help/helpText.ts';
import { fault, InputFault } from './messages.ts';
import { OURS } from '@fictile/words';

const COMMANDS: Readonly<Record<string, (row: readonly string[]) => void | Promise<void>>> = {
  make,
  batch,
  bake,
  check,
  schema,
};

async function main([name = '', ...row]: string[]): Promise<number> {
  try {
    if (name === '--version') return tellVersion();
    if (name === '--help' || name === 'help') return tellHelp(row[0]);
    if (Object.hasOwn(COMMANDS, name) && row.includes('--help')) return tellHelp(name);
    if (!Object.hasOwn(COMMANDS, name)) {
      throw fault(
        'COMMAND_UNKNOWN',
        `${name === '' ? 'No command' : `"${name}" is no command`}. There ` +
          `are: ${Object.keys(COMMANDS).join(', ')}. fictile --help tells more.`,
      );
    }
    await COMMANDS[name](row);
    return 0;
  } catch (error) {
    if (error instanceof InputFault) {
      process.stderr.write(`fictile: ${error.code}: ${error.message}\n`);
      return 2;
    }
    process.stderr.write(`fictile: INTERNAL: ${OURS}\n`);
    if (process.env.FICTILE_DEBUG) process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
    return 1;
  }
}

function tellHelp(name: string | undefined): number {
  if (name !== undefined && !Object.hasOwn(COMMANDS, name))
    throw fault('COMMAND_UNKNOWN', `"${name}" is no command. There are: ${Object.keys(COMMANDS).join(', ')}.`);
  say(name === undefined ? helpForAll() : helpFor(name));
  return 0;
}

function tellVersion(): number {
  const { version } = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as {
    version: string;
  };
  say(`fictile ${version}`);
  return 0;
}

// who reads only the first lines closes the pipe: that is no fault
process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1));
process.exitCode = await main(process.argv.slice(2));
