type GrownNumbers = Uint8Array | Uint32Array | Int32Array | Float32Array | Float64Array;

/** A typed array that grows. */
export class Grown<A extends GrownNumbers> {
  readonly #make: (length: number) => A;
  #held: A;
  #size = 0;

  constructor(make: (length: number) => A, start?: A) {
    this.#make = make;
    this.#held = start ?? make(64);
    this.#size = start?.length ?? 0;
  }

  get size(): number {
    return this.#size;
  }

  push(value: number): void {
    if (this.#size === this.#held.length) {
      const larger = this.#make(Math.max(64, 2 * this.#size));
      larger.set(this.#held);
      this.#held = larger;
    }
    this.#held[this.#size++] = value;
  }

  /** What it began with is not to be changed by this. */
  set(i: number, value: number): void {
    this.#held[i] = value;
  }

  /** All of it, with room beyond the last; good until something is pushed. */
  rows(): A {
    return this.#held;
  }

  at(i: number): number {
    return this.#held[i];
  }

  finish(): A {
    return (this.#size === this.#held.length ? this.#held : this.#held.slice(0, this.#size)) as A;
  }
}
