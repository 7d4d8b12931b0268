import { parseProfile, type Profile } from '@fictile/core';
import { readGiven } from './givenFile.ts';
import { faultOf } from './messages.ts';

/** The points of a drawn edge or side (`fictile schema section`). */
export async function readProfile(path: string): Promise<Profile> {
  const bytes = await readGiven(path, `The section ${path}`);
  const parsed = parseProfile(bytes.toString('utf8'));
  if (parsed.ok) return parsed.value;
  throw faultOf(parsed.error);
}
