import { condition, flatten, outlineBytes, type Conditioned } from '../outline/index.ts';
import { glyphCurves, type FontFace, type PlacedGlyph } from '../text/index.ts';
import type { LetteringCaches } from './caches.ts';

/** How the letters of one lettering are drawn: what all their outlines share. */
export interface DrawingScale {
  face: FontFace;
  mmPerUnit: number;
  /** grid step, mm */
  step: number;
  toleranceMm: number;
}

/** Says which outline this is, for all letters drawn from the same glyphs at the same scale. */
export function outlineKey(glyphs: readonly PlacedGlyph[], scale: DrawingScale): string {
  const places = glyphs.map((g) => `${g.glyph}@${Math.round(g.x / scale.step)},${Math.round(g.y / scale.step)}`);
  return `${scale.face.key} ${scale.mmPerUnit} ${scale.step} ${scale.toleranceMm} ${places.join(' ')}`;
}

/** The em in grid steps, to which tolerances relate. */
export const emInSteps = (scale: DrawingScale): number =>
  (scale.face.metrics.unitsPerEm * scale.mmPerUnit) / scale.step;

/** The conditioned outline of a letter about its own origin, all of its glyphs united; its edges carry letter 0. */
export function letterOutline(
  glyphs: readonly PlacedGlyph[],
  scale: DrawingScale,
  caches: LetteringCaches,
): Conditioned {
  const key = outlineKey(glyphs, scale);
  const known = caches.outlines.get(key);
  if (known) return known;
  const rings = glyphs.flatMap((g) => {
    const drawn = flatten(glyphCurves(scale.face, g.glyph), {
      scale: scale.mmPerUnit / scale.step,
      tolerance: scale.toleranceMm / scale.step,
      letter: 0,
    });
    const dx = Math.round(g.x / scale.step);
    const dy = Math.round(g.y / scale.step);
    return drawn.map((ring) => ring.map((v) => ({ ...v, x: v.x + dx, y: v.y + dy })));
  });
  const made = condition(rings, emInSteps(scale));
  caches.outlines.set(key, made, outlineBytes(made.outline));
  return made;
}
