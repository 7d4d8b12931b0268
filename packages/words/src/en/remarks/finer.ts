import { mm } from '../figures.ts';

/** Chords of strokes thinner than they are true. */
export const finerText = (finerMm: number | undefined): string =>
  finerMm === undefined ? '' : ` Their strokes are thinner than curves are true: keep them within ${mm(finerMm)}.`;

export const finerLine = (finerMm: number | undefined): string =>
  finerMm === undefined ? '' : `; strokes are thinner than curves are true: --tolerance ${finerMm} may do`;
