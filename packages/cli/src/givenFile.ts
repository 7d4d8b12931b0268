import { readFile } from 'node:fs/promises';
import { fault } from './messages.ts';

/** The bytes of a file that was named; `what` stands in the message of one that can't be opened. */
export async function readGiven(path: string, what = path): Promise<Buffer> {
  try {
    return await readFile(path);
  } catch {
    throw fault('FILE_UNREADABLE', `${what} can't be opened. Check its path.`);
  }
}
