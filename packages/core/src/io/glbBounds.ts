import { z } from 'zod';
import { LIMITS, type MeshFault } from '../base/index.ts';

/** What of glTF's JSON is read here (glTF 2.0, 5); the rest goes on to the reader of materials as it is. */
const index = z.number().int().min(0);
const extensions = z.record(z.string(), z.unknown()).optional();
const finite = z.number();
const accessorSchema = z.looseObject({
  bufferView: index.optional(),
  byteOffset: index.optional(),
  componentType: z.number(),
  count: z.number().int().min(1),
  type: z.string(),
  sparse: z
    .looseObject({
      count: z.number().int().min(1),
      indices: z.looseObject({ bufferView: index, byteOffset: index.optional(), componentType: z.number() }),
      values: z.looseObject({ bufferView: index, byteOffset: index.optional() }),
    })
    .optional(),
});
const viewSchema = z.looseObject({
  buffer: index,
  byteOffset: index.optional(),
  byteLength: z.number().int().min(1),
  byteStride: z.number().int().min(4).max(252).multipleOf(4).optional(),
  extensions,
});
const primitiveSchema = z.looseObject({
  attributes: z.record(z.string(), index),
  indices: index.optional(),
  material: index.optional(),
  mode: z.number().int().min(0).max(6).optional(),
  extensions,
});
const nodeSchema = z.looseObject({
  name: z.string().optional(),
  children: z.array(index).optional(),
  mesh: index.optional(),
  skin: index.optional(),
  weights: z.array(finite).optional(),
  matrix: z.array(finite).length(16).optional(),
  translation: z.array(finite).length(3).optional(),
  rotation: z.array(finite).length(4).optional(),
  scale: z.array(finite).length(3).optional(),
  extensions,
});
const list = <T extends z.ZodType>(of: T) => z.array(of).optional();
const gltfSchema = z.looseObject({
  asset: z.looseObject({ version: z.string() }),
  buffers: list(z.looseObject({ uri: z.string().optional(), byteLength: z.number().int().min(1) })),
  bufferViews: list(viewSchema),
  accessors: list(accessorSchema),
  meshes: list(
    z.looseObject({
      name: z.string().optional(),
      primitives: z.array(primitiveSchema).min(1),
      weights: z.array(finite).optional(),
    }),
  ),
  nodes: list(nodeSchema),
  scenes: list(z.looseObject({ nodes: z.array(index).optional() })),
  scene: index.optional(),
  materials: list(z.looseObject({ name: z.string().optional() })),
  images: list(z.looseObject({ bufferView: index.optional(), uri: z.string().optional() })),
  textures: list(z.looseObject({ source: index.optional() })),
  extensionsRequired: z.array(z.string()).optional(),
  extensionsUsed: z.array(z.string()).optional(),
});

export type GltfJson = z.infer<typeof gltfSchema>;
export type GltfNode = z.infer<typeof nodeSchema>;
type Accessor = z.infer<typeof accessorSchema>;
type View = z.infer<typeof viewSchema>;

const COMPONENT_BYTES: Readonly<Record<number, number>> = { 5120: 1, 5121: 1, 5122: 2, 5123: 2, 5125: 4, 5126: 4 };
/** columns and rows of an element */
const SHAPES: Readonly<Record<string, readonly [number, number]>> = {
  SCALAR: [1, 1],
  VEC2: [1, 2],
  VEC3: [1, 3],
  VEC4: [1, 4],
  MAT2: [2, 2],
  MAT3: [3, 3],
  MAT4: [4, 4],
};
const LISTS = [
  'accessors',
  'bufferViews',
  'buffers',
  'meshes',
  'nodes',
  'scenes',
  'materials',
  'images',
  'textures',
] as const;
/** Far more than any scene has; each costs a look. */
const MOST_ENTRIES = 200_000;
/** Packed meshes hold more than their bytes; no packing known makes this of one. */
const MOST_UNPACKED_A_BYTE = 2_000;
const MESHOPT = 'EXT_meshopt_compression';
const DRACO = 'KHR_draco_mesh_compression';

/** Holds every count, length and reference of glTF's JSON against the file. Undefined: all of them fit. */
export function boundsFault(json: unknown, binLength: number): MeshFault | undefined {
  if (typeof json !== 'object' || json === null) return 'json';
  // lists first: a fault a row makes a long list of faults
  for (const name of LISTS) {
    const rows = (json as Record<string, unknown>)[name];
    if (Array.isArray(rows) && rows.length > MOST_ENTRIES) return 'entries';
  }
  const parsed = gltfSchema.safeParse(json);
  if (!parsed.success) return 'json';
  const gltf = parsed.data;
  const { accessors = [], bufferViews = [], buffers = [] } = gltf;
  if (buffers.some((buffer) => buffer.uri !== undefined) || (gltf.images ?? []).some((one) => isElsewhere(one.uri)))
    return 'outside';
  if (buffers[0] && buffers[0].byteLength > binLength && !isFallback(buffers[0])) return 'short';
  if (!bufferViews.every((view) => viewFits(view, binLength))) return 'accessor';
  const unpacked = dracoAccessors(gltf);
  let bytes = 0;
  for (const [i, accessor] of accessors.entries()) {
    const size = accessorBytes(accessor, bufferViews, unpacked.has(i));
    if (size === undefined) return 'accessor';
    bytes += size;
  }
  if (bytes > LIMITS.meshBytes || (unpacked.size > 0 && bytes > MOST_UNPACKED_A_BYTE * binLength)) return 'accessor';
  return referencesFit(gltf) ? undefined : 'reference';
}

const isElsewhere = (uri: string | undefined): boolean => uri !== undefined && !uri.startsWith('data:');
/** meshopt's stand-in for a buffer that only the packed form has. */
const isFallback = (buffer: Record<string, unknown>): boolean =>
  (buffer.extensions as Record<string, unknown> | undefined)?.[MESHOPT] !== undefined;

function viewFits({ buffer, byteOffset = 0, byteLength, extensions: own }: View, binLength: number): boolean {
  const packed = own?.[MESHOPT] as Partial<Record<string, unknown>> | undefined;
  if (!packed) return buffer === 0 && byteOffset + byteLength <= binLength;
  const [at, length, stride, count] = [packed.byteOffset ?? 0, packed.byteLength, packed.byteStride, packed.count];
  if (![at, length, stride, count].every((v) => Number.isInteger(v) && (v as number) >= 0)) return false;
  const unpacked = (stride as number) * (count as number);
  return (
    packed.buffer === 0 &&
    (at as number) + (length as number) <= binLength &&
    unpacked === byteLength &&
    unpacked <= LIMITS.meshBytes &&
    unpacked <= MOST_UNPACKED_A_BYTE * (length as number)
  );
}

/** Bytes of an accessor's own array, once it is read; undefined where it reaches beyond its view or has none. */
function accessorBytes(accessor: Accessor, views: readonly View[], isUnpacked: boolean): number | undefined {
  const shape = SHAPES[accessor.type];
  const bytes = COMPONENT_BYTES[accessor.componentType];
  if (!shape || !bytes) return undefined;
  // columns of matrices begin at multiples of four bytes
  const column = shape[0] > 1 ? Math.ceil((shape[1] * bytes) / 4) * 4 : shape[1] * bytes;
  const element = shape[0] * column;
  const whole = accessor.count * element;
  if (accessor.bufferView !== undefined) {
    const view = views[accessor.bufferView];
    const offset = accessor.byteOffset ?? 0;
    if (!view || offset % bytes !== 0 || ((view.byteOffset ?? 0) + offset) % bytes !== 0) return undefined;
    const stride = view.byteStride ?? element;
    if (stride < element || offset + (accessor.count - 1) * stride + element > view.byteLength) return undefined;
  } else if (!accessor.sparse && !isUnpacked) return undefined;
  if (accessor.sparse && !sparseFits(accessor, views, element)) return undefined;
  return whole <= LIMITS.meshBytes ? whole : undefined;
}

function sparseFits({ sparse, count }: Accessor, views: readonly View[], element: number): boolean {
  if (!sparse) return true;
  const { indices, values } = sparse;
  const [at, held] = [views[indices.bufferView], views[values.bufferView]];
  const bytes = COMPONENT_BYTES[indices.componentType];
  if (!at || !held || !bytes || sparse.count > count) return false;
  return (
    (indices.byteOffset ?? 0) + sparse.count * bytes <= at.byteLength &&
    (values.byteOffset ?? 0) + sparse.count * element <= held.byteLength
  );
}

/** Accessors whose numbers come out of a packed primitive: they have no view of their own. */
function dracoAccessors({ meshes = [] }: GltfJson): ReadonlySet<number> {
  const packed = meshes.flatMap((mesh) => mesh.primitives).filter((one) => one.extensions?.[DRACO] !== undefined);
  return new Set(
    packed.flatMap((one) => [...Object.values(one.attributes), ...(one.indices === undefined ? [] : [one.indices])]),
  );
}

function referencesFit(gltf: GltfJson): boolean {
  const { accessors = [], meshes = [], nodes = [], scenes = [], materials = [], images = [], textures = [] } = gltf;
  const { bufferViews = [] } = gltf;
  const isIn = (i: number | undefined, rows: readonly unknown[]): boolean => i === undefined || i < rows.length;
  const drawn = meshes.flatMap((mesh) => mesh.primitives);
  return (
    drawn.every((one) => {
      const counts = Object.values(one.attributes).map((i) => accessors[i]?.count);
      const isEven = counts.every((count) => count !== undefined && count === counts[0]);
      return isEven && isIn(one.indices, accessors) && isIn(one.material, materials);
    }) &&
    nodes.every((node) => isIn(node.mesh, meshes) && (node.children ?? []).every((i) => isIn(i, nodes))) &&
    scenes.every((scene) => (scene.nodes ?? []).every((i) => isIn(i, nodes))) &&
    isIn(gltf.scene, scenes) &&
    images.every((image) => isIn(image.bufferView, bufferViews)) &&
    textures.every((texture) => isIn(texture.source, images))
  );
}
