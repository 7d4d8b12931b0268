/** Rows that one function fills again and again, and nobody else keeps. */
export class Scratch {
  #rows = new Float64Array(0);

  /** So many numbers, whatever stands in them. */
  of(count: number): Float64Array {
    if (this.#rows.length < count) this.#rows = new Float64Array(Math.ceil(1.5 * count));
    return this.#rows;
  }
}
