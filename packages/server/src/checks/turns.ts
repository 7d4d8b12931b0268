export interface Turn {
  done(): void;
}

/** Lets so many in at once; others wait in the order they came, and those beyond the queue's length are sent away. */
export class Turns {
  readonly #atOnce: number;
  readonly #most: number;
  readonly #waiting: ((turn: Turn | undefined) => void)[] = [];
  #taken = 0;

  constructor({ atOnce, waiting }: { atOnce: number; waiting: number }) {
    this.#atOnce = atOnce;
    this.#most = waiting;
  }

  /** Undefined: there are too many, or `gone` said that nobody waits any more. */
  take(gone?: AbortSignal): Promise<Turn | undefined> {
    if (gone?.aborted) return Promise.resolve(undefined);
    if (this.#taken < this.#atOnce) return Promise.resolve(this.#turn());
    if (this.#waiting.length >= this.#most) return Promise.resolve(undefined);
    return new Promise((resolve) => {
      this.#waiting.push(resolve);
      gone?.addEventListener('abort', () => {
        const at = this.#waiting.indexOf(resolve);
        if (at < 0) return;
        this.#waiting.splice(at, 1);
        resolve(undefined);
      });
    });
  }

  #turn(): Turn {
    this.#taken++;
    let isDone = false;
    return {
      done: () => {
        if (isDone) return;
        isDone = true;
        this.#taken--;
        this.#waiting.shift()?.(this.#turn());
      },
    };
  }
}
