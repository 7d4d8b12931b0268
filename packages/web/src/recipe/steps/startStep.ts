import { usualStep, type ShownPiece, type Step, type StepKind } from '@fictile/core';
import type { OtherPiece } from '../BodyChapter.tsx';

/** Of a size that people read at once: 1, 2 or 5 times a power of ten, no larger. */
function round(mm: number): number {
  const power = 10 ** Math.floor(Math.log10(Math.max(mm, 0.1)));
  const share = mm / power;
  return (share >= 5 ? 5 : share >= 2 ? 2 : 1) * power;
}

/** The id of a step that is only tried. */
export const TRIED = 'tried';

/** A step as it is when it is added: as large as suits the piece. */
export function startStep(kind: StepKind, id: string, { flat, others, isBody }: { flat: ShownPiece['flat']; others: readonly OtherPiece[]; isBody: boolean }): Step {
  const step: Step = usualStep(kind, id);
  if (step.kind === 'cut') return { ...step, target: others.find(({ isBody }) => isBody)?.id ?? '', operation: 'subtract' };
  // the edges of a body are rounded, those of letters are what is drawn
  if (step.kind === 'subdivide') return { ...step, edges: isBody ? 'round' : 'stay' };
  if (!flat) return step;
  const [wide, tall] = [0, 1].map((k) => Math.max(1, flat.high[k] - flat.low[k]));
  const limits = { fromMm: Math.round(flat.low[0] + wide / 4), toMm: Math.round(flat.high[0] - wide / 4) };
  switch (step.kind) {
    case 'bend':
    case 'twist':
    case 'taper':
    case 'stretch':
    case 'pinch':
      return { ...step, ...limits };
    case 'shear':
      return { ...step, ...limits, byMm: [round(tall / 3), 0] };
    case 'recast': {
      // fine enough for strokes, and quick enough to be tried in passing
      const sizeMm = round(Math.max(Math.min(wide, tall) / 30, Math.max(wide, tall) / 250));
      return { ...step, sizeMm, errorMm: sizeMm / 10 };
    }
    case 'bulge':
      return { ...step, heightMm: round(tall / 3) };
    case 'wave':
      return { ...step, lengthMm: round(wide / 2), heightMm: round(tall / 6) };
    case 'noise':
      return { ...step, sizeMm: round(tall / 2), heightMm: round(tall / 15) };
    case 'relief':
      return { ...step, widthMm: round(2 * wide), heightMm: round(tall / 15) };
    case 'run':
      // once round, with room between the ends
      return { ...step, path: { kind: 'coil', radiusMm: Math.ceil(wide / 6), riseMm: Math.round(tall * 1.4), turns: 1 } };
    case 'scatter':
      return { ...step, moveMm: [0, round(tall / 8), 0] };
    default:
      return step;
  }
} // prettier-ignore
