import { Primitive, WebIO, type Document, type mat4, type Node } from '@gltf-transform/core';
import { EXTMeshoptCompression, KHRDracoMeshCompression, KHRMeshQuantization } from '@gltf-transform/extensions';
import { fail, LIMITS, ok, type LoadUnpacker, type Packing, type Result } from '../base/index.ts';
import { MeshBuilder, weld, type PolygonMesh } from '../mesh/index.ts';
import { paintsOf, type Paints } from './paints.ts';
import { utf8Text } from './utf8.ts';

/** A GLB as one mesh of triangles, joined where points are equal, in metres as the format asks, with the names it gives. */
export interface ReadGlb {
  mesh: PolygonMesh;
  /** of the nodes that hold faces */
  nodes: string[];
  materials: string[];
  /** where they are asked for: faces are marked with them, and have their texture coordinates */
  paints?: Paints;
}

const MAGIC = 0x46546c67;

/** Binary glTF 2.0 -> mesh; motion and cameras are passed over, and materials with their pictures unless they are `painted`. */
export async function readGlb(bytes: Uint8Array, unpacker?: LoadUnpacker, painted = false): Promise<Result<ReadGlb>> {
  if (bytes.length > LIMITS.meshBytes)
    return fail('TOO_LARGE', { what: 'mesh file', size: bytes.length, limit: LIMITS.meshBytes });
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 20 || view.getUint32(0, true) !== MAGIC || view.getUint32(4, true) !== 2)
    return broken(0, 'header');
  if (view.getUint32(8, true) > bytes.length) return broken(bytes.length, 'short');
  const packed = packedBy(bytes);
  if (packed && !unpacker) return broken(20, 'packed');
  try {
    const io = new WebIO().registerExtensions([EXTMeshoptCompression, KHRDracoMeshCompression, KHRMeshQuantization]);
    if (packed && unpacker) io.registerDependencies({ [packed.decoder]: await unpacker(packed.packing) });
    return gather(await io.readBinary(bytes), painted);
  } catch {
    return broken(20, 'contents');
  }
}

interface Packed {
  extension: string;
  packing: Packing;
  /** what the library calls it */
  decoder: string;
}

/** Extensions without which packed meshes can't be read. */
const PACKINGS: readonly Packed[] = [
  { extension: 'KHR_draco_mesh_compression', packing: 'draco', decoder: 'draco3d.decoder' },
  { extension: 'EXT_meshopt_compression', packing: 'meshopt', decoder: 'meshopt.decoder' },
];

/** Which of them the file needs: its first chunk is JSON (glTF 2.0, 4.4). */
function packedBy(bytes: Uint8Array): Packed | undefined {
  const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(12, true);
  const head = utf8Text(bytes.subarray(20, 20 + Math.min(length, LIMITS.gltfHeaderBytes)));
  const required = /"extensionsRequired"\s*:\s*\[([^\]]*)\]/.exec(head)?.[1] ?? '';
  return PACKINGS.find(({ extension }) => required.includes(`"${extension}"`));
}

const broken = (place: number, why: string): Result<never> => fail('MESH_BROKEN', { format: 'glb', place, why });

function gather(document: Document, painted: boolean): Result<ReadGlb> {
  const builder = new MeshBuilder();
  const paints = painted ? paintsOf(document) : undefined;
  const number = new Map((paints ? document.getRoot().listMaterials() : []).map((material, i) => [material, i]));
  const uv: number[] = [];
  const nodes: string[] = [];
  let faces = 0;
  for (const node of document.getRoot().listNodes()) {
    const primitives = node.getMesh()?.listPrimitives() ?? [];
    if (primitives.length > 0) nodes.push(node.getName());
    for (const primitive of primitives) {
      const loops = trianglesOf(primitive);
      faces += loops.length;
      if (faces > LIMITS.meshFaces) return fail('TOO_LARGE', { what: 'faces', size: faces, limit: LIMITS.meshFaces });
      const first = builder.vertexCount;
      const material = primitive.getMaterial();
      const region = builder.region('body', -1, -1, material ? number.get(material) : undefined);
      const laid = paints && primitive.getAttribute('TEXCOORD_0');
      for (const [x, y, z] of placesOf(primitive, node)) builder.vertex(x, y, z);
      const count = builder.vertexCount - first;
      for (const loop of loops) {
        if (loop.some((v) => v >= count)) return broken(20, 'face');
        builder.face(
          loop.map((v) => first + v),
          region,
        );
        // in this format texture coordinates count from the top
        if (paints) for (const v of loop) uv.push(...(laid ? upright(laid.getElement(v, [])) : [0, 0]));
      }
    }
  }
  if (faces === 0) return broken(20, 'no faces');
  const mesh = { ...builder.finish(), ...(paints && { uv: new Float32Array(uv) }) };
  if (!mesh.positions.every(Number.isFinite)) return broken(20, 'vertex');
  const materials = document.getRoot().listMaterials();
  return ok({ mesh: weld(mesh), nodes, materials: materials.map((m) => m.getName()), ...(paints && { paints }) });
}

const upright = ([u, v]: readonly number[]): [number, number] => [u, 1 - v];

function trianglesOf(primitive: Primitive): number[][] {
  if (primitive.getMode() !== Primitive.Mode.TRIANGLES) return [];
  const index = primitive.getIndices()?.getArray();
  const size = index?.length ?? primitive.getAttribute('POSITION')?.getCount() ?? 0;
  const corner = (i: number): number => index?.[i] ?? i;
  return Array.from({ length: Math.floor(size / 3) }, (_, t) => [corner(3 * t), corner(3 * t + 1), corner(3 * t + 2)]);
}

function placesOf(primitive: Primitive, node: Node): [number, number, number][] {
  const position = primitive.getAttribute('POSITION');
  const world = node.getWorldMatrix();
  return Array.from({ length: position?.getCount() ?? 0 }, (_, i) => moved(world, position?.getElement(i, []) ?? []));
}

/** Column after column, as glTF writes matrices. */
const moved = (m: mat4, [x, y, z]: readonly number[]): [number, number, number] => [
  m[0] * x + m[4] * y + m[8] * z + m[12],
  m[1] * x + m[5] * y + m[9] * z + m[13],
  m[2] * x + m[6] * y + m[10] * z + m[14],
];
