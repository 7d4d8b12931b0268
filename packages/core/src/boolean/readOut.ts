import { numbered, type Held, type KernelSolid } from './kernel.ts';

/**
 * A solid of the kernel as triangles over shared vertices at full precision, each of which knows where it comes from.
 */
export interface CutTriangles {
  /** three numbers a vertex, the kernel's space */
  places: Float64Array;
  /** three vertices a triangle */
  vertices: Uint32Array;
  /** vertex of its source at each corner; -1 where that is none */
  numbers: Int32Array;
  /** per triangle: number of its source, the face it is a part of there, and whether it is seen from behind */
  source: Uint32Array;
  group: Uint32Array;
  isTurned: Uint8Array;
}

export function readOut(solid: KernelSolid, held: Held): CutTriangles {
  const { places, mesh } = numbered(solid, held);
  const { triVerts, vertProperties, numProp, runIndex, runOriginalID, faceID } = mesh;
  const count = triVerts.length / 3;
  const [vertices, numbers] = [new Uint32Array(triVerts.length), new Int32Array(triVerts.length)];
  for (let c = 0; c < triVerts.length; c++) {
    const row = numProp * triVerts[c];
    vertices[c] = vertProperties[row];
    const number = vertProperties[row + 3];
    // what was worked out between the numbers of vertices is none
    numbers[c] = number >= 0 && number === Math.floor(number) ? number : -1;
  }
  const out: CutTriangles = {
    places,
    vertices,
    numbers,
    source: new Uint32Array(count),
    group: faceID.slice(),
    isTurned: new Uint8Array(count),
  };
  for (let run = 0; run < runOriginalID.length; run++) {
    out.source.fill(runOriginalID[run], runIndex[run] / 3, runIndex[run + 1] / 3);
    out.isTurned.fill(mesh.backside(run) ? 1 : 0, runIndex[run] / 3, runIndex[run + 1] / 3);
  }
  return out;
}
