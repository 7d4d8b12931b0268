import type * as HarfBuzz from 'harfbuzzjs';
import type { MeshoptDecoder } from 'meshoptimizer/decoder';
import type { ManifoldToplevel } from 'manifold-3d/manifold';
import type { generateTangents } from 'mikktspace';
import type { MeshoptSimplifier } from 'meshoptimizer/simplifier';

/**
 * Loads the WASM modules that core is handed. The import is a lazy one on purpose: HarfBuzz waits at its top level, and
 * a worker that imported it statically would lose every message posted before it is ready.
 */
export async function loadKernels(): Promise<LoadedKernels> {
  const hb = await import('harfbuzzjs').catch(missing);
  return {
    hb,
    loadSimplifier: () => loadSimplifier().catch(missing),
    loadTangents: () => loadTangents().catch(missing),
    loadUnpacker: (packing) => loadUnpacker(packing).catch(missing),
    loadCarver: () => loadCarver().catch(missing),
  };
}

/** So that it can be told apart from a fault: the name is core's MISSING_PART. */
function missing(error: unknown): never {
  const why = error instanceof Error ? error.message : String(error);
  throw Object.assign(new Error(`a part of the application could not be loaded: ${why}`), { name: 'MissingPart' });
}

interface LoadedKernels {
  hb: typeof HarfBuzz;
  loadSimplifier: typeof loadSimplifier;
  loadTangents: typeof loadTangents;
  loadUnpacker: typeof loadUnpacker;
  loadCarver: typeof loadCarver;
}

/** Unpacks meshes of glTF files; loaded when the first packed one comes. */
const loadUnpacker = (packing: 'meshopt' | 'draco'): Promise<object> =>
  packing === 'draco' ? loadDraco() : loadMeshopt();

async function loadMeshopt(): Promise<typeof MeshoptDecoder> {
  const { MeshoptDecoder: decoder } = await import('meshoptimizer/decoder');
  await decoder.ready;
  return decoder;
}

/** In Node it finds its own binary, in a browser it is handed it. */
async function loadDraco(): Promise<object> {
  const { default: load } = await import('draco3dgltf/draco_decoder_gltf_nodejs.js');
  if ('process' in globalThis) return load({});
  const address = new URL('../../../node_modules/draco3dgltf/draco_decoder_gltf.wasm', import.meta.url);
  return load({ wasmBinary: await (await fetch(address)).arrayBuffer() });
}

let carver: Promise<ManifoldToplevel> | undefined;

/** Cuts and unites solids; loaded when something is first cut, and once: what one of them has made no other can use. */
function loadCarver(): Promise<ManifoldToplevel> {
  carver ??= import('manifold-3d/manifold').then(async ({ default: load }) => {
    const loaded = await load();
    loaded.setup();
    return loaded;
  });
  // what could not be fetched once may be there the next time
  carver.catch(() => (carver = undefined));
  return carver;
}

/** Reduces triangles; loaded when the first mesh is reduced. */
async function loadSimplifier(): Promise<typeof MeshoptSimplifier> {
  const { MeshoptSimplifier: simplifier } = await import('meshoptimizer/simplifier');
  await simplifier.ready;
  return simplifier;
}

/** Tangents as those expect them who bake normal maps; loaded when the first are written. */
async function loadTangents(): Promise<typeof generateTangents> {
  return (await import('mikktspace')).generateTangents;
}

/** The decoder of WOFF2 files; loaded when the first one comes. Rejects what it can't read. */
export async function unpackWoff2(bytes: Uint8Array): Promise<Uint8Array> {
  const { decompress } = (await import('wawoff2')).default;
  return decompress(bytes);
}
