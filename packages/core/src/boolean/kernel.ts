import type { Carver } from '../base/index.ts';

/** A solid in the kernel's own memory, which is freed by `delete` alone. */
export type KernelSolid = InstanceType<Carver['Manifold']>;

/** Frees whatever was made while something is worked out, however that ends. */
export class Held {
  readonly #all: { delete(): void }[] = [];

  keep<T extends { delete(): void }>(one: T): T {
    this.#all.push(one);
    return one;
  }

  free(): void {
    for (const one of this.#all.splice(0)) one.delete();
  }
}

type KernelMesh = ReturnType<KernelSolid['getMesh']>;

/**
 * Places of the kernel's vertices at full precision, and its mesh with the index of its vertex in place of each
 * corner's x: the mesh itself holds 32-bit places only, and seams as several.
 */
export function numbered(solid: KernelSolid, held: Held): { places: Float64Array; mesh: KernelMesh } {
  let places = new Float64Array(0);
  const counted = held.keep(
    solid.warpBatch((at, count) => {
      places = at.slice(0, 3 * count);
      at.fill(0);
      for (let i = 0; i < count; i++) at[3 * i] = i;
    }),
  );
  return { places, mesh: counted.getMesh() };
}
