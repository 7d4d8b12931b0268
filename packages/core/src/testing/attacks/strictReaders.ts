import type { MeshFormat } from '../../io/index.ts';
import { strictTextOf } from './text.ts';

type Point = readonly number[];
export type Loops = Point[][];

/**
 * Second readers for mesh files, written from the formats' descriptions alone and without regard to speed: faces as
 * loops of places, or
 * undefined where a file is not as the format asks. They share nothing with the readers that are judged by them.
 */
export const STRICT: Readonly<Record<MeshFormat, (bytes: Uint8Array) => Loops | undefined>> = {
  obj: guarded(strictObj),
  stl: guarded(strictStl),
  ply: guarded(strictPly),
  glb: guarded(strictGlb),
};

class Wrong extends Error {}
const need: (holds: boolean) => asserts holds = (holds) => {
  if (!holds) throw new Wrong();
};

function guarded(read: (bytes: Uint8Array) => Loops): (bytes: Uint8Array) => Loops | undefined {
  return (bytes) => {
    try {
      const loops = read(bytes);
      return loops.length > 0 && loops.flat(2).every(Number.isFinite) ? loops : undefined;
    } catch {
      return undefined;
    }
  };
}

const latin = (bytes: Uint8Array): string => Array.from(bytes, (b) => String.fromCharCode(b)).join('');

function numeral(word: string | undefined): number {
  need(word !== undefined && /^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d+)?$/.test(word));
  return Number(word);
}

function whole(word: string | undefined): number {
  const value = numeral(word);
  need(Number.isInteger(value));
  return value;
}

function strictObj(bytes: Uint8Array): Loops {
  const points: Point[] = [];
  const loops: Loops = [];
  need(bytes.every((b) => b >= 32 || (b >= 9 && b <= 13)));
  for (const line of latin(bytes)
    .replace(/\\\r?\n/g, ' ')
    .split('\n')) {
    const [kind, ...rest] = line.split(/[\s]+/).filter((word) => word !== '');
    if (kind === 'v') points.push(rest.slice(0, 3).concat(Array(3)).slice(0, 3).map(numeral));
    if (kind !== 'f') continue;
    need(rest.length >= 3);
    loops.push(
      rest.map((corner) => {
        const i = whole(corner.split('/')[0]);
        const at = i > 0 ? i - 1 : points.length + i;
        need(i !== 0 && at >= 0 && at < points.length);
        return points[at];
      }),
    );
  }
  return loops;
}

function strictStl(bytes: Uint8Array): Loops {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = bytes.length >= 84 ? view.getUint32(80, true) : -1;
  if (84 + 50 * count === bytes.length)
    return Array.from({ length: count }, (_, t) =>
      [0, 1, 2].map((k) => [0, 1, 2].map((c) => view.getFloat32(84 + 50 * t + 12 + 12 * k + 4 * c, true))),
    );
  const loops: Loops = [];
  const solid = /^\s*solid\b[^\r\n]*[\r\n]([\s\S]*?)[\s]endsolid\b[^\r\n]*/i;
  let text = latin(bytes);
  while (text.trim() !== '') {
    const found = solid.exec(text);
    need(found !== null);
    const words = found[1]
      .toLowerCase()
      .split(/\s+/)
      .filter((word) => word !== '');
    for (let i = 0; i < words.length; i += 21) {
      const fixed: [number, string][] = [
        [0, 'facet'],
        [1, 'normal'],
        [5, 'outer'],
        [6, 'loop'],
        [7, 'vertex'],
        [11, 'vertex'],
        [15, 'vertex'],
        [19, 'endloop'],
        [20, 'endfacet'],
      ];
      need(fixed.every(([k, word]) => words[i + k] === word));
      loops.push([8, 12, 16].map((k) => [0, 1, 2].map((c) => numeral(words[i + k + c]))));
    }
    text = text.slice(found[0].length);
  }
  return loops;
}

const PLY_TYPES: Readonly<Record<string, [number, (v: DataView, at: number, little: boolean) => number]>> = {
  char: [1, (v, at) => v.getInt8(at)],
  uchar: [1, (v, at) => v.getUint8(at)],
  short: [2, (v, at, l) => v.getInt16(at, l)],
  ushort: [2, (v, at, l) => v.getUint16(at, l)],
  int: [4, (v, at, l) => v.getInt32(at, l)],
  uint: [4, (v, at, l) => v.getUint32(at, l)],
  float: [4, (v, at, l) => v.getFloat32(at, l)],
  double: [8, (v, at, l) => v.getFloat64(at, l)],
};
const PLY_OTHER: Readonly<Record<string, string>> = {
  int8: 'char',
  uint8: 'uchar',
  int16: 'short',
  uint16: 'ushort',
  int32: 'int',
  uint32: 'uint',
  float32: 'float',
  float64: 'double',
};

function strictPly(bytes: Uint8Array): Loops {
  const text = latin(bytes);
  const end = /(^|\n)[ \t]*end_header[ \t]*\r?\n/.exec(text);
  need(end !== null);
  const lines = text
    .slice(0, end.index)
    .split('\n')
    .map((line) => line.trim().split(/\s+/));
  need(lines[0].join(' ') === 'ply');
  const format = lines.find(([word]) => word === 'format');
  need(format?.[2] === '1.0');
  const next = plyNumbers(bytes, end.index + end[0].length, format[1]);
  const points: Point[] = [];
  const faces: number[][] = [];
  let rows: { name: string; count: number; properties: string[][] }[] = [];
  for (const [word, ...rest] of lines) {
    if (word === 'element') rows = [...rows, { name: rest[0], count: whole(rest[1]), properties: [] }];
    if (word === 'property') rows[rows.length - 1].properties.push(rest);
  }
  for (const { name, count, properties } of rows)
    for (let i = 0; i < (properties.length > 0 ? count : 0); i++) {
      const row = new Map<string, number | number[]>();
      for (const p of properties)
        if (p[0] !== 'list') row.set(p[1], next.read(p[0]));
        else {
          const length = next.read(p[1]);
          need(Number.isInteger(length) && length >= 0 && length < 1e5);
          row.set(
            p[3],
            Array.from({ length }, () => next.read(p[2])),
          );
        }
      if (name === 'vertex') points.push(['x', 'y', 'z'].map((axis) => row.get(axis) as number));
      if (name === 'face') faces.push((row.get('vertex_indices') ?? row.get('vertex_index')) as number[]);
    }
  need(next.isDone());
  return faces.map((face) => {
    need(face.length >= 3 && face.every((i) => Number.isInteger(i) && i >= 0 && i < points.length));
    return face.map((i) => points[i]);
  });
}

function plyNumbers(bytes: Uint8Array, start: number, order: string) {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let at = start;
  const words =
    order === 'ascii'
      ? latin(bytes.subarray(start))
          .split(/\s+/)
          .filter((word) => word !== '')
      : [];
  need(order === 'ascii' || order === 'binary_little_endian' || order === 'binary_big_endian');
  let word = 0;
  return {
    read: (type: string): number => {
      const [size, get] = PLY_TYPES[PLY_OTHER[type] ?? type];
      if (order === 'ascii') {
        need(word < words.length);
        // what is read over may be anything; a place or an index that is none is found later
        return /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i.test(words[word++]) ? Number(words[word - 1]) : NaN;
      }
      at += size;
      return get(view, at - size, order === 'binary_little_endian');
    },
    isDone: () => (order === 'ascii' ? word === words.length : at === bytes.length),
  };
}

interface Gltf {
  accessors: { bufferView: number; byteOffset?: number; componentType: number; count: number; type: string }[];
  bufferViews: { buffer: number; byteOffset?: number; byteLength: number; byteStride?: number }[];
  meshes: { primitives: { attributes: { POSITION: number }; indices?: number; mode?: number }[] }[];
  nodes: {
    mesh?: number;
    children?: number[];
    matrix?: number[];
    translation?: number[];
    rotation?: number[];
    scale?: number[];
  }[];
  scenes: { nodes?: number[] }[];
  scene?: number;
}

function strictGlb(bytes: Uint8Array): Loops {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  need(view.getUint32(0, true) === 0x46546c67 && view.getUint32(4, true) === 2);
  need(view.getUint32(8, true) === bytes.length && view.getUint32(16, true) === 0x4e4f534a);
  const size = view.getUint32(12, true);
  const gltf = JSON.parse(strictTextOf(bytes.subarray(20, 20 + size))) as Gltf;
  const binSize = view.getUint32(20 + size, true);
  need(view.getUint32(24 + size, true) === 0x004e4942 && 28 + size + binSize <= bytes.length);
  const bin = new DataView(bytes.buffer, bytes.byteOffset + 28 + size, binSize);
  const loops: Loops = [];
  const walk = (i: number, path: number[], outer: (p: Point) => Point): void => {
    need(!path.includes(i) && i < gltf.nodes.length);
    const node = gltf.nodes[i];
    const place = (p: Point): Point => outer(moved(p, node));
    if (node.mesh !== undefined)
      for (const primitive of gltf.meshes[node.mesh].primitives)
        loops.push(...facesOf(gltf, bin, primitive).map((face) => face.map(place)));
    for (const child of node.children ?? []) walk(child, [...path, i], place);
  };
  for (const root of gltf.scenes[gltf.scene ?? 0].nodes ?? []) walk(root, [], (p) => p);
  return loops;
}

function moved(
  [x, y, z]: Point,
  { matrix: m, translation: t = [0, 0, 0], rotation: r = [0, 0, 0, 1], scale: s = [1, 1, 1] }: Gltf['nodes'][number],
): Point {
  if (m) return [0, 1, 2].map((k) => m[k] * x + m[4 + k] * y + m[8 + k] * z + m[12 + k]);
  const [a, b, c] = [x * s[0], y * s[1], z * s[2]];
  // v + 2 q x (q x v + w v)
  const [u, v, w] = [r[1] * c - r[2] * b + r[3] * a, r[2] * a - r[0] * c + r[3] * b, r[0] * b - r[1] * a + r[3] * c];
  return [
    a + 2 * (r[1] * w - r[2] * v) + t[0],
    b + 2 * (r[2] * u - r[0] * w) + t[1],
    c + 2 * (r[0] * v - r[1] * u) + t[2],
  ];
}

function facesOf(
  gltf: Gltf,
  bin: DataView,
  { attributes, indices, mode = 4 }: Gltf['meshes'][number]['primitives'][number],
): Loops {
  if (mode < 4) return [];
  const places = elements(gltf, bin, attributes.POSITION);
  need(
    gltf.accessors[attributes.POSITION].type === 'VEC3' && gltf.accessors[attributes.POSITION].componentType === 5126,
  );
  const order = indices === undefined ? places.map((_, i) => i) : elements(gltf, bin, indices).map(([i]) => i);
  need(order.every((i) => i < places.length));
  const triples: number[][] = [];
  if (mode === 4) for (let i = 0; i < order.length; i += 3) triples.push([order[i], order[i + 1], order[i + 2]]);
  if (mode === 5)
    for (let i = 0; i + 2 < order.length; i++)
      triples.push(i % 2 ? [order[i], order[i + 2], order[i + 1]] : [order[i], order[i + 1], order[i + 2]]);
  if (mode === 6) for (let i = 1; i + 1 < order.length; i++) triples.push([order[i], order[i + 1], order[0]]);
  need(triples.every((three) => three.every((i) => i !== undefined)));
  return triples.map((three) => three.map((i) => places[i]));
}

function elements({ accessors, bufferViews }: Gltf, bin: DataView, i: number): number[][] {
  const { bufferView, byteOffset = 0, componentType, count, type } = accessors[i];
  const { byteOffset: start = 0, byteLength, byteStride, buffer } = bufferViews[bufferView];
  const read = { 5121: 'getUint8', 5123: 'getUint16', 5125: 'getUint32', 5126: 'getFloat32' }[
    componentType
  ] as 'getFloat32';
  const bytes = { 5121: 1, 5123: 2, 5125: 4, 5126: 4 }[componentType] as number;
  const width = { SCALAR: 1, VEC2: 2, VEC3: 3, VEC4: 4 }[type] as number;
  const stride = byteStride ?? bytes * width;
  need(buffer === 0 && start >= 0 && byteOffset >= 0 && start + byteLength <= bin.byteLength && count >= 1);
  need(byteOffset + (count - 1) * stride + bytes * width <= byteLength);
  return Array.from({ length: count }, (_, k) =>
    Array.from({ length: width }, (_, c) => bin[read](start + byteOffset + k * stride + c * bytes, true)),
  );
}
