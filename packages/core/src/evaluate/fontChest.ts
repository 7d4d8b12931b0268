import { ByteCache, fail, keyOf, ok, type Result } from '../base/index.ts';
import type { Words } from '../document/index.ts';
import {
  covers,
  findFamily,
  findFont,
  openFont,
  standIns,
  standInsByWord,
  visiblePoints,
  type FontCatalogue,
  type FontFace,
  type FontFamily,
  type FontRef,
  type FontSet,
  type Kernels,
} from '../text/index.ts';

export interface FontTools {
  kernels: Kernels;
  catalogue: FontCatalogue;
  /** bytes of a font by the hash of its file */
  loadFont(hash: string): Promise<Uint8Array | undefined>;
}

const OPEN_FONTS = 24;

/** Opens the fonts that words need, and keeps those used last. */
export class FontChest {
  readonly #tools: FontTools;
  readonly #faces = new ByteCache<FontFace>(OPEN_FONTS);

  constructor(tools: FontTools) {
    this.#tools = tools;
  }

  /** The piece's font, and those that stand in for what it lacks, as far as the catalogue knows any. */
  async open(words: Words): Promise<Result<FontSet>> {
    const primary = await this.#openFace(words.font);
    if (!primary.ok) return primary;
    const standIn = await this.#standIns(words, primary.value);
    const byId = standInsByWord(words.graphemes, (text) => standIn.get(text), hasAll);
    const own = new Map<number, FontFace>();
    for (const [id, { font }] of Object.entries(words.own)) {
      const face = font && (await this.#openFace(font));
      if (face?.ok) own.set(Number(id), face.value);
    }
    const faceFor = ({ id, text }: { id: number; text: string }): FontFace => {
      const face = own.get(id);
      return face && hasAll(face, text) ? face : (byId.get(id) ?? primary.value);
    };
    return ok({ primary: primary.value, faceFor });
  }

  /** By grapheme, for those that the piece's own font lacks. */
  async #standIns({ font, graphemes }: Words, primary: FontFace): Promise<Map<string, FontFace>> {
    const chosen = new Map<string, FontFace>();
    for (const { text } of graphemes) {
      if (chosen.has(text) || hasAll(primary, text)) continue;
      for (const { family } of standInsFor(this.#tools.catalogue, font, text)) {
        const face = await this.#openFace({ ...font, family });
        if (!face.ok || !hasAll(face.value, text)) continue;
        chosen.set(text, face.value);
        break;
      }
      if (!chosen.has(text)) chosen.set(text, primary);
    }
    return chosen;
  }

  async #openFace(font: FontRef): Promise<Result<FontFace>> {
    const found = findFont(this.#tools.catalogue, font);
    if (!found) return fail('FONT_UNKNOWN', { name: font.family });
    const key = keyOf('face', [found.style.hash, found.axes]);
    const open = this.#faces.get(key);
    if (open) return ok(open);
    const bytes = await this.#tools.loadFont(found.style.hash);
    const name = `${font.family} ${found.style.name}`;
    if (!bytes) return fail('FONT_UNKNOWN', { name });
    const face = openFont(this.#tools.kernels, { bytes, hash: found.style.hash, name, axes: found.axes });
    if (face.ok) this.#faces.set(key, face.value, 1);
    return face;
  }
}

const hasAll = (face: FontFace, text: string): boolean =>
  text.trim() === '' || visiblePoints(text).every((point) => face.has(point));

/** Families that can stand in for a character, the likeliest first. */
export function standInsFor(catalogue: FontCatalogue, font: FontRef, text: string): FontFamily[] {
  const own = findFamily(catalogue, font.family);
  return standIns(catalogue, own?.kind ?? 'sans').filter((family) => family !== own && covers(family, text));
}
