import {
  Document,
  WebIO,
  type Buffer as GltfBuffer,
  type Material,
  type Mesh,
  type Node,
  type Texture,
} from '@gltf-transform/core';
import { OnceBy, spelled, type TangentMaker } from '../base/index.ts';
import type { Finish } from '../document/index.ts';
import { afterwards, isStill, STILL, turnedBack, type Transform } from '../math/index.ts';
import { cornerNormals, triangulate, type PolygonMesh } from '../mesh/index.ts';
import { LinkedLevels } from './linkedLevels.ts';
import { finishKey, finishName, finishAt, lookOf, type LetterLook, type PieceLooks } from './looks.ts';
import { paintedMaterial, type Paints } from './paints.ts';
import type { FilePart, SceneGroup, WriteChoices } from './scenePart.ts';
import { cornerTangents, type TexturedRows } from './tangents.ts';

interface GlbOptions extends Pick<WriteChoices, 'name' | 'nodes'> {
  /** where texture coordinates get tangents */
  tangents?: TangentMaker | undefined;
}

/**
 * Binary glTF 2.0: triangles, a node a piece, a material a finish. The format is in metres; the points stay millimetres
 * on our grid, where 32-bit numbers are exact, and the top node scales by 0.001. The meshes must hold 32-bit values
 * already (toFloat32).
 */
export async function writeGlb(parts: readonly FilePart[], options: GlbOptions): Promise<Uint8Array> {
  const document = new Document();
  document.getRoot().getAsset().generator = 'Fictile';
  const shared: Shared = {
    document,
    buffer: document.createBuffer(),
    materials: new Map(),
    painted: new Map(),
    meshes: new OnceBy(),
  };
  if (parts.some(({ level = 0 }) => level > 0)) {
    linkedLevels(parts, options, shared);
    return new WebIO().registerExtensions([LinkedLevels]).writeBinary(document);
  }
  const top = document.createNode(options.name).setScale([METRES, METRES, METRES]);
  document.createScene(options.name).addChild(top);
  const tree = new GroupNodes(document, top);
  for (const part of parts) {
    const isAlone = parts.length === 1 && isStill(part.transform);
    const node = isAlone ? top : document.createNode(part.name);
    // alone it stands in no tree
    if (!isAlone) tree.hang(node, part.transform, parts.length > 1 ? (part.groups ?? []) : []);
    fill(node, part, options, { shared });
  }
  return new WebIO().writeBinary(document);
}

const METRES = 0.001;

/** A node for each group, its origin at the group's pivot, so that other programs turn it about that. */
class GroupNodes {
  readonly #document: Document;
  readonly #top: NodeInScene;
  readonly #byId = new Map<string, NodeInScene>();

  constructor(document: Document, top: Node) {
    this.#document = document;
    this.#top = { node: top, transform: STILL };
  }

  /** Puts a node, which stands somewhere in the scene, into its groups, the outermost first. */
  hang(node: Node, transform: Transform, groups: readonly SceneGroup[]): void {
    const parent = groups.reduce((outer, group) => this.#of(outer, group), this.#top);
    place(node, turnedBack(parent.transform, transform));
    parent.node.addChild(node);
  }

  #of(outer: NodeInScene, { id, name, transform, pivotMm }: SceneGroup): NodeInScene {
    const known = this.#byId.get(id);
    if (known) return known;
    const node = this.#document.createNode(name);
    const made = { node, transform: afterwards(transform, { rows: STILL.rows, move: pivotMm }) };
    place(node, turnedBack(outer.transform, made.transform));
    outer.node.addChild(node);
    this.#byId.set(id, made);
    return made;
  }
}

interface NodeInScene {
  node: Node;
  /** from its own space to the scene */
  transform: Transform;
}

/**
 * Programs put a coarser level in the place of its node, whose parents it then lacks: each node has the whole of its
 * place.
 */
function linkedLevels(parts: readonly FilePart[], options: GlbOptions, shared: Shared): void {
  const { document } = shared;
  const links = document.createExtension(LinkedLevels);
  const scene = document.createScene(options.name);
  const finest: Node[] = [];
  let count = 0;
  for (const part of parts) {
    const node = document.createNode(part.name);
    place(node, part.transform, METRES);
    fill(node, part, options, { shared });
    if (!part.level) {
      scene.addChild(node);
      finest.push(node);
    } else links.link(finest[count++ % finest.length], node);
  }
}

interface Shared {
  document: Document;
  buffer: GltfBuffer;
  materials: Map<string, Material>;
  /** of a model's own materials: their materials and pictures here */
  painted: Map<Paints, { materials: Map<number, Material>; textures: Map<number, Texture> }>;
  /** of parts that look alike too */
  meshes: OnceBy<PolygonMesh, NamedMesh[]>;
}

/** A mesh with the name of the node that it hangs on. */
interface NamedMesh {
  name: string;
  mesh: Mesh;
}

function place(node: Node, { rows, move }: Transform, scale = 1): void {
  const r = rows.map((value) => value * scale);
  const [x, y, z] = move.map((value) => value * scale);
  node.setMatrix([r[0], r[3], r[6], 0, r[1], r[4], r[7], 0, r[2], r[5], r[8], 0, x, y, z, 1]);
}

function fill(node: Node, part: FilePart, options: GlbOptions, { shared }: { shared: Shared }): void {
  const { slots, others, letters, paints } = part;
  const looks = spelled([slots, others, letters, paints === undefined]);
  const meshes = shared.meshes.get(part.mesh, looks, () => meshesOf(part, options, shared));
  if (options.nodes === 'one') for (const { mesh } of meshes) node.setMesh(mesh);
  else for (const { name, mesh } of meshes) node.addChild(shared.document.createNode(name).setMesh(mesh));
}

/** One, or one a letter. */
function meshesOf(part: FilePart, options: GlbOptions, shared: Shared): NamedMesh[] {
  const { mesh, letters, name } = part;
  const writer = new Writer(shared, part, options.tangents);
  if (options.nodes === 'one') return mesh.region.length > 0 ? [{ name, mesh: writer.mesh(name, () => true) }] : [];
  const present = [...new Set(mesh.regions.map((r) => r.letter))].sort((a, b) => a - b);
  return present.map((letter) => {
    const own = `${letters[letter]?.text ?? 'rest'} ${letter + 1}`;
    return { name: own, mesh: writer.mesh(own, (l) => l === letter) };
  });
}

class Writer {
  readonly #shared: Shared;
  readonly #mesh: PolygonMesh;
  readonly #looks: PieceLooks;
  readonly #letters: readonly LetterLook[];
  readonly #tangents: TangentMaker | undefined;
  readonly #paints: Paints | undefined;
  readonly #normals: Float64Array;
  readonly #triangles: { corners: Uint32Array; face: Uint32Array };

  constructor(shared: Shared, { mesh, slots, others, letters, paints }: FilePart, tangents: TangentMaker | undefined) {
    this.#paints = paints;
    this.#tangents = tangents;
    this.#shared = shared;
    this.#letters = letters;
    this.#mesh = mesh;
    this.#looks = { slots, others };
    this.#normals = cornerNormals(mesh);
    this.#triangles = triangulate(mesh);
  }

  mesh(name: string, takes: (letter: number) => boolean): Mesh {
    const made = this.#shared.document.createMesh(name);
    const groups = new Map<string, { material: () => Material; corners: number[] }>();
    const { face } = this.#triangles;
    for (let t = 0; t < face.length; t++) {
      const region = this.#mesh.regions[this.#mesh.region[face[t]]];
      if (!takes(region.letter)) continue;
      const own = this.#letters[region.letter]?.finish;
      const finish = own ?? finishAt(this.#looks, region);
      const key = own
        ? finishKey(own)
        : `${region.part} ${region.of === undefined ? '' : finishKey(finish)} ${region.paint ?? ''}`;
      const material = (): Material => (own ? undefined : this.#painted(region.paint)) ?? this.#material(finish);
      const group = groups.get(key) ?? { material, corners: [] };
      group.corners.push(...this.#triangles.corners.subarray(3 * t, 3 * t + 3));
      groups.set(key, group);
    }
    for (const { material, corners } of groups.values()) made.addPrimitive(this.#primitive(material(), corners));
    return made;
  }

  #primitive(material: Material, corners: readonly number[]): ReturnType<Document['createPrimitive']> {
    const positions: number[] = [];
    const normals: number[] = [];
    const uvs: number[] = [];
    const tangents: number[] = [];
    const { uv } = this.#mesh;
    const made = uv && this.#tangents && cornerTangents(this.#cornerRows(corners, uv), this.#tangents);
    const rows = new Map<string, number>();
    const indices = corners.map((c, i) => {
      const v = this.#mesh.faceVertices[c];
      const normal = this.#normalOf(c);
      const at = uv ? [uv[2 * c], uv[2 * c + 1]] : [];
      const tangent = made ? Array.from(made.subarray(4 * i, 4 * i + 4)) : [];
      const key = `${v} ${normal.join(' ')} ${at.join(' ')} ${tangent.join(' ')}`;
      let row = rows.get(key);
      if (row === undefined) {
        row = rows.size;
        rows.set(key, row);
        positions.push(...this.#mesh.positions.subarray(v * 3, v * 3 + 3));
        normals.push(...normal);
        uvs.push(...at);
        tangents.push(...tangent);
      }
      return row;
    });
    const index = positions.length / 3 < 65_535 ? new Uint16Array(indices) : new Uint32Array(indices);
    const { document, buffer } = this.#shared;
    const primitive = document
      .createPrimitive()
      .setIndices(document.createAccessor().setType('SCALAR').setArray(index).setBuffer(buffer))
      .setAttribute('POSITION', this.#vectors(positions, 'VEC3'))
      .setAttribute('NORMAL', this.#vectors(normals, 'VEC3'))
      .setMaterial(material);
    if (!uv) return primitive;
    // in this format texture coordinates count from the top
    primitive.setAttribute(
      'TEXCOORD_0',
      this.#vectors(
        uvs.map((value, i) => (i % 2 === 1 ? 1 - value : value)),
        'VEC2',
      ),
    );
    if (made) primitive.setAttribute('TANGENT', this.#vectors(tangents, 'VEC4'));
    return primitive;
  }

  #normalOf(c: number): number[] {
    return [0, 1, 2].map((k) => Math.fround(this.#normals[c * 3 + k]));
  }

  /** Row by row as corners come, none shared. */
  #cornerRows(corners: readonly number[], uv: Float32Array): TexturedRows {
    const { positions: p, faceVertices } = this.#mesh;
    const numbers = (arity: number): Float32Array => new Float32Array(arity * corners.length);
    const rows = { positions: numbers(3), normals: numbers(3), uvs: numbers(2) };
    corners.forEach((c, i) => {
      rows.positions.set(p.subarray(3 * faceVertices[c], 3 * faceVertices[c] + 3), 3 * i);
      rows.normals.set(this.#normalOf(c), 3 * i);
      rows.uvs.set(uv.subarray(2 * c, 2 * c + 2), 2 * i);
    });
    return rows;
  }

  #vectors(values: readonly number[], type: 'VEC2' | 'VEC3' | 'VEC4'): ReturnType<Document['createAccessor']> {
    const { document, buffer } = this.#shared;
    return document.createAccessor().setType(type).setArray(new Float32Array(values)).setBuffer(buffer);
  }

  /** A model's own material; undefined where it has none. */
  #painted(paint: number | undefined): Material | undefined {
    const paints = this.#paints;
    if (!paints || paint === undefined) return undefined;
    const { document, painted } = this.#shared;
    const made = painted.get(paints) ?? {
      materials: new Map<number, Material>(),
      textures: new Map<number, Texture>(),
    };
    painted.set(paints, made);
    const material =
      made.materials.get(paint) ??
      paintedMaterial(document, paints, paint, { hasUv: this.#mesh.uv !== undefined, textures: made.textures });
    made.materials.set(paint, material);
    return material;
  }

  #material(finish: Finish): Material {
    const { document, materials } = this.#shared;
    const key = finishKey(finish);
    let material = materials.get(key);
    if (!material) {
      const { colour, roughness, metallic, emissive } = lookOf(finish);
      material = document
        .createMaterial(finishName(finish))
        .setBaseColorFactor([...colour, 1])
        .setRoughnessFactor(roughness)
        .setMetallicFactor(metallic)
        .setEmissiveFactor(emissive);
      materials.set(key, material);
    }
    return material;
  }
}
