/** What meshoptimizer's simplifier does: fewer triangles over some of the same vertices. */
export interface Simplifier {
  /** `index`: three a triangle; gives the triangles that are left, and the error relative to the extent (`ErrorAbsolute`: in lengths) */
  simplify(
    index: Uint32Array,
    positions: Float32Array,
    stride: number,
    target: number,
    error: number,
    flags?: ('Regularize' | 'ErrorAbsolute')[],
  ): [Uint32Array, number];
}

/** How meshes in glTF files are packed. */
export type Packing = 'meshopt' | 'draco';

/** Gives the decoder of packed meshes, as the glTF library takes it. */
export type LoadUnpacker = (packing: Packing) => Promise<object>;
