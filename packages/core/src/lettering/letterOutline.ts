import { LIMITS } from '../base/index.ts';
import {
  condition,
  flatten,
  isTangled,
  outlineBytes,
  type Bands,
  type CurveForm,
  type VertexRing,
} from '../outline/index.ts';
import { formedGlyph, type Letter } from '../text/index.ts';
import type { LetteringCaches, LetterOutline } from './caches.ts';

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
export type Drawn = Pick<Letter, 'glyphs' | 'form' | 'shape'>;

/** Says which outline this is, for all letters drawn from the same glyphs in the same form at the same scale. */
export function outlineKey({ glyphs, form, shape }: Drawn, { emMm, step, toleranceMm }: DrawingScale): string {
  if (shape) return `${shape.key} ${form.join(' ')}`;
  const places = glyphs.map((g) => `${g.face.key}/${g.glyph}@${Math.round(g.x / step)},${Math.round(g.y / step)}`);
  return `${emMm} ${step} ${toleranceMm} ${form.join(' ')} ${places.join(' ')}`;
}

/** The em in grid steps, to which tolerances relate. */
export const emInSteps = ({ emMm, step }: DrawingScale): number => emMm / step;

/** The conditioned outline of a letter about its own origin, all of its glyphs united; its edges carry letter 0. */
export function letterOutline(letter: Drawn, scale: DrawingScale, caches: LetteringCaches): LetterOutline {
  const key = outlineKey(letter, scale);
  const known = caches.outlines.get(key);
  if (known) return known;
  const rings = letter.shape ? formed(letter.shape.rings, letter.form) : glyphRings(letter, scale);
  const points = rings.reduce((sum, ring) => sum + ring.length, 0);
  const isTooLarge = points > LIMITS.glyphPoints || isTangled(rings);
  const made = { ...condition(isTooLarge ? [] : rings, emInSteps(scale)), isTooLarge };
  caches.outlines.set(key, made, outlineBytes(made.outline));
  return made;
}

function glyphRings(letter: Drawn, { emMm, step, toleranceMm }: DrawingScale): VertexRing[] {
  return letter.glyphs.flatMap((glyph) => {
    const { curves, x, y } = formedGlyph(glyph, letter.form, emMm);
    const [dx, dy] = [Math.round(x / step), Math.round(y / step)];
    const drawn = flatten(curves, { scale: 1 / step, tolerance: toleranceMm / step, letter: 0 });
    return drawn.map((ring) => ring.map((v) => ({ ...v, x: v.x + dx, y: v.y + dy })));
  });
}

const formed = (rings: readonly VertexRing[], [a, b, c, d]: CurveForm): VertexRing[] =>
  rings.map((ring) => ring.map((v) => ({ ...v, x: Math.round(a * v.x + b * v.y), y: Math.round(c * v.x + d * v.y) })));
