export interface Dated {
  number: number;
  name: string | null;
  createdAt: string;
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/**
 * Which revisions may go: of the last hour all stay, of the last day one an hour, of the last month one a day, before
 * that one a month; the newest, the first and the named ones always stay.
 */
export function thinnedOut(revisions: readonly Dated[], now: Date): number[] {
  const newestFirst = [...revisions].sort((a, b) => b.number - a.number);
  const taken = new Set<string>();
  const gone: number[] = [];
  newestFirst.forEach((revision, i) => {
    const slot = slotOf(new Date(revision.createdAt), now);
    const mustStay = i === 0 || i === newestFirst.length - 1 || revision.name !== null || slot === undefined;
    if (!mustStay && taken.has(slot)) gone.push(revision.number);
    if (slot !== undefined) taken.add(slot);
  });
  return gone;
}

function slotOf(at: Date, now: Date): string | undefined {
  const age = now.getTime() - at.getTime();
  if (age < HOUR) return undefined;
  const stamp = at.toISOString();
  if (age < DAY) return stamp.slice(0, 13);
  return age < 31 * DAY ? stamp.slice(0, 10) : stamp.slice(0, 7);
}
