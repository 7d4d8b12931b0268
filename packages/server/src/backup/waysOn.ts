import { listBackups } from '../db/backup.ts';

/** What can be done when the database can't be relied on. Nothing was changed by then. */
export async function waysOn(folder: string, fault: string): Promise<string> {
  const [newest] = await listBackups(folder);
  const restoring = newest
    ? `  npm run backup -- --restore ${newest}\n      puts that backup in its place (the damaged one is kept aside)\n`
    : '';
  return (
    `Fictile can't start: the database in ${folder} is damaged (${fault}). Nothing was changed. Ways ` +
    `on:\n${restoring}` +
    '  npm run backup -- --rescue\n      keeps the damaged one aside and makes a new one of all that can be ' +
    'read, older revisions too\n'
  );
}
