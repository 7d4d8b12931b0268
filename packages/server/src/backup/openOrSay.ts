import { DatabaseDamaged, openDatabase, type Database } from '../db/open.ts';
import { waysOn } from './waysOn.ts';

/** Opens the database of a folder; where it can't be relied on, says what can be done and ends the program. */
export async function openOrSay(folder: string): Promise<Database> {
  try {
    return await openDatabase(folder);
  } catch (error) {
    if (!(error instanceof DatabaseDamaged)) throw error;
    process.stderr.write(await waysOn(folder, error.message));
    process.exit(1);
  }
}
