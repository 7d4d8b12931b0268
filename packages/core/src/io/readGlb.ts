import { Logger, Primitive, WebIO, type Accessor, type Document, type GLTF } from '@gltf-transform/core';
import {
  EXTMeshoptCompression,
  KHRDracoMeshCompression,
  KHRMeshQuantization,
  KHRTextureTransform,
} from '@gltf-transform/extensions';
import { fail, LIMITS, ok, type LoadUnpacker, type Result } from '../base/index.ts';
import { MeshBuilder, weld, type PolygonMesh } from '../mesh/index.ts';
import { glbFault, openGlb, type GlbFile } from './glbFile.ts';
import { placedMeshes, type Matrix4, type PlacedNode } from './glbScene.ts';
import { inLevel } from './levels.ts';
import { paintGroundOf, onGround } from './paintGround.ts';
import { paintsOf, type Paints } from './paints.ts';

/**
 * A GLB as one mesh of triangles, joined where points are equal, in metres as the format asks, with the names it gives.
 */
export interface ReadGlb {
  mesh: PolygonMesh;
  /** of the nodes that hold faces */
  nodes: string[];
  materials: string[];
  /** where they are asked for: faces are marked with them, and have their texture coordinates */
  paints?: Paints;
  /** of detail; one was read */
  levels: number;
}

export interface ReadOptions {
  painted?: boolean;
  /** more are refused before anything is made of them */
  mostFaces?: number;
  /** of a file with several levels of detail: 0, the finest, unless another is asked for */
  level?: number;
}

/**
 * Binary glTF 2.0 -> the meshes of its scene as one; motion and cameras are passed over, and materials with their
 * pictures unless they are `painted`. Counts, lengths and references are held against the file before anything is made
 * of them (glbBounds.ts).
 */
export async function readGlb(
  bytes: Uint8Array,
  unpacker?: LoadUnpacker,
  { painted = false, mostFaces = LIMITS.meshFaces, level = 0 }: ReadOptions = {},
): Promise<Result<ReadGlb>> {
  const file = openGlb(bytes);
  if (!file.ok) return file;
  if (file.value.packed && !unpacker) return glbFault(20, 'packed');
  const all = placedMeshes(file.value.json);
  if (typeof all === 'string') return glbFault(20, all);
  const { parts: placed, levels } = inLevel(all, level);
  const { faces, parts } = sizeOf(file.value, placed);
  if (faces > mostFaces) return fail('TOO_LARGE', { what: 'faces', size: faces, limit: mostFaces });
  if (parts > LIMITS.meshParts)
    return fail('TOO_LARGE', { what: 'parts of meshes', size: parts, limit: LIMITS.meshParts });
  try {
    const read = gather(await documentOf(file.value, unpacker), placed, painted);
    return read.ok ? ok({ ...read.value, levels }) : read;
  } catch {
    return glbFault(20, 'data');
  }
}

/** Meshes, materials and pictures by the library's reader; the tree of nodes is walked here. */
async function documentOf({ json, bin, packed }: GlbFile, unpacker?: LoadUnpacker): Promise<Document> {
  const io = new WebIO().setLogger(new Logger(Logger.Verbosity.SILENT)).registerExtensions(READ);
  if (packed && unpacker) io.registerDependencies({ [packed.decoder]: await unpacker(packed.packing) });
  const left = { nodes: [], scenes: [], scene: undefined, animations: [], skins: [], cameras: [] };
  const kept = { ...json, ...left } as unknown as GLTF.IGLTF;
  return io.readJSON({ json: kept, resources: bin.length > 0 ? { [GLB_BIN]: bin as Uint8Array<ArrayBuffer> } : {} });
}

const READ = [EXTMeshoptCompression, KHRDracoMeshCompression, KHRMeshQuantization, KHRTextureTransform];

/** What the library calls the file's own bytes. */
const GLB_BIN = '@glb.bin';

/** What the file says of its faces and parts, each mesh as often as it stands in the scene. */
function sizeOf({ json }: GlbFile, placed: readonly PlacedNode[]): { faces: number; parts: number } {
  const { meshes = [], accessors = [] } = json;
  const ofMesh = meshes.map(({ primitives }) =>
    primitives.reduce((sum, { indices, attributes, mode = Primitive.Mode.TRIANGLES }) => {
      const corners = accessors[indices ?? attributes.POSITION]?.count ?? 0;
      return sum + (mode === Primitive.Mode.TRIANGLES ? Math.floor(corners / 3) : corners);
    }, 0),
  );
  const sum = (of: (mesh: number) => number): number => placed.reduce((all, { mesh }) => all + of(mesh), 0);
  return { faces: sum((mesh) => ofMesh[mesh]), parts: sum((mesh) => meshes[mesh].primitives.length) };
}

function gather(document: Document, placed: readonly PlacedNode[], painted: boolean): Result<Omit<ReadGlb, 'levels'>> {
  const builder = new MeshBuilder();
  const { paints, grounds = [] } = painted ? paintsOf(document) : {};
  const number = new Map((paints ? document.getRoot().listMaterials() : []).map((material, i) => [material, i]));
  const meshes = document.getRoot().listMeshes();
  const uv: number[] = [];
  const nodes: string[] = [];
  let faces = 0;
  for (const { mesh, name, world } of placed) {
    nodes.push(name);
    for (const primitive of meshes[mesh].listPrimitives()) {
      const loops = trianglesOf(primitive);
      if (!loops) return glbFault(20, 'face');
      faces += loops.length / 3;
      const first = builder.vertexCount;
      const material = primitive.getMaterial();
      const at = material ? number.get(material) : undefined;
      const region = builder.region('body', -1, -1, at);
      const ground = at === undefined ? paintGroundOf(null) : grounds[at];
      const laid = paints && coordinatesOf(primitive, ground.set);
      if (!addPlaces(builder, primitive, world)) return glbFault(20, 'vertex');
      for (let c = 0; c < loops.length; c++) {
        builder.corner(first + loops[c]);
        if (c % 3 === 2) builder.endFace(region);
        if (paints) uv.push(...(laid ? onGround(laid.getElement(loops[c], []), ground) : [0, 0]));
      }
    }
  }
  if (faces === 0) return glbFault(20, 'no faces');
  const mesh = { ...builder.finish(), ...(paints && { uv: new Float32Array(uv) }) };
  const materials = document.getRoot().listMaterials();
  return ok({ mesh: weld(mesh), nodes, materials: materials.map((m) => m.getName()), ...(paints && { paints }) });
}

/** One pair a vertex; undefined where there are none or too few. */
function coordinatesOf(primitive: Primitive, set: number): Accessor | undefined {
  const found = primitive.getAttribute(`TEXCOORD_${set}`);
  return found && found.getCount() >= (primitive.getAttribute('POSITION')?.getCount() ?? 0) ? found : undefined;
}

/**
 * Three vertices a triangle, of lists, strips and fans (glTF 2.0, 3.7.2.1); none of points and lines. Undefined: a
 * vertex that is not there, or a list cut short.
 */
function trianglesOf(primitive: Primitive): Uint32Array | undefined {
  const count = primitive.getAttribute('POSITION')?.getCount() ?? 0;
  const index = primitive.getIndices()?.getArray();
  const size = index?.length ?? count;
  const at = (i: number): number => index?.[i] ?? i;
  for (let i = 0; i < size; i++) if (at(i) >= count) return undefined;
  const mode = primitive.getMode();
  const { TRIANGLES, TRIANGLE_STRIP, TRIANGLE_FAN } = Primitive.Mode;
  if (mode === TRIANGLES) return size % 3 === 0 ? Uint32Array.from({ length: size }, (_, i) => at(i)) : undefined;
  if (mode !== TRIANGLE_STRIP && mode !== TRIANGLE_FAN) return new Uint32Array(0);
  const out = new Uint32Array(3 * Math.max(0, size - 2));
  for (let t = 0; t + 2 < size; t++) {
    const [a, b, c] = mode === TRIANGLE_FAN ? [t + 1, t + 2, 0] : [t, t + 1 + (t % 2), t + 2 - (t % 2)];
    out.set([at(a), at(b), at(c)], 3 * t);
  }
  return out;
}

/** False where one of them is no number. */
function addPlaces(builder: MeshBuilder, primitive: Primitive, m: Matrix4): boolean {
  const position = primitive.getAttribute('POSITION');
  const count = position?.getCount() ?? 0;
  const element: number[] = [];
  for (let i = 0; i < count; i++) {
    const [x, y, z] = position?.getElement(i, element) ?? [];
    const place = [0, 1, 2].map((k) => m[k] * x + m[4 + k] * y + m[8 + k] * z + m[12 + k]);
    if (!place.every(Number.isFinite)) return false;
    builder.vertex(place[0], place[1], place[2]);
  }
  return true;
}
