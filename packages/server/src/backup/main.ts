import { backUp, restore } from '../db/backup.ts';
import { rescue } from '../db/rescue.ts';
import { readSettings } from '../settings.ts';

/**
 * `npm run backup`: a copy of the database, also while the server runs; `-- --restore FILE`, `-- --rescue` with the
 * server stopped.
 */
const [what, file] = process.argv.slice(2);
const { data } = readSettings(process.env);
const say = (line: string): void => void process.stdout.write(`${line}\n`);

try {
  if (what === undefined) say(`Backed up to ${await backUp(data)} (opened again and checked).`);
  else if (what === '--restore' && file !== undefined) {
    const aside = await restore(data, file);
    say(`${file} is in its place.${aside === undefined ? '' : ` What was there is in ${aside}.`}`);
  } else if (what === '--rescue') {
    const { aside, rows, lost } = await rescue(data);
    say(`${rows} rows were read, ${lost} could not be. The damaged database is in ${aside}.`);
  } else {
    process.stderr.write('npm run backup, npm run backup -- --restore FILE, or npm run backup -- --rescue\n');
    process.exitCode = 2;
  }
} catch (error) {
  process.stderr.write(`Nothing was changed: ${error instanceof Error ? error.message : String(error)}.\n`);
  process.exitCode = 1;
}
