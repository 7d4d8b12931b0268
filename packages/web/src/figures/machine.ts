const ROOTS = 1_000_000;

/** A fixed piece of arithmetic, by which machines can be held against each other; ms. */
export function rootsMs(): number {
  const start = performance.now();
  let sum = 0;
  for (let i = 0; i < ROOTS; i++) sum += Math.sqrt(i + sum * 1e-9);
  return sum > 0 ? performance.now() - start : 0;
}

/** Bytes of the page's own thread; undefined where the browser does not say. */
export function memoryOfPage(): number | undefined {
  const { memory } = performance as { memory?: { usedJSHeapSize: number } };
  return memory?.usedJSHeapSize;
}
