import { fail, LIMITS, ok, type Result } from '../base/index.ts';

/**
 * A font file's tables by tag, and its flavour (the signature of what its outlines are). OpenType 1.9, "Organization of
 * an OpenType font".
 */
export interface SfntTables {
  flavour: number;
  tables: ReadonlyMap<string, Uint8Array>;
}

const MOST_TABLES = 128;

export const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

export const tagAt = (view: DataView, at: number): string =>
  String.fromCharCode(view.getUint8(at), view.getUint8(at + 1), view.getUint8(at + 2), view.getUint8(at + 3));

/** The tables of a font that begins at an offset of a file; those that reach beyond the file are faults. */
export function readSfnt(bytes: Uint8Array, offset: number, name: string): Result<SfntTables> {
  const view = viewOf(bytes);
  if (offset + 12 > bytes.length) return fail('FONT_BROKEN', { name, why: 'tables' });
  const count = view.getUint16(offset + 4);
  if (count === 0 || count > MOST_TABLES || offset + 12 + count * 16 > bytes.length)
    return fail('FONT_BROKEN', { name, why: 'tables' });
  const tables = new Map<string, Uint8Array>();
  let size = 0;
  for (let i = 0; i < count; i++) {
    const row = offset + 12 + i * 16;
    const [start, length] = [view.getUint32(row + 8), view.getUint32(row + 12)];
    size += length;
    if (start + length > bytes.length) return fail('FONT_BROKEN', { name, why: 'cut' });
    if (size > LIMITS.fontBytes) return fail('FONT_BROKEN', { name, why: 'tables' });
    tables.set(tagAt(view, row), bytes.subarray(start, start + length));
  }
  return ok({ flavour: view.getUint32(offset), tables });
}

/** Tables -> a font file of their own, in the order of their tags, with checksums as the format asks. */
export function writeSfnt({ flavour, tables }: SfntTables): Uint8Array {
  const rows = [...tables].sort(([a], [b]) => (a < b ? -1 : 1));
  const padded = (length: number): number => (length + 3) & ~3;
  const size = rows.reduce((sum, [, data]) => sum + padded(data.length), 12 + 16 * rows.length);
  const bytes = new Uint8Array(size);
  const view = viewOf(bytes);
  const power = 2 ** Math.floor(31 - Math.clz32(rows.length));
  view.setUint32(0, flavour);
  view.setUint16(4, rows.length);
  view.setUint16(6, power * 16);
  view.setUint16(8, 31 - Math.clz32(power));
  view.setUint16(10, (rows.length - power) * 16);
  let at = 12 + 16 * rows.length;
  rows.forEach(([tag, data], i) => {
    const row = 12 + 16 * i;
    bytes.set(data, at);
    for (let k = 0; k < 4; k++) view.setUint8(row + k, tag.charCodeAt(k));
    view.setUint32(row + 4, checksum(view, at, padded(data.length)));
    view.setUint32(row + 8, at);
    view.setUint32(row + 12, data.length);
    at += padded(data.length);
  });
  return bytes;
}

function checksum(view: DataView, at: number, length: number): number {
  let sum = 0;
  for (let i = 0; i < length; i += 4) sum = (sum + view.getUint32(at + i)) >>> 0;
  return sum;
}
