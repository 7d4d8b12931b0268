import { MM_PER, ok, utf8Text, type LoadUnpacker, type Result } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { Paints } from './paints.ts';
import { readGlb, type ReadOptions } from './readGlb.ts';
import { readObjLevel } from './readObj.ts';
import { readPly } from './readPly.ts';
import { readStl } from './readStl.ts';
import type { MeshFormat } from './writeMesh.ts';

/** What a mesh file turns out to hold, in the file's own unit and axes. */
export interface ReadBack {
  mesh: PolygonMesh;
  /** of pieces or letters, where the format names them */
  names: string[];
  finishes: string[];
  /** materials with their pictures, where they were asked for */
  paints?: Paints;
  /** of detail, by names or by links (MSFT_lod); one was read */
  levels: number;
}

/** Reads a file of ours with the readers for files of others: nothing that was known while writing is used. */
export async function readBack(
  bytes: Uint8Array,
  format: MeshFormat,
  unpacker?: LoadUnpacker,
  options: ReadOptions = {},
): Promise<Result<ReadBack>> {
  if (format === 'glb') {
    const read = await readGlb(bytes, unpacker, options);
    if (!read.ok) return read;
    const { mesh, nodes, materials, paints, levels } = read.value;
    return ok({ mesh, names: nodes, finishes: materials, paints, levels });
  }
  if (format === 'obj') {
    const read = readObjLevel(bytes, options.level ?? 0);
    return read.ok ? ok({ ...read.value, ...namesIn(bytes) }) : read;
  }
  const mesh = { stl: readStl, ply: readPly }[format](bytes);
  return mesh.ok ? ok({ mesh: mesh.value, names: [], finishes: [], levels: 1 }) : mesh;
}

function namesIn(bytes: Uint8Array): { names: string[]; finishes: string[] } {
  const lines = utf8Text(bytes).split('\n');
  const after = (word: string): string[] => {
    const found = lines.filter((line) => line.startsWith(`${word} `)).map((line) => line.slice(word.length + 1));
    return [...new Set(found)];
  };
  return { names: after('o'), finishes: after('usemtl') };
}

/** In millimetres where the format says its unit (glTF 2.0: metres); else as the numbers stand. */
export const inMm = (mesh: PolygonMesh, format: MeshFormat): PolygonMesh =>
  format === 'glb' ? { ...mesh, positions: mesh.positions.map((metres) => metres * MM_PER.m) } : mesh;
