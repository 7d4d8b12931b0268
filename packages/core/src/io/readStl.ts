import { fail, LIMITS, ok, type Result } from '../base/index.ts';
import { readTextStl } from './readText.ts';
import { MeshBuilder, weld, type PolygonMesh } from '../mesh/index.ts';

/** STL, binary or text -> mesh, joined where coordinates are equal: the format knows no shared vertices. */
export function readStl(bytes: Uint8Array): Result<PolygonMesh> {
  if (isText(bytes)) return readTextStl(bytes);
  if (bytes.length < 84) return broken(bytes.length, 'short');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = view.getUint32(80, true);
  if (bytes.length !== 84 + 50 * count) return broken(80, 'count');
  if (count > LIMITS.meshFaces) return fail('TOO_LARGE', { what: 'faces', size: count, limit: LIMITS.meshFaces });
  const builder = new MeshBuilder();
  const body = builder.region('body', -1, -1);
  for (let t = 0; t < count; t++) {
    const corners = [0, 1, 2].map((i) => {
      const at = 84 + 50 * t + 12 + 12 * i;
      return [0, 4, 8].map((k) => view.getFloat32(at + k, true));
    });
    if (!corners.flat().every(Number.isFinite)) return broken(84 + 50 * t, 'vertex');
    builder.face(
      corners.map(([x, y, z]) => builder.vertex(x, y, z)),
      body,
    );
  }
  return ok(weld(builder.finish()));
}

/** Begins as text does, and has not the length that binary would have: many binary files begin with the same word. */
function isText(bytes: Uint8Array): boolean {
  if (String.fromCharCode(...bytes.subarray(0, 5)).toLowerCase() !== 'solid') return false;
  if (bytes.length < 84) return true;
  const count = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(80, true);
  return bytes.length !== 84 + 50 * count;
}

const broken = (place: number, why: string): Result<PolygonMesh> => fail('MESH_BROKEN', { format: 'stl', place, why });
