import { remark, type LengthUnit, type Remark } from '../base/index.ts';
import { asTriangles, toFloat32, weld, type PolygonMesh } from '../mesh/index.ts';
import { inFrame, type FileFrame } from './orientation.ts';
import { writeGlb } from './writeGlb.ts';
import { writeObj } from './writeObj.ts';
import { writeStl } from './writeStl.ts';

export type MeshFormat = 'obj' | 'stl' | 'glb';

export const MESH_FORMATS: readonly MeshFormat[] = ['obj', 'stl', 'glb'];

export interface WriteOptions {
  format: MeshFormat;
  name: string;
  /** obj and stl only: a glb is always metres with y up */
  unit: LengthUnit;
  up: 'y' | 'z' | 'usual';
  triangles: boolean;
  weld: boolean;
  nodes: 'one' | 'letters';
  letters: readonly string[];
}

/** A way to write that needs no choices, for a format. */
export const usualWriteOptions = (format: MeshFormat, name: string, letters: readonly string[]): WriteOptions => ({
  format,
  name,
  unit: 'mm',
  up: 'usual',
  triangles: false,
  weld: false,
  nodes: 'one',
  letters,
});

export interface WrittenMesh {
  bytes: Uint8Array;
  /** as it stands in the file */
  mesh: PolygonMesh;
  remarks: Remark[];
}

/** The one way from a mesh to a file, for the page and the command line alike. */
export async function writeMesh(mesh: PolygonMesh, options: WriteOptions): Promise<WrittenMesh> {
  let current = options.format === 'glb' ? mesh : inFrame(mesh, frameOf(options));
  const remarks: Remark[] = [];
  if (options.format !== 'obj') {
    const rounded = toFloat32(current);
    current = rounded.mesh;
    if (rounded.collapsed > 0) remarks.push(remark('ROUNDING_COLLAPSED', { faces: rounded.collapsed }));
  }
  if (options.weld) current = weld(current);
  if (options.triangles || options.format !== 'obj') current = asTriangles(current);
  return { bytes: await bytesOf(current, options), mesh: current, remarks };
}

function frameOf({ format, unit, up }: WriteOptions): FileFrame {
  return { unit, up: up === 'usual' ? (format === 'stl' ? 'z' : 'y') : up };
}

async function bytesOf(mesh: PolygonMesh, { format, name, nodes, letters }: WriteOptions): Promise<Uint8Array> {
  if (format === 'obj') return writeObj(mesh);
  if (format === 'stl') return writeStl(mesh);
  return writeGlb(mesh, { name, nodes, letters });
}
