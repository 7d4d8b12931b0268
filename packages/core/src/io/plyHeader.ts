import { LIMITS, type MeshFault } from '../base/index.ts';
import { latin1 } from './readText.ts';

/** Bytes of PLY's types. */
export const PLY_BYTES: Readonly<Record<string, number>> = {
  char: 1,
  int8: 1,
  uchar: 1,
  uint8: 1,
  short: 2,
  int16: 2,
  ushort: 2,
  uint16: 2,
  int: 4,
  int32: 4,
  uint: 4,
  uint32: 4,
  float: 4,
  float32: 4,
  double: 8,
  float64: 8,
};

export interface PlyProperty {
  name: string;
  type: string;
  /** type of the count, for lists */
  count: string | undefined;
}

export interface PlyElement {
  name: string;
  size: number;
  properties: PlyProperty[];
}

export interface PlyHeader {
  elements: PlyElement[];
  /** where the body begins */
  end: number;
  order: 'text' | 'little' | 'big';
}

const ORDERS: Readonly<Record<string, PlyHeader['order']>> = {
  ascii: 'text',
  binary_little_endian: 'little',
  binary_big_endian: 'big',
};
const LONGEST = 65_536;
const MOST_PROPERTIES = 1000;
/** A number and the space after it. */
const BYTES_OF_WORD = 2;

/**
 * The lines before the body (Turk's description of PLY, 1994), held against the length of the file: what they count
 * must fit into it.
 */
export function readPlyHeader(bytes: Uint8Array): PlyHeader | MeshFault {
  const lines = linesOf(bytes);
  if (latin1(bytes, 0, 3) !== 'ply') return 'start';
  if (!lines) return 'short';
  if (lines.rows[0] !== 'ply') return 'start';
  const rows = lines.rows.map((line) => line.split(/\s+/));
  const [, format = '', version] = rows.find(([word]) => word === 'format') ?? [];
  const order = Object.hasOwn(ORDERS, format) && version === '1.0' ? ORDERS[format] : undefined;
  const elements = elementsOf(rows);
  if (!order || typeof elements === 'string') return typeof elements === 'string' ? elements : 'version';
  const left = bytes.length - lines.end;
  const least = elements.reduce((sum, one) => sum + one.size * leastBytes(one, order === 'text'), 0);
  // the last number of a text needs nothing behind it
  if (least > left + (order === 'text' ? 1 : 0)) return 'short';
  return { elements, end: lines.end, order };
}

/** Undefined: the header has no end. */
function linesOf(bytes: Uint8Array): { rows: string[]; end: number } | undefined {
  const rows: string[] = [];
  let start = 0;
  for (let i = 0; i < Math.min(bytes.length, LONGEST); i++) {
    if (bytes[i] !== 10) continue;
    const row = latin1(bytes, start, i).trim();
    rows.push(row);
    start = i + 1;
    if (row === 'end_header') return { rows, end: start };
  }
  return undefined;
}

function elementsOf(rows: readonly string[][]): PlyElement[] | MeshFault {
  const elements: PlyElement[] = [];
  let properties = 0;
  for (const [word, a, b, c, d] of rows) {
    if (word === 'element') {
      if (!/^\d{1,10}$/.test(b ?? '')) return 'count';
      elements.push({ name: a, size: Number(b), properties: [] });
    }
    if (word !== 'property') continue;
    const property = a === 'list' ? { name: d, type: c, count: b } : { name: b, type: a, count: undefined };
    const isKnown = [property.type, property.count ?? property.type].every((type) => Object.hasOwn(PLY_BYTES, type));
    if (elements.length === 0 || !isKnown || !property.name || ++properties > MOST_PROPERTIES) return 'property';
    elements[elements.length - 1].properties.push(property);
  }
  return elements.every((one) => one.size <= 4 * LIMITS.meshFaces) ? elements : 'count';
}

function leastBytes({ properties }: PlyElement, isText: boolean): number {
  return properties.reduce((sum, { type, count }) => sum + (isText ? BYTES_OF_WORD : PLY_BYTES[count ?? type]), 0);
}
