import { fail, LIMITS, ok, type Failure, type MeshFault, type Result } from '../base/index.ts';
import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { PLY_BYTES, readPlyHeader, type PlyElement, type PlyHeader, type PlyProperty } from './plyHeader.ts';
import { decimal, wordsIn, type TextWord } from './readText.ts';

/** PLY, text or binary of either order -> mesh: places and polygons; other properties are passed over. */
export function readPly(bytes: Uint8Array): Result<PolygonMesh> {
  const header = readPlyHeader(bytes);
  if (typeof header === 'string') return broken(0, header);
  try {
    return new PlyBody(bytes, header).read(header.elements);
  } catch (error) {
    if (error instanceof RangeError) return broken(bytes.length, 'short');
    if (error instanceof PlyFault) return { ok: false, error: error.failure };
    throw error;
  }
}

const broken = (place: number, why: MeshFault): { ok: false; error: Failure } =>
  fail('MESH_BROKEN', { format: 'ply', place, why });

class PlyFault extends Error {
  readonly failure: Failure;

  constructor({ error }: { error: Failure }) {
    super(error.code);
    this.failure = error;
  }
}

type PlyRow = Map<string, number | number[]>;

class PlyBody {
  readonly #view: DataView;
  readonly #builder = new MeshBuilder();
  readonly #words: Generator<TextWord> | undefined;
  readonly #isLittle: boolean;
  #at: number;

  constructor(bytes: Uint8Array, { end, order }: PlyHeader) {
    this.#view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    this.#at = end;
    this.#words = order === 'text' ? wordsIn(bytes, end) : undefined;
    this.#isLittle = order === 'little';
  }

  read(elements: readonly PlyElement[]): Result<PolygonMesh> {
    const region = this.#builder.region('body', -1, -1);
    // indices count all vertices, wherever they stand in the file
    const count = elements.find(({ name }) => name === 'vertex')?.size ?? 0;
    for (const element of elements) {
      // one that holds nothing takes no room, however often it is there
      if (element.properties.length === 0) continue;
      for (let i = 0; i < element.size; i++) {
        const row = this.#row(element);
        if (element.name === 'vertex') this.#vertex(row);
        if (element.name === 'face') this.#face(row, count, region);
      }
    }
    const isDone = this.#words ? this.#words.next().done : this.#at === this.#view.byteLength;
    if (!isDone) return broken(this.#at, 'length');
    if (this.#builder.vertexCount !== count) return broken(this.#at, 'vertex');
    const mesh = this.#builder.finish();
    return mesh.region.length > 0 ? ok(mesh) : broken(this.#at, 'no faces');
  }

  #vertex(row: PlyRow): void {
    const [x, y, z] = ['x', 'y', 'z'].map((name) => row.get(name));
    if (typeof x !== 'number' || typeof y !== 'number' || typeof z !== 'number') throw this.#fault('vertex');
    if (!Number.isFinite(x + y + z)) throw this.#fault('vertex');
    this.#builder.vertex(x, y, z);
  }

  #face(row: PlyRow, count: number, region: number): void {
    const loop = row.get('vertex_indices') ?? row.get('vertex_index');
    if (!Array.isArray(loop)) throw this.#fault('property');
    if (loop.length < 3) throw this.#fault('corners');
    if (!loop.every((v) => Number.isInteger(v) && v >= 0 && v < count)) throw this.#fault('face');
    this.#builder.face(loop, region);
  }

  #fault(why: MeshFault): PlyFault {
    return new PlyFault(broken(this.#at, why));
  }

  #row({ properties }: PlyElement): PlyRow {
    const row: PlyRow = new Map();
    for (const property of properties)
      row.set(property.name, property.count === undefined ? this.#number(property.type) : this.#list(property));
    return row;
  }

  #list({ type, count = '' }: PlyProperty): number[] {
    const size = this.#number(count);
    if (!Number.isInteger(size) || size < 0) throw this.#fault('count');
    if (size * (this.#words ? 1 : PLY_BYTES[type]) > this.#view.byteLength) throw new RangeError('list');
    if (size > LIMITS.faceCorners)
      throw new PlyFault(fail('TOO_LARGE', { what: 'corners of one face', size, limit: LIMITS.faceCorners }));
    return Array.from({ length: size }, () => this.#number(type));
  }

  #number(type: string): number {
    if (this.#words) return this.#nextWord(this.#words);
    const at = this.#at;
    this.#at += PLY_BYTES[type];
    const [view, little] = [this.#view, this.#isLittle];
    switch (type) {
      case 'char':
      case 'int8':
        return view.getInt8(at);
      case 'uchar':
      case 'uint8':
        return view.getUint8(at);
      case 'short':
      case 'int16':
        return view.getInt16(at, little);
      case 'ushort':
      case 'uint16':
        return view.getUint16(at, little);
      case 'int':
      case 'int32':
        return view.getInt32(at, little);
      case 'uint':
      case 'uint32':
        return view.getUint32(at, little);
      case 'float':
      case 'float32':
        return view.getFloat32(at, little);
      default:
        return view.getFloat64(at, little);
    }
  }

  #nextWord(words: Generator<TextWord>): number {
    const next = words.next();
    if (next.done) throw new RangeError('short');
    this.#at = next.value.at;
    return decimal(next.value.word);
  }
}
