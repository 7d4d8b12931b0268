import { fail, ok, type Result } from '../base/index.ts';
import { readSfnt, viewOf } from './sfnt.ts';

const COLLECTION = 0x74746366; // ttcf
const OUTLINES = ['glyf', 'CFF ', 'CFF2'];

/**
 * Whether a plain font file, or the first face of a collection, has all that its table of contents names, and outlines
 * (OpenType 1.9).
 */
export function wholeTables(bytes: Uint8Array, name: string): Result<true> {
  const view = viewOf(bytes);
  const isCollection = view.getUint32(0) === COLLECTION;
  if (isCollection && bytes.length < 16) return fail('FONT_BROKEN', { name, why: 'cut' });
  const read = readSfnt(bytes, isCollection ? view.getUint32(12) : 0, name);
  if (!read.ok) return read;
  const { tables } = read.value;
  if (!OUTLINES.some((tag) => tables.has(tag))) return fail('FONT_BROKEN', { name, why: 'no-glyphs' });
  return glyphsFit(tables) ? ok(true) : fail('FONT_BROKEN', { name, why: 'cut' });
}

/** Places of glyphs (loca) lie within the outlines (glyf), one more than there are glyphs. */
function glyphsFit(tables: ReadonlyMap<string, Uint8Array>): boolean {
  const [glyf, loca, head, maxp] = ['glyf', 'loca', 'head', 'maxp'].map((tag) => tables.get(tag));
  if (!glyf || tables.has('CFF ') || tables.has('CFF2')) return true;
  if (!loca || !head || !maxp || head.length < 54 || maxp.length < 6) return false;
  const isLong = viewOf(head).getInt16(50) !== 0;
  const count = viewOf(maxp).getUint16(4) + 1;
  if (loca.length < count * (isLong ? 4 : 2)) return false;
  const view = viewOf(loca);
  for (let i = 0; i < count; i++)
    if ((isLong ? view.getUint32(4 * i) : 2 * view.getUint16(2 * i)) > glyf.length) return false;
  return true;
}
