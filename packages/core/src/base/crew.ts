/** Other threads that work out pure stages beside this one. */
export interface Crew {
  /** how many they are */
  readonly size: number;
  /** What a stage makes of inputs that can be copied; undefined where it was stopped, or nobody could do it. */
  work(stage: string, inputs: unknown): Promise<unknown>;
  /** Lets their answers in. */
  turn(): Promise<void>;
}

/** So many wait with each of them, so that none is idle while this thread works out one of its own. */
const AHEAD = 2;

interface Shares<R> {
  /** whether another thread has done it */
  there(row: R): Promise<boolean>;
  /** on this thread; what stops it throws */
  here(row: R): void;
}

/** Works through rows, the longest first, on this thread and all others; who is free takes the next. */
export async function shareOut<R>(rows: readonly R[], crew: Crew, { there, here }: Shares<R>): Promise<void> {
  let next = 0;
  const left: R[] = [];
  const lane = async (): Promise<void> => {
    while (next < rows.length) {
      const row = rows[next++];
      if (!(await there(row))) left.push(row);
    }
  };
  const lanes = Array.from({ length: AHEAD * crew.size }, lane);
  try {
    while (next < rows.length) {
      here(rows[next++]);
      await crew.turn();
    }
  } finally {
    // where this thread was stopped, nothing more is handed out
    next = rows.length;
  }
  await Promise.all(lanes);
  for (const row of left) here(row);
}

/** Fewer points or faces are done sooner than they are handed out. */
const WORTH_SHARING = 8000;

/** The same where it is worth it, by how large rows are in points or faces; all here where it is not. */
export async function shareLarge<R>(
  rows: readonly R[],
  crew: Crew | undefined,
  { sizeOf, ...shares }: Shares<R> & { sizeOf(row: R): number },
): Promise<void> {
  const whole = rows.reduce((sum, row) => sum + sizeOf(row), 0);
  if (!crew || rows.length < 2 || whole < WORTH_SHARING) return rows.forEach((row) => shares.here(row));
  await shareOut(
    [...rows].sort((a, b) => sizeOf(b) - sizeOf(a)),
    crew,
    shares,
  );
}
