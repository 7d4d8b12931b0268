import { loadKernels } from '@fictile/kernels';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { unwrap } from '../base/index.ts';
import { Engine, type EngineTools } from '../evaluate/index.ts';
import { condition, flatten, type Outline } from '../outline/index.ts';
import { glyphCurves, openFont, type FontFace, type FontSet } from '../text/index.ts';

/**
 * Of each kind the drawing that is hardest on a solid: few, since every one of them is gone through letter by letter.
 */
const TRIED = ['Work Sans', 'Zilla Slab', 'Bodoni Moda', 'Pacifico', 'Recursive'];

/** One style of shipped families, opened. */
export async function shippedFaces(families: readonly string[] = TRIED): Promise<FontFace[]> {
  const kernels = await loadKernels();
  return Promise.all(
    SHIPPED_FONTS.filter((f) => families.includes(f.family)).map(async ({ family, styles }) => {
      const { hash } = styles[styles.length - 1];
      const bytes = (await readFont(hash)) as Uint8Array;
      return unwrap(openFont(kernels, { bytes, hash, name: family, axes: { wght: 650 } }));
    }),
  );
}

/** A font and nothing that stands in for it. */
export const alone = (face: FontFace): FontSet => ({ primary: face, faceFor: () => face });

export const STEP = 2 ** -16;

/** A character's conditioned outline with capitals of 72 mm, and the em in grid steps. */
export function outlineOf(face: FontFace, character: string): { outline: Outline; em: number } {
  const scale = 72 / face.metrics.capHeight / STEP;
  const em = face.metrics.unitsPerEm * scale;
  const { glyph } = face.shape(character, { direction: 'ltr', language: 'en', features: {} })[0];
  const rings = flatten(glyphCurves(face, glyph), { scale, tolerance: 0.05 / STEP, letter: 0 });
  return { outline: condition(rings, em).outline, em };
}

export const testTools = async (): Promise<EngineTools> => ({
  kernels: await loadKernels(),
  catalogue: SHIPPED_FONTS,
  loadFont: readFont,
  cacheBytes: 64e6,
});

export const testEngine = async (): Promise<Engine> => new Engine(await testTools());
