import { fail, MM_PER, type LoadUnpacker, type Result } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { canHold, formatOf, type MeshFormat } from './formats/index.ts';
import type { ReadOptions } from './readGlb.ts';
import type { ReadBack } from './scenePart.ts';

/** Reads a file of ours with the readers for files of others: nothing that was known while writing is used. */
export async function readBack(
  bytes: Uint8Array,
  format: MeshFormat,
  unpacker?: LoadUnpacker,
  options: ReadOptions = {},
): Promise<Result<ReadBack>> {
  const { read } = formatOf(format);
  return read ? read(bytes, unpacker, options) : fail('MESH_BROKEN', { format, place: 0, why: 'start' });
}

/** In millimetres where the format says its unit; else as the numbers stand. */
export function inMm(mesh: PolygonMesh, format: MeshFormat): PolygonMesh {
  if (canHold(format, 'frame')) return mesh;
  const scale = MM_PER[formatOf(format).unit];
  return { ...mesh, positions: mesh.positions.map((number) => number * scale) };
}
