/** A cache bounded in bytes that forgets what was used longest ago. */
export class ByteCache<V> {
  readonly #entries = new Map<string, { value: V; bytes: number }>();
  readonly #limit: number;
  #bytes = 0;

  constructor(limitBytes: number) {
    this.#limit = limitBytes;
  }

  get bytes(): number {
    return this.#bytes;
  }

  get size(): number {
    return this.#entries.size;
  }

  get(key: string): V | undefined {
    const entry = this.#entries.get(key);
    if (!entry) return undefined;
    this.#entries.delete(key);
    this.#entries.set(key, entry);
    return entry.value;
  }

  /** Keeps the value unless it alone is larger than the whole cache. */
  set(key: string, value: V, bytes: number): void {
    this.delete(key);
    if (bytes > this.#limit) return;
    this.#entries.set(key, { value, bytes });
    this.#bytes += bytes;
    for (const oldest of this.#entries.keys()) {
      if (this.#bytes <= this.#limit) break;
      this.delete(oldest);
    }
  }

  delete(key: string): void {
    const entry = this.#entries.get(key);
    if (!entry) return;
    this.#entries.delete(key);
    this.#bytes -= entry.bytes;
  }
}
