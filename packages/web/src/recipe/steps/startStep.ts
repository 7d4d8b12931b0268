import { usualStep, type CutStep, type OntoStep, type ShownPiece, type Step, type StepKind } from '@fictile/core';
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
export function startStep(kind: StepKind, id: string, { flat, others }: { flat: ShownPiece['flat']; others: readonly OtherPiece[] }): Step {
  const step: Step = usualStep(kind, id);
  if (step.kind === 'onto') return { ...step, heldBy: 'middle', ...heldBefore((others.find(({ isBody }) => isBody) ?? others[0])?.id ?? '', others) };
  if (step.kind === 'cut') return startCut(id, (others.find(({ isBody }) => !isBody) ?? others[0])?.id ?? '');
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

/** Another piece is let in, as deep as reads well. */
export const startCut = (id: string, target: string): CutStep => ({ ...usualStep('cut', id), target });

/**
 * The other pieces whose steps change with a step that is added: words that cut lie on what they cut, flat, until somebody says otherwise.
 */
export function besidesStep(step: Step, pieceId: string, others: readonly OtherPiece[], self: OtherPiece['flat']): { pieceId: string; steps: Step[] }[] {
  if (step.kind !== 'cut') return [];
  const tool = others.find(({ id }) => id === step.target);
  // what a trial has laid is taken back with it
  const own = tool?.steps.filter(({ id }) => id !== `${TRIED} lies`) ?? [];
  if (!tool || tool.isBody || own.some(({ kind }) => kind === 'onto')) return [];
  const held = heldBefore(pieceId, [{ id: pieceId, name: '', isBody: true, flat: self, steps: [] }]);
  return [{ pieceId: tool.id, steps: [...own, { ...usualStep('onto', `${step.id} lies`), ...held, heldBy: 'middle', method: 'flat' }] }];
} // prettier-ignore

/** Another piece cuts instead: the one before is as it was before that step laid it, the new one is laid. */
export function toolChanged(
  before: Step,
  next: Step,
  pieceId: string,
  { others, flat }: { others: readonly OtherPiece[]; flat: OtherPiece['flat'] },
): { pieceId: string; steps: Step[] }[] {
  if (before.kind !== 'cut' || next.kind !== 'cut' || before.target === next.target) return [];
  const lies = `${before.id} lies`;
  const old = others.find(({ id, steps }) => id === before.target && steps.some((step) => step.id === lies));
  const left = old ? [{ pieceId: old.id, steps: old.steps.filter(({ id }) => id !== lies) }] : [];
  return [...left, ...besidesStep(next, pieceId, others, flat)];
}

/** Words that are laid onto another piece take along what they did to the one before. */
export function cutsMoved(before: Step, next: Step, pieceId: string, others: readonly OtherPiece[]): { pieceId: string; steps: Step[] }[] {
  if (before.kind !== 'onto' || next.kind !== 'onto' || before.target === next.target) return [];
  const [from, to] = [before, next].map(({ target }) => others.find(({ id }) => id === target));
  const isOwn = (step: Step): boolean => step.kind === 'cut' && step.target === pieceId;
  const cuts = from?.steps.filter(isOwn) ?? [];
  if (!from || !to || cuts.length === 0) return [];
  return [
    { pieceId: from.id, steps: from.steps.filter((step) => !isOwn(step)) },
    { pieceId: to.id, steps: [...to.steps, ...cuts] },
  ];
} // prettier-ignore

/** Another piece to be laid onto, held before its middle from the front. */
export function heldBefore(target: string, others: readonly OtherPiece[]): Pick<OntoStep, 'target' | 'fromMm'> {
  const box = others.find(({ id }) => id === target)?.flat;
  if (!box) return { target, fromMm: usualStep('onto', '').fromMm };
  const middle = [0, 1].map((k) => Math.round((box.low[k] + box.high[k]) / 2));
  return { target, fromMm: [middle[0], middle[1], Math.ceil(box.high[2] + 100)] };
}
