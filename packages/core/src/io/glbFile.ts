import { fail, LIMITS, ok, parseBoundedJson, type Packing, type Result } from '../base/index.ts';
import { boundsFault, type GltfJson } from './glbBounds.ts';
import type { MeshFault } from '../base/index.ts';

/** The two chunks of a GLB, its JSON held against what there is: whatever it counts or points at is there. */
export interface GlbFile {
  json: GltfJson;
  bin: Uint8Array;
  packed: Packed | undefined;
}

export interface Packed {
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

/**
 * Extensions that change what stands where; without them a file would be read as something else. Materials' may be
 * passed over.
 */
const KNOWN_REQUIRED = new Set(['KHR_mesh_quantization', 'KHR_texture_transform', ...PACKINGS.map((p) => p.extension)]);
const ABOUT_LOOKS = /^KHR_materials_|^KHR_texture_|^EXT_texture_|^KHR_lights_/;

const MAGIC = 0x46546c67;
const [JSON_CHUNK, BIN_CHUNK] = [0x4e4f534a, 0x004e4942];

export const glbFault = (place: number, why: MeshFault): { ok: false; error: ReturnType<typeof fail>['error'] } =>
  fail('MESH_BROKEN', { format: 'glb', place, why });

/** Container and JSON of a GLB (glTF 2.0, 4.4 and 3.6), checked before anything is made of them. */
export function openGlb(bytes: Uint8Array): Result<GlbFile> {
  if (bytes.length > LIMITS.meshBytes)
    return fail('TOO_LARGE', { what: 'mesh file', size: bytes.length, limit: LIMITS.meshBytes });
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 20 || view.getUint32(0, true) !== MAGIC) return glbFault(0, 'start');
  if (view.getUint32(4, true) !== 2) return glbFault(4, 'version');
  if (view.getUint32(8, true) !== bytes.length) return glbFault(bytes.length, 'short');
  const length = view.getUint32(12, true);
  if (view.getUint32(16, true) !== JSON_CHUNK) return glbFault(12, 'start');
  if (20 + length > bytes.length) return glbFault(bytes.length, 'short');
  if (length > LIMITS.gltfHeaderBytes)
    return fail('TOO_LARGE', { what: 'description in the GLB', size: length, limit: LIMITS.gltfHeaderBytes });
  const bin = binChunk(bytes, view, 20 + length);
  if (!bin) return glbFault(20 + length, 'short');
  const parsed = parseBoundedJson(bytes.subarray(20, 20 + length), 'description in the GLB');
  if (!parsed.ok) return parsed.error.code === 'TOO_LARGE' ? parsed : glbFault(20, 'json');
  const json = parsed.value as GltfJson;
  const fault = boundsFault(json, bin.length);
  if (fault) return glbFault(20, fault);
  const required = json.extensionsRequired ?? [];
  if (required.some((name) => !KNOWN_REQUIRED.has(name) && !ABOUT_LOOKS.test(name))) return glbFault(20, 'extension');
  const packed = PACKINGS.find(({ extension }) => required.includes(extension) || usesPacking(json, extension));
  return ok({ json, bin, packed });
}

/** Empty where the file has none; undefined where it ends too early. Chunks of other kinds are passed over. */
function binChunk(bytes: Uint8Array, view: DataView, from: number): Uint8Array | undefined {
  for (let at = from; at < bytes.length;) {
    if (at + 8 > bytes.length) return undefined;
    const [length, kind] = [view.getUint32(at, true), view.getUint32(at + 4, true)];
    if (at + 8 + length > bytes.length) return undefined;
    if (kind === BIN_CHUNK) return bytes.subarray(at + 8, at + 8 + length);
    at += 8 + length;
  }
  return new Uint8Array(0);
}

/** Draco is used by a primitive, meshopt by a view. */
const usesPacking = ({ meshes, bufferViews }: GltfJson, extension: string): boolean =>
  (bufferViews ?? []).some((view) => view.extensions?.[extension] !== undefined) ||
  (meshes ?? []).some((mesh) => mesh.primitives.some((one) => one.extensions?.[extension] !== undefined));
