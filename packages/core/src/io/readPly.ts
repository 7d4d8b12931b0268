import { fail, LIMITS, ok, type Result } from '../base/index.ts';
import { wordsIn } from './readText.ts';
import { MeshBuilder, type PolygonMesh } from '../mesh/index.ts';

const SIZES: Readonly<Record<string, number>> = {
  char: 1, int8: 1, uchar: 1, uint8: 1, short: 2, int16: 2, ushort: 2, uint16: 2,
  int: 4, int32: 4, uint: 4, uint32: 4, float: 4, float32: 4, double: 8, float64: 8,
}; // prettier-ignore

interface Property {
  name: string;
  type: string;
  /** type of the count, for lists */
  count: string | undefined;
}

interface Element {
  name: string;
  size: number;
  properties: Property[];
}

/** PLY, text or binary little-endian -> mesh: places and polygons; other properties are passed over. */
export function readPly(bytes: Uint8Array): Result<PolygonMesh> {
  const header = readHeader(bytes);
  if (typeof header === 'string') return broken(0, header);
  try {
    return new PlyBody(bytes, header).read(header.elements);
  } catch (error) {
    if (error instanceof RangeError) return broken(bytes.length, 'short');
    throw error;
  }
}

const broken = (place: number, why: string): Result<PolygonMesh> => fail('MESH_BROKEN', { format: 'ply', place, why });

function readHeader(bytes: Uint8Array): { elements: Element[]; end: number; isText: boolean } | string {
  let text = '';
  for (let i = 0; i < Math.min(bytes.length, 65_536) && !text.endsWith('end_header\n'); i++)
    text += String.fromCharCode(bytes[i]);
  if (!text.startsWith('ply') || !text.endsWith('end_header\n')) return 'header';
  const lines = text.split('\n').map((line) => line.trim().split(/\s+/));
  const format = lines.find(([word]) => word === 'format')?.[1];
  if (format !== 'binary_little_endian' && format !== 'ascii') return 'order';
  const elements: Element[] = [];
  for (const [word, a, b, c, d] of lines) {
    if (word === 'element') elements.push({ name: a, size: Number(b), properties: [] });
    if (word !== 'property') continue;
    const property = a === 'list' ? { name: d, type: c, count: b } : { name: b, type: a, count: undefined };
    if (elements.length === 0 || !SIZES[property.type] || (property.count && !SIZES[property.count])) return 'header';
    elements[elements.length - 1].properties.push(property);
  }
  const isCount = (n: number): boolean => Number.isInteger(n) && n >= 0 && n <= 4 * LIMITS.meshFaces;
  return elements.every((e) => isCount(e.size)) ? { elements, end: text.length, isText: format === 'ascii' } : 'header';
}

class PlyBody {
  readonly #view: DataView;
  readonly #builder = new MeshBuilder();
  readonly #words: ReturnType<typeof wordsIn> | undefined;
  #at: number;

  constructor(bytes: Uint8Array, { end, isText }: { end: number; isText: boolean }) {
    this.#view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    this.#at = end;
    this.#words = isText ? wordsIn(bytes, end) : undefined;
  }

  read(elements: readonly Element[]): Result<PolygonMesh> {
    const region = this.#builder.region('body', -1, -1);
    for (const element of elements) {
      for (let i = 0; i < element.size; i++) {
        const row = this.#row(element);
        if (element.name === 'vertex') {
          const [x, y, z] = ['x', 'y', 'z'].map((name) => Number(row.get(name)));
          if (![x, y, z].every(Number.isFinite)) return broken(this.#at, 'vertex');
          this.#builder.vertex(x, y, z);
        }
        if (element.name === 'face') {
          const loop = row.get('vertex_indices') ?? row.get('vertex_index');
          const fits =
            Array.isArray(loop) && loop.length >= 3 && loop.every((v) => v >= 0 && v < this.#builder.vertexCount);
          if (!fits) return broken(this.#at, 'face');
          this.#builder.face(loop, region);
        }
      }
    }
    const mesh = this.#builder.finish();
    return mesh.region.length > 0 ? ok(mesh) : broken(this.#at, 'no faces');
  }

  #nextWord(words: ReturnType<typeof wordsIn>): number {
    const next = words.next();
    if (next.done) throw new RangeError('short');
    this.#at = next.value.at;
    return Number(next.value.word);
  }

  #row({ properties }: Element): Map<string, number | number[]> {
    const row = new Map<string, number | number[]>();
    for (const { name, type, count } of properties) {
      if (count === undefined) row.set(name, this.#number(type));
      else {
        const size = this.#number(count);
        if (size * SIZES[type] > this.#view.byteLength) throw new RangeError('list');
        row.set(
          name,
          Array.from({ length: size }, () => this.#number(type)),
        );
      }
    }
    return row;
  }

  #number(type: string): number {
    if (this.#words) return this.#nextWord(this.#words);
    const at = this.#at;
    this.#at += SIZES[type];
    const view = this.#view;
    switch (type) {
      case 'char': case 'int8': return view.getInt8(at);
      case 'uchar': case 'uint8': return view.getUint8(at);
      case 'short': case 'int16': return view.getInt16(at, true);
      case 'ushort': case 'uint16': return view.getUint16(at, true);
      case 'int': case 'int32': return view.getInt32(at, true);
      case 'uint': case 'uint32': return view.getUint32(at, true);
      case 'float': case 'float32': return view.getFloat32(at, true);
      default: return view.getFloat64(at, true);
    } // prettier-ignore
  }
}
