import type * as HarfBuzz from 'harfbuzzjs';
import type { MeshoptSimplifier } from 'meshoptimizer/simplifier';

/**
 * Loads the WASM modules that core is handed. The import is a lazy one on purpose: HarfBuzz waits at its top level, and a worker that
 * imported it statically would lose every message posted before it is ready.
 */
export async function loadKernels(): Promise<{ hb: typeof HarfBuzz; loadSimplifier: typeof loadSimplifier }> {
  return { hb: await import('harfbuzzjs'), loadSimplifier };
}

/** Reduces triangles; loaded when the first mesh is reduced. */
async function loadSimplifier(): Promise<typeof MeshoptSimplifier> {
  const { MeshoptSimplifier: simplifier } = await import('meshoptimizer/simplifier');
  await simplifier.ready;
  return simplifier;
}

/** The decoder of WOFF2 files; loaded when the first one comes. Rejects what it can't read. */
export async function unpackWoff2(bytes: Uint8Array): Promise<Uint8Array> {
  const { decompress } = (await import('wawoff2')).default;
  return decompress(bytes);
}
