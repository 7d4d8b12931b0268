import { fail, LIMITS, ok, type MeshFault, type Result } from '../base/index.ts';
import { weld, type PolygonMesh } from '../mesh/index.ts';
import { textStart } from './readText.ts';
import { readTextStl } from './readTextStl.ts';

/** STL, binary or text -> mesh, joined where coordinates are equal: the format knows no shared vertices. */
export function readStl(bytes: Uint8Array): Result<PolygonMesh> {
  if (isText(bytes)) return readTextStl(bytes);
  if (bytes.length < 84) return broken(bytes.length, 'short');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = view.getUint32(80, true);
  if (bytes.length !== 84 + 50 * count) return broken(80, 'count');
  if (count > LIMITS.meshFaces) return fail('TOO_LARGE', { what: 'faces', size: count, limit: LIMITS.meshFaces });
  const positions = new Float64Array(9 * count);
  for (let t = 0; t < count; t++) {
    const at = 84 + 50 * t;
    // three numbers of the normal come first
    for (let k = 0; k < 9; k++) positions[9 * t + k] = view.getFloat32(at + 12 + 4 * k, true);
    for (let k = 0; k < 9; k++) if (!Number.isFinite(positions[9 * t + k])) return broken(at, 'vertex');
  }
  return ok(weld(loose(positions)));
}

/** Triangles that share no vertex: nine numbers each. */
function loose(positions: Float64Array): PolygonMesh {
  const triangles = positions.length / 9;
  return {
    positions,
    faceStart: new Uint32Array(triangles + 1).map((_, t) => 3 * t),
    faceVertices: new Uint32Array(3 * triangles).map((_, c) => c),
    sharp: new Uint8Array(3 * triangles),
    region: new Uint32Array(triangles),
    regions: [{ part: 'body', letter: -1, contour: -1 }],
  };
}

/** Begins as text does, and has not the length that binary would have: many binary files begin with the same word. */
function isText(bytes: Uint8Array): boolean {
  const start = textStart(bytes);
  if (String.fromCharCode(...bytes.subarray(start, start + 5)).toLowerCase() !== 'solid') return false;
  if (bytes.length < 84) return true;
  const count = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(80, true);
  return bytes.length !== 84 + 50 * count;
}

const broken = (place: number, why: MeshFault): Result<PolygonMesh> =>
  fail('MESH_BROKEN', { format: 'stl', place, why });
