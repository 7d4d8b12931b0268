import { batch, bake, check, make, schema } from './commands/index.ts';
import { fault, InputFault } from './messages.ts';

const COMMANDS: Readonly<Record<string, (row: readonly string[]) => void | Promise<void>>> = {
  make,
  batch,
  bake,
  check,
  schema,
};

async function main([name = '', ...row]: string[]): Promise<number> {
  try {
    if (!Object.hasOwn(COMMANDS, name)) {
      throw fault(
        'COMMAND_UNKNOWN',
        `${name === '' ? 'No command' : `"${name}" is no command`}. There are: ${Object.keys(COMMANDS).join(', ')}.`,
      );
    }
    await COMMANDS[name](row);
    return 0;
  } catch (error) {
    if (error instanceof InputFault) {
      process.stderr.write(`fictile: ${error.code}: ${error.message}\n`);
      return 2;
    }
    process.stderr.write(
      `fictile: INTERNAL: ${error instanceof Error ? error.message : String(error)}. This is a fault of ours; please report it.\n`,
    );
    return 1;
  }
}

// who reads only the first lines closes the pipe: that is no fault
process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1));
process.exitCode = await main(process.argv.slice(2));
