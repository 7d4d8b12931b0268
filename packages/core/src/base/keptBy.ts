/**
 * What is worked out of something that never changes, once: kept as long as that is. Whoever asks must not change it
 * either.
 */
export function keptBy<K extends WeakKey, V>(make: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, { made: V }>();
  return (key) => {
    let kept = known.get(key);
    if (!kept) known.set(key, (kept = { made: make(key) }));
    return kept.made;
  };
}
