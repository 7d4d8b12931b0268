import type { Crew } from './crew.ts';

/** Goes through everything that may take longer than a frame. */
export interface RunContext {
  /** left out: this thread works alone */
  crew?: Crew;
  /** True once a newer request or the person stopped this run. */
  cancelled(): boolean;
  /** Never falls; 0 to 1. */
  progress(share: number): void;
  /** Gives others a turn; awaited between units of work. */
  breathe(): Promise<void>;
}

/** Thrown out of the middle of long work that was told to stop; whoever began the work takes it as "cancelled". */
export class Stopped extends Error {}

/** A context that never stops and tells nobody: for tests, benches and short work. */
export const quietContext: RunContext = {
  cancelled: () => false,
  progress: () => undefined,
  breathe: () => Promise.resolve(),
};
