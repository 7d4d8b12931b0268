import { Document, WebIO, type Buffer as GltfBuffer, type Material, type Mesh } from '@gltf-transform/core';
import { cornerNormals, triangulate, type Part, type PolygonMesh } from '../mesh/index.ts';
import { PART_LOOKS } from './partLooks.ts';

export interface GlbOptions {
  name: string;
  /** one node for everything, or one a letter, named after it */
  nodes: 'one' | 'letters';
  /** texts of the letters by their number in the regions */
  letters: readonly string[];
}

/**
 * Binary glTF 2.0: triangles, a material a part. The format is in metres; the points stay millimetres on our grid, where 32-bit numbers
 * are exact, and the top node scales by 0.001. The mesh must hold 32-bit values already (toFloat32).
 */
export async function writeGlb(mesh: PolygonMesh, options: GlbOptions): Promise<Uint8Array> {
  const document = new Document();
  document.getRoot().getAsset().generator = 'Fictile';
  const buffer = document.createBuffer();
  const writer = new Writer(document, buffer, mesh);
  const top = document.createNode(options.name).setScale([0.001, 0.001, 0.001]);
  document.createScene(options.name).addChild(top);
  if (options.nodes === 'one') {
    if (mesh.region.length > 0) top.setMesh(writer.mesh(options.name, () => true));
  } else {
    const present = [...new Set(mesh.regions.map((r) => r.letter))].sort((a, b) => a - b);
    for (const letter of present) {
      const name = `${options.letters[letter] ?? 'rest'} ${letter + 1}`;
      top.addChild(document.createNode(name).setMesh(writer.mesh(name, (l) => l === letter)));
    }
  }
  return new WebIO().writeBinary(document);
}

class Writer {
  readonly #document: Document;
  readonly #buffer: GltfBuffer;
  readonly #mesh: PolygonMesh;
  readonly #normals: Float64Array;
  readonly #triangles: { corners: Uint32Array; face: Uint32Array };
  readonly #materials = new Map<Part, Material>();

  constructor(document: Document, buffer: GltfBuffer, mesh: PolygonMesh) {
    this.#document = document;
    this.#buffer = buffer;
    this.#mesh = mesh;
    this.#normals = cornerNormals(mesh);
    this.#triangles = triangulate(mesh);
  }

  mesh(name: string, takes: (letter: number) => boolean): Mesh {
    const made = this.#document.createMesh(name);
    const corners = new Map<Part, number[]>();
    const { face } = this.#triangles;
    for (let t = 0; t < face.length; t++) {
      const region = this.#mesh.regions[this.#mesh.region[face[t]]];
      if (!takes(region.letter)) continue;
      const row = corners.get(region.part) ?? [];
      row.push(...this.#triangles.corners.subarray(3 * t, 3 * t + 3));
      corners.set(region.part, row);
    }
    for (const [part, row] of corners) made.addPrimitive(this.#primitive(part, row));
    return made;
  }

  #primitive(part: Part, corners: readonly number[]): ReturnType<Document['createPrimitive']> {
    const positions: number[] = [];
    const normals: number[] = [];
    const rows = new Map<string, number>();
    const indices = corners.map((c) => {
      const v = this.#mesh.faceVertices[c];
      const normal = [0, 1, 2].map((k) => Math.fround(this.#normals[c * 3 + k]));
      const key = `${v} ${normal.join(' ')}`;
      let row = rows.get(key);
      if (row === undefined) {
        row = rows.size;
        rows.set(key, row);
        positions.push(...this.#mesh.positions.subarray(v * 3, v * 3 + 3));
        normals.push(...normal);
      }
      return row;
    });
    const index = positions.length / 3 < 65_535 ? Uint16Array.from(indices) : Uint32Array.from(indices);
    return this.#document
      .createPrimitive()
      .setIndices(this.#document.createAccessor().setType('SCALAR').setArray(index).setBuffer(this.#buffer))
      .setAttribute('POSITION', this.#vectors(positions))
      .setAttribute('NORMAL', this.#vectors(normals))
      .setMaterial(this.#material(part));
  }

  #vectors(values: readonly number[]): ReturnType<Document['createAccessor']> {
    return this.#document.createAccessor().setType('VEC3').setArray(Float32Array.from(values)).setBuffer(this.#buffer);
  }

  #material(part: Part): Material {
    let material = this.#materials.get(part);
    if (!material) {
      const { colour, roughness } = PART_LOOKS[part];
      material = this.#document
        .createMaterial(part)
        .setBaseColorFactor([...colour, 1])
        .setRoughnessFactor(roughness)
        .setMetallicFactor(0);
      this.#materials.set(part, material);
    }
    return material;
  }
}
