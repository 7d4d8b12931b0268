/** Bytes that other threads see without a copy, where this machine's pages may have such; else bytes of this thread. */
const bytes = (count: number): ArrayBufferLike =>
  typeof SharedArrayBuffer === 'undefined' ? new ArrayBuffer(count) : new SharedArrayBuffer(count);

/** Rows to be filled by any thread. */
export const sharedFloats = (count: number): Float32Array => new Float32Array(bytes(4 * count));
export const sharedDoubles = (count: number): Float64Array => new Float64Array(bytes(8 * count));

/** The same rows where other threads see them. */
export function shared<A extends Float64Array | Uint32Array | Int32Array | Uint8Array>(rows: A): A {
  const Rows = rows.constructor as new (of: ArrayBufferLike) => A;
  const copy = new Rows(bytes(rows.byteLength));
  copy.set(rows);
  return copy;
}
