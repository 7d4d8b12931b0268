import type * as HarfBuzz from 'harfbuzzjs';

/**
 * Loads the WASM modules that core is handed. The import is a lazy one on purpose: HarfBuzz waits at its top level, and a worker that
 * imported it statically would lose every message posted before it is ready.
 */
export async function loadKernels(): Promise<{ hb: typeof HarfBuzz }> {
  return { hb: await import('harfbuzzjs') };
}
