import type { Carver, CutFault } from '../base/index.ts';
import { vertexCount } from '../mesh/index.ts';
import { numbered, type Held, type KernelSolid } from './kernel.ts';
import { kernelMesh, MOST_VERTICES, sourcePlace, type CutSource } from './source.ts';

/** Why something can't be cut. */
export interface Fault {
  why: CutFault;
}

/**
 * A mesh as a solid of the kernel, at its full precision. The kernel takes 32-bit places and sorts vertices along a
 * curve of its own; so it is asked for its order, and the 64-bit places are written in by that, refused where none of
 * ours, rounded, is what stands there (docs/geometry.md).
 */
export function bringIn(carver: Carver, source: CutSource, held: Held): KernelSolid | Fault {
  if (vertexCount(source.mesh) >= MOST_VERTICES) return { why: 'large' };
  let rounded: KernelSolid;
  try {
    rounded = held.keep(new carver.Manifold(kernelMesh(carver, source)));
  } catch {
    return { why: 'open' };
  }
  if (rounded.status() !== 'NoError') return { why: 'open' };
  const order = orderOf(rounded, source, held);
  const {
    origin,
    mesh: { positions },
  } = source;
  let isKnown = true;
  const exact = held.keep(
    rounded.warpBatch((places, count) => {
      for (let i = 0; i < count; i++) {
        if (order[i] === UNKNOWN) isKnown = false;
        else if (order[i] !== GONE)
          for (let k = 0; k < 3; k++) places[3 * i + k] = positions[3 * order[i] + k] - origin[k];
      }
    }),
  );
  exact.status();
  return isKnown ? exact : { why: 'fine' };
}

/** Of a vertex that stands where none of ours does, and of one that no triangle has. */
const UNKNOWN = -1;
const GONE = -2;

/**
 * Number of our vertex by the kernel's. Edges shorter than a 32-bit float can tell are collapsed on the way in, and a
 * corner may carry on the number of the vertex that went: then the place decides.
 */
function orderOf(solid: KernelSolid, source: CutSource, held: Held): Int32Array {
  const {
    places,
    mesh: { vertProperties, numProp, numVert },
  } = numbered(solid, held);
  const order = new Int32Array(places.length / 3).fill(GONE);
  const {
    origin,
    mesh: { positions: p },
  } = source;
  const stands = (i: number, n: number): boolean =>
    Math.fround(p[3 * n] - origin[0]) === places[3 * i] &&
    Math.fround(p[3 * n + 1] - origin[1]) === places[3 * i + 1] &&
    Math.fround(p[3 * n + 2] - origin[2]) === places[3 * i + 2];
  for (let v = 0; v < numVert; v++) {
    const [i, number] = [vertProperties[numProp * v], vertProperties[numProp * v + 3]];
    if (order[i] < 0) order[i] = stands(i, number) ? number : UNKNOWN;
  }
  if (order.includes(UNKNOWN)) findByPlace(order, places, source);
  return order;
}

function findByPlace(order: Int32Array, places: Float64Array, source: CutSource): void {
  const byPlace = new Map<string, number>();
  for (let v = 0; v < vertexCount(source.mesh); v++) byPlace.set(sourcePlace(source, v).map(Math.fround).join(' '), v);
  order.forEach((number, i) => {
    if (number === UNKNOWN) order[i] = byPlace.get(places.subarray(3 * i, 3 * i + 3).join(' ')) ?? UNKNOWN;
  });
}
