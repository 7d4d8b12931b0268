import { unzlibSync } from 'fflate';
import { fail, LIMITS, ok, type Result } from '../base/index.ts';
import { readSfnt, tagAt, viewOf, writeSfnt } from './sfnt.ts';

const COLLECTION = 0x74746366; // ttcf
const WOFF = 0x774f4646;
const WOFF2 = 0x774f4632;
const MOST_FACES = 64;

/** Unpacks WOFF2 (W3C); given by whoever has the decoder. Rejects what it can't read. */
export type UnpackWoff2 = (bytes: Uint8Array) => Promise<Uint8Array>;

/**
 * A font file of any kind (TTF, OTF, a collection of them, WOFF, WOFF2) -> the plain font files in it. What would grow
 * beyond the limits is refused first.
 */
export async function unpackFonts(
  bytes: Uint8Array,
  name: string,
  unpackWoff2: UnpackWoff2,
): Promise<Result<Uint8Array[]>> {
  if (bytes.length > LIMITS.fontBytes) return fail('FONT_BROKEN', { name, why: 'too-large' });
  if (bytes.length < 48) return fail('FONT_BROKEN', { name, why: 'signature' });
  const view = viewOf(bytes);
  switch (view.getUint32(0)) {
    case COLLECTION:
      return splitCollection(bytes, name);
    case WOFF:
      return unpackWoff(bytes, name);
    case WOFF2: {
      if (view.getUint32(16) > LIMITS.fontBytes) return fail('FONT_BROKEN', { name, why: 'too-large' });
      try {
        const unpacked = await unpackWoff2(bytes);
        return viewOf(unpacked).getUint32(0) === COLLECTION ? splitCollection(unpacked, name) : ok([unpacked]);
      } catch {
        return fail('FONT_BROKEN', { name, why: 'tables' });
      }
    }
    default:
      return ok([bytes]);
  }
}

/** Faces of a collection share tables; each becomes a file that stands alone. */
function splitCollection(bytes: Uint8Array, name: string): Result<Uint8Array[]> {
  const view = viewOf(bytes);
  const count = view.getUint32(8);
  if (count === 0 || count > MOST_FACES || 12 + 4 * count > bytes.length)
    return fail('FONT_BROKEN', { name, why: 'tables' });
  const faces: Uint8Array[] = [];
  let size = 0;
  for (let i = 0; i < count; i++) {
    const tables = readSfnt(bytes, view.getUint32(12 + 4 * i), name);
    if (!tables.ok) return tables;
    const face = writeSfnt(tables.value);
    size += face.length;
    if (size > LIMITS.fontBytes) return fail('FONT_BROKEN', { name, why: 'too-large' });
    faces.push(face);
  }
  return ok(faces);
}

/** WOFF 1.0 (W3C): tables packed one by one. */
function unpackWoff(bytes: Uint8Array, name: string): Result<Uint8Array[]> {
  const view = viewOf(bytes);
  const count = view.getUint16(12);
  const broken = fail('FONT_BROKEN', { name, why: 'tables' });
  if (count === 0 || count > 128 || 44 + 20 * count > bytes.length) return broken;
  const tables = new Map<string, Uint8Array>();
  let size = 0;
  for (let i = 0; i < count; i++) {
    const row = 44 + 20 * i;
    const [start, packed, plain] = [4, 8, 12].map((k) => view.getUint32(row + k));
    size += plain;
    if (size > LIMITS.fontBytes) return fail('FONT_BROKEN', { name, why: 'too-large' });
    if (start + packed > bytes.length || packed > plain) return broken;
    const data = bytes.subarray(start, start + packed);
    const table = packed === plain ? data : inflated(data, plain);
    if (!table) return broken;
    tables.set(tagAt(view, row), table);
  }
  return ok([writeSfnt({ flavour: view.getUint32(4), tables })]);
}

/** Exactly as long as it was said to be, or nothing. */
function inflated(data: Uint8Array, length: number): Uint8Array | undefined {
  try {
    const out = unzlibSync(data, { out: new Uint8Array(length) });
    return out.length === length ? out : undefined;
  } catch {
    return undefined;
  }
}
