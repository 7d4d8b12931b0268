import { isWords, type Project } from '../document/index.ts';
import { covers, findFamily, findFont, type FontCatalogue } from '../text/index.ts';
import { standInsFor } from './fontChest.ts';

/**
 * Hashes of the font files that a document needs, as far as the catalogue knows; families that are unknown are left to
 * evaluation to tell.
 */
export function assetsNeeded(project: Project, catalogue: FontCatalogue): string[] {
  const fonts = Object.values(project.pieces)
    .filter(isWords)
    .flatMap(({ source: { font, graphemes, own: letters } }) => {
      const own = findFamily(catalogue, font.family);
      const lacking = own ? graphemes.filter((g) => g.text.trim() !== '' && !covers(own, g.text)) : [];
      const others = lacking
        .map((g) => standInsFor(catalogue, font, g.text)[0])
        .filter((family) => family !== undefined);
      const ofLetters = Object.values(letters).flatMap((letter) => letter.font ?? []);
      return [font, ...ofLetters, ...others.map(({ family }) => ({ ...font, family }))];
    });
  const hashes = fonts.map((font) => findFont(catalogue, font)?.style.hash);
  return [...new Set(hashes.filter((hash) => hash !== undefined))];
}
