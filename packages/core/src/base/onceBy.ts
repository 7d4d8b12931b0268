/** What is made of a thing and of something said of it, once for each pair of them. */
export class OnceBy<K extends WeakKey, V> {
  readonly #made = new WeakMap<K, Map<string, V>>();

  get(key: K, said: string, make: () => V): V {
    const ofKey = this.#made.get(key) ?? new Map<string, V>();
    this.#made.set(key, ofKey);
    const known = ofKey.get(said);
    if (known !== undefined) return known;
    const made = make();
    ofKey.set(said, made);
    return made;
  }
}
