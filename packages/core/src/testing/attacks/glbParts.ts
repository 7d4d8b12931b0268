import { bytesOf } from './text.ts';

/** A GLB of a JSON and a binary chunk, as they are given, right or wrong. */
export function glbOf(json: object | string, bin: Uint8Array = new Uint8Array(0)): Uint8Array {
  const text = bytesOf(typeof json === 'string' ? json : JSON.stringify(json));
  const head = padded(text, 0x20);
  const body = padded(bin, 0);
  const size = 20 + head.length + (body.length > 0 ? 8 + body.length : 0);
  const out = new Uint8Array(size);
  const view = new DataView(out.buffer);
  [0x46546c67, 2, size, head.length, 0x4e4f534a].forEach((v, i) => view.setUint32(4 * i, v, true));
  out.set(head, 20);
  if (body.length > 0) {
    view.setUint32(20 + head.length, body.length, true);
    view.setUint32(24 + head.length, 0x004e4942, true);
    out.set(body, 28 + head.length);
  }
  return out;
}

function padded(bytes: Uint8Array, fill: number): Uint8Array {
  const out = new Uint8Array(Math.ceil(bytes.length / 4) * 4).fill(fill);
  out.set(bytes);
  return out;
}

/** A tetrahedron: four points and twelve indices of two bytes. */
export const TETRAHEDRON_BIN: Uint8Array = (() => {
  const out = new Uint8Array(48 + 24);
  new Float32Array(out.buffer, 0, 12).set([0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1]);
  new Uint16Array(out.buffer, 48, 12).set([0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3]);
  return out;
})();

/** Its JSON, with parts of it put otherwise. */
export const tetrahedron = (other: object = {}): object => ({
  asset: { version: '2.0' },
  buffers: [{ byteLength: 72 }],
  bufferViews: [
    { buffer: 0, byteOffset: 0, byteLength: 48 },
    { buffer: 0, byteOffset: 48, byteLength: 24 },
  ],
  accessors: [
    { bufferView: 0, componentType: 5126, count: 4, type: 'VEC3', min: [0, 0, 0], max: [1, 1, 1] },
    { bufferView: 1, componentType: 5123, count: 12, type: 'SCALAR' },
  ],
  meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1 }] }],
  nodes: [{ mesh: 0, name: 'Kiln' }],
  scenes: [{ nodes: [0] }],
  scene: 0,
  ...other,
});
