/** What a zip's own table of contents says of an entry. */
export interface ZipRow {
  name: string;
  /** unpacked, in bytes */
  size: number;
  /** of the unpacked bytes */
  crc: number;
}

const END = 0x06054b50;
const ROW = 0x02014b50;
const END_BYTES = 22;
const ROW_BYTES = 46;
const LONGEST_COMMENT = 65_535;
const MOST_ROWS = 10_000;

/**
 * The table of contents of a zip file (APPNOTE 6.3, 4.3.12 and 4.3.16); undefined where there is none, or names are
 * there twice.
 */
export function zipRows(bytes: Uint8Array): ZipRow[] | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = endOf(view);
  if (end === undefined) return undefined;
  const count = view.getUint16(end + 10, true);
  let at = view.getUint32(end + 16, true);
  if (count > MOST_ROWS) return undefined;
  const rows = new Map<string, ZipRow>();
  for (let i = 0; i < count; i++) {
    if (at + ROW_BYTES > end || view.getUint32(at, true) !== ROW) return undefined;
    const length = view.getUint16(at + 28, true);
    const name = String.fromCharCode(...bytes.subarray(at + ROW_BYTES, at + ROW_BYTES + length));
    if (rows.has(name)) return undefined;
    rows.set(name, { name, crc: view.getUint32(at + 16, true), size: view.getUint32(at + 24, true) });
    at += ROW_BYTES + length + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return [...rows.values()];
}

function endOf(view: DataView): number | undefined {
  const first = Math.max(0, view.byteLength - END_BYTES - LONGEST_COMMENT);
  for (let at = view.byteLength - END_BYTES; at >= first; at--) if (view.getUint32(at, true) === END) return at;
  return undefined;
}
