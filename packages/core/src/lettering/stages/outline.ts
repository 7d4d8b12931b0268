import { LIMITS, type Named, type QuickStage } from '../../base/index.ts';
import {
  condition,
  flatten,
  isTangled,
  outlineBytes,
  type Conditioned,
  type CurveForm,
  type VertexRing,
} from '../../outline/index.ts';
import { formedGlyph, type FontFace } from '../../text/index.ts';

/** A letter's outline; one of too many points stays empty. */
export type LetterOutline = Conditioned & { isTooLarge: boolean };

export interface OutlineInputs {
  /** where they lie from the letter's origin, grid steps */
  glyphs: readonly { face: Named<FontFace>; glyph: number; dx: number; dy: number }[];
  /** instead of glyphs */
  shape: Named<readonly VertexRing[]> | undefined;
  form: CurveForm;
  /** of the em and a grid step, mm */
  emMm: number;
  step: number;
  toleranceMm: number;
}

/** The conditioned outline of a letter about its own origin, all of its glyphs united; its edges carry letter 0. */
export const OUTLINE: QuickStage<OutlineInputs, unknown, LetterOutline> = {
  name: 'outline',
  make(inputs) {
    const rings = inputs.shape ? formed(inputs.shape.of, inputs.form) : glyphRings(inputs);
    const points = rings.reduce((sum, ring) => sum + ring.length, 0);
    const isTooLarge = points > LIMITS.glyphPoints || isTangled(rings);
    return { ...condition(isTooLarge ? [] : rings, inputs.emMm / inputs.step), isTooLarge };
  },
  bytesOf: ({ outline }) => outlineBytes(outline),
};

function glyphRings({ glyphs, form, emMm, step, toleranceMm }: OutlineInputs): VertexRing[] {
  return glyphs.flatMap(({ face, glyph, dx, dy }) => {
    const { curves } = formedGlyph({ face: face.of, glyph, x: 0, y: 0 }, form, emMm);
    const drawn = flatten(curves, { scale: 1 / step, tolerance: toleranceMm / step, letter: 0 });
    return drawn.map((ring) => ring.map((v) => ({ ...v, x: v.x + dx, y: v.y + dy })));
  });
}

const formed = (rings: readonly VertexRing[], [a, b, c, d]: CurveForm): VertexRing[] =>
  rings.map((ring) => ring.map((v) => ({ ...v, x: Math.round(a * v.x + b * v.y), y: Math.round(c * v.x + d * v.y) })));
