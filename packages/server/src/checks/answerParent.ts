import type { Verdict } from './limitedChild.ts';

/** A child's whole life: one piece of work in, its verdict out. */
export function answerParent<W, T>(verdict: (work: W) => Promise<Verdict<T>>): void {
  process.once('message', (work: W) => {
    void verdict(work).then((answer) => process.send?.(answer, () => process.exit()));
  });
}
