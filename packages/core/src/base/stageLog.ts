/** What a stage has done lately: how often it made something, or had it at hand, and what that took. */
export interface StageFigure {
  name: string;
  made: number;
  found: number;
  /** of its own, without what other stages took inside of it */
  ms: number;
}

/** Work under a name where anybody counts it. */
export const counted = <T>(log: StageLog | undefined, name: string, work: () => T, { count = 1 } = {}): T =>
  log ? log.make(name, work, count) : work();

/** Counts and times stages, one inside the other, as they follow one another. */
export class StageLog {
  readonly #now: () => number;
  readonly #rows = new Map<string, StageFigure>();
  readonly #caches = new Set<{ readonly bytes: number }>();
  /** what stages inside the one at work took, ms */
  #inner = 0;

  constructor(now: () => number) {
    this.#now = now;
  }

  /** Several stages may share one. */
  holds(cache: { readonly bytes: number }): void {
    this.#caches.add(cache);
  }

  /** Of all that is kept of what stages made. */
  heldBytes(): number {
    return [...this.#caches].reduce((sum, { bytes }) => sum + bytes, 0);
  }

  found(name: string): void {
    this.#row(name).found++;
  }

  /** `count`: how many things it makes */
  make<T>(name: string, work: () => T, count = 1): T {
    const start = this.#now();
    const outer = this.#inner;
    this.#inner = 0;
    const done = (): void => {
      const whole = this.#now() - start;
      const row = this.#row(name);
      row.made += count;
      row.ms += whole - this.#inner;
      this.#inner = outer + whole;
    };
    let made: T;
    try {
      made = work();
    } catch (error) {
      done();
      throw error;
    }
    if (made instanceof Promise) return made.finally(done) as T;
    done();
    return made;
  }

  /** All since the last time, those that took longest first. */
  take(): StageFigure[] {
    const rows = [...this.#rows.values()].sort((a, b) => b.ms - a.ms);
    this.#rows.clear();
    return rows;
  }

  #row(name: string): StageFigure {
    let row = this.#rows.get(name);
    if (!row) this.#rows.set(name, (row = { name, made: 0, found: 0, ms: 0 }));
    return row;
  }
}
