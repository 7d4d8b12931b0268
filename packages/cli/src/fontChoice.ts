import { createHash } from 'node:crypto';
import { basename } from 'node:path';
import { describeFont, familiesOf, fontAxes, openFont, type FontCatalogue, type Kernels } from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { readGiven } from './givenFile.ts';
import { faultOf } from './messages.ts';

export interface FontChoice {
  catalogue: FontCatalogue;
  family: string;
  loadFont(hash: string): Promise<Uint8Array | undefined>;
}

const shipped: FontChoice['catalogue'] = SHIPPED_FONTS;

/** A shipped family by name, or a font file, which becomes a family of its own. */
export async function chooseFont(font: string, kernels: Kernels): Promise<FontChoice> {
  const known = shipped.find((f) => f.family.toLowerCase() === font.trim().toLowerCase());
  if (known) return { catalogue: shipped, family: known.family, loadFont: readFont };
  if (!/[./\\]/.test(font)) throw faultOf({ code: 'FONT_UNKNOWN', params: { name: font } });
  const bytes = await readGiven(font, `The font file ${font}`);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const name = basename(font);
  const opened = openFont(kernels, { bytes, hash, name, axes: {} });
  if (!opened.ok) throw faultOf(opened.error);
  return {
    // what the file lacks, shipped fonts stand in for
    catalogue: [
      {
        family: name,
        kind: 'sans',
        licence: '',
        styles: [{ name: 'file', weight: 400, italic: false, hash }],
        axes: fontAxes(kernels, bytes),
        covers: '',
      },
      ...shipped,
    ],
    family: name,
    loadFont: (wanted) => (wanted === hash ? Promise.resolve(bytes) : readFont(wanted)),
  };
}

/** The shipped fonts, and those that a project's file brings with it. */
export function documentFonts(
  brought: ReadonlyMap<string, Uint8Array>,
  kernels: Kernels,
): Pick<FontChoice, 'catalogue' | 'loadFont'> {
  const described = [...brought].flatMap(([hash, bytes]) => {
    const font = describeFont(kernels, { bytes, hash, fallback: hash.slice(0, 12) });
    return font.ok ? [font.value] : [];
  });
  return {
    catalogue: [...familiesOf(described, shipped, 'own'), ...shipped],
    loadFont: (hash) => Promise.resolve(brought.get(hash) ?? readFont(hash)),
  };
}
