import { LRUCache } from 'lru-cache';

/** A cache bounded in bytes that forgets what was used longest ago. */
export class ByteCache<V> {
  readonly #entries: LRUCache<string, { value: V }>;

  constructor(limitBytes: number) {
    const most = Math.max(1, Math.floor(limitBytes));
    this.#entries = new LRUCache({ maxSize: most, maxEntrySize: most });
  }

  get bytes(): number {
    return this.#entries.calculatedSize;
  }

  get size(): number {
    return this.#entries.size;
  }

  get(key: string): V | undefined {
    return this.#entries.get(key)?.value;
  }

  /** Keeps the value unless it alone is larger than the whole cache. */
  set(key: string, value: V, bytes: number): void {
    this.#entries.set(key, { value }, { size: Math.max(1, Math.ceil(bytes)) });
  }

  delete(key: string): void {
    this.#entries.delete(key);
  }
}
