import { openOrSay } from '../backup/openOrSay.ts';
import { readSettings } from '../settings.ts';
import { seed } from './seed.ts';

const database = await openOrSay(readSettings(process.env).data);
const made = await seed(database);
await database.close();
if (made > 0) process.stdout.write(`Made ${made} sample projects.\n`);
