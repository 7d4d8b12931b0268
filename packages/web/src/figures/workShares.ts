import type { Action } from '../store/index.ts';

/** A part of an action's time. */
export interface WorkShare {
  name: string;
  ms: number;
  made?: number;
  found?: number;
}

/** Shorter than this, and with nothing to say, a part is left out, ms. */
const LEAST = 0.05;

/** Where the time of an action went, the longest first: stages, what is none, and what passed outside the worker. */
export function workShares({ milliseconds, work }: Action): WorkShare[] {
  if (!work) return [{ name: 'wait', ms: milliseconds }];
  const inStages = work.stages.reduce((sum, { ms }) => sum + ms, 0);
  const shares: WorkShare[] = [
    ...work.stages,
    { name: 'rest', ms: work.milliseconds - inStages },
    { name: 'wait', ms: milliseconds - work.milliseconds },
  ];
  return shares.filter(({ ms, made = 0 }) => ms >= LEAST || made > 0).sort((a, b) => b.ms - a.ms);
}
