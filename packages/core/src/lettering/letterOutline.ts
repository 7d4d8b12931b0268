import { condition, flatten, outlineBytes, type Bands, type Conditioned } from '../outline/index.ts';
import { formedGlyph, type Letter } from '../text/index.ts';
import type { LetteringCaches } from './caches.ts';

/** How the letters of one lettering are drawn: what all their outlines share. */
export interface DrawingScale {
  /** the em, mm */
  emMm: number;
  /** grid step, mm */
  step: number;
  toleranceMm: number;
  /** hollow letters; undefined: full ones */
  bands: Bands | undefined;
}

/** What a letter's drawing depends on besides the scale. */
export type Drawn = Pick<Letter, 'glyphs' | 'form'>;

/** Says which outline this is, for all letters drawn from the same glyphs in the same form at the same scale. */
export function outlineKey({ glyphs, form }: Drawn, { emMm, step, toleranceMm }: DrawingScale): string {
  const places = glyphs.map((g) => `${g.face.key}/${g.glyph}@${Math.round(g.x / step)},${Math.round(g.y / step)}`);
  return `${emMm} ${step} ${toleranceMm} ${form.join(' ')} ${places.join(' ')}`;
}

/** The em in grid steps, to which tolerances relate. */
export const emInSteps = ({ emMm, step }: DrawingScale): number => emMm / step;

/** The conditioned outline of a letter about its own origin, all of its glyphs united; its edges carry letter 0. */
export function letterOutline(letter: Drawn, scale: DrawingScale, caches: LetteringCaches): Conditioned {
  const key = outlineKey(letter, scale);
  const known = caches.outlines.get(key);
  if (known) return known;
  const { emMm, step, toleranceMm } = scale;
  const rings = letter.glyphs.flatMap((glyph) => {
    const { curves, x, y } = formedGlyph(glyph, letter.form, emMm);
    const [dx, dy] = [Math.round(x / step), Math.round(y / step)];
    const drawn = flatten(curves, { scale: 1 / step, tolerance: toleranceMm / step, letter: 0 });
    return drawn.map((ring) => ring.map((v) => ({ ...v, x: v.x + dx, y: v.y + dy })));
  });
  const made = condition(rings, emInSteps(scale));
  caches.outlines.set(key, made, outlineBytes(made.outline));
  return made;
}
