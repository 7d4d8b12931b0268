import { httpFault, type Fault } from './faults.ts';

/** SQLite's own code, however deep in what was thrown. */
function codeOf(error: unknown): string {
  for (let at = error; typeof at === 'object' && at !== null; at = (at as { cause?: unknown }).cause) {
    const { code } = at as { code?: unknown };
    if (typeof code === 'string' && /^(SQLITE_|ENOSPC|EDQUOT)/.test(code)) return code;
  }
  return '';
}

/** A row of this name is there already. */
export const isTaken = (error: unknown): boolean => /^SQLITE_CONSTRAINT/.test(codeOf(error));

/** What the disk or the database had to say, in words of ours; undefined where it was neither. */
export function databaseFault(error: unknown): Fault | undefined {
  const code = codeOf(error);
  if (/^(SQLITE_FULL|ENOSPC|EDQUOT|SQLITE_IOERR_WRITE|SQLITE_IOERR_FSYNC)/.test(code))
    return httpFault('DISK_FULL', {});
  if (/^SQLITE_(BUSY|LOCKED)/.test(code)) return httpFault('BUSY', {});
  if (/^SQLITE_(CORRUPT|NOTADB|IOERR|READONLY|CANTOPEN)/.test(code)) return httpFault('DATABASE_DAMAGED', {});
  return undefined;
}
