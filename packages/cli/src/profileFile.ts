import { readFile } from 'node:fs/promises';
import { parseProfile, type Profile } from '@fictile/core';
import { fault, faultOf } from './messages.ts';

/** The points of a drawn edge or side (`fictile schema section`). */
export async function readProfile(path: string): Promise<Profile> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch {
    throw fault('FILE_UNREADABLE', `The section ${path} can't be opened. Check its path.`);
  }
  const parsed = parseProfile(text);
  if (parsed.ok) return parsed.value;
  throw faultOf(parsed.error);
}
