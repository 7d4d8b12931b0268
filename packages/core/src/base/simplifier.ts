/** What meshoptimizer's simplifier does: fewer triangles over some of the same vertices. */
export interface Simplifier {
  /**
   * `index`: three a triangle; gives the triangles that are left, and the error relative to the extent
   * (`ErrorAbsolute`: in lengths)
   */
  simplify(
    index: Uint32Array,
    positions: Float32Array,
    stride: number,
    target: number,
    error: number,
    flags?: ('Regularize' | 'ErrorAbsolute')[],
  ): [Uint32Array, number];
}

/**
 * Tangents of triangles that share no rows, as those expect them who bake normal maps (Mikkelsen 2008, "Simulation of
 * wrinkled surfaces revisited"): of corners three numbers of places and normals and two of texture coordinates (up is
 * up) each; four numbers a corner come back.
 */
export type TangentMaker = (positions: Float32Array, normals: Float32Array, uvs: Float32Array) => Float32Array;

/** What writers load when they need it. */
export interface WriteTools {
  loadSimplifier?: (() => Promise<Simplifier>) | undefined;
  loadTangents?: (() => Promise<TangentMaker>) | undefined;
}

/** How meshes in glTF files are packed. */
export type Packing = 'meshopt' | 'draco';

/** Gives the decoder of packed meshes, as the glTF library takes it. */
export type LoadUnpacker = (packing: Packing) => Promise<object>;
