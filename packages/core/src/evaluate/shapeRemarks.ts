import { heightThatHolds, isCut, isMoving, isShapeStep, outwardMm, type Step } from '../steps/index.ts';
import { finerTolerance, remark, type Remark, type RemarkCode, type RunContext } from '../base/index.ts';
import { type Piece } from '../document/index.ts';
import { crossingLetters, textsOf, type BuiltCluster, type NeedReport } from '../lettering/index.ts';
import type { Letter } from '../text/index.ts';

/** Edges longer than their need by less than this share are told to nobody. */
const SLACK = 1.01;

/** What is told of faces that are not as fine as the shape steps need them. */
export function needRemarks(need: NeedReport | undefined, budget: number): Remark[] {
  if (!need || need.haveMm <= need.needMm * SLACK) return [];
  const { needMm, haveMm } = need;
  return [
    need.isAutomatic
      ? remark('NEED_OVER_BUDGET', { haveMm, needMm, budget })
      : remark('NEED_FINER', { haveMm, needMm }),
  ];
}

const FOLDED: ReadonlySet<RemarkCode> = new Set(['SHAPE_FOLDS', 'SHAPE_TOUCHES', 'ONTO_FOLDS', 'ONTO_OVERFULL']);

/** Letters whose faces shape steps have made cross, by exact predicates. */
export function shapeCrossings(
  { steps, body }: Piece,
  clusters: readonly BuiltCluster[],
  { letters, context, told }: { letters: readonly Letter[]; context: RunContext; told: readonly Remark[] },
): Remark[] {
  if (!steps.some((step) => step.on && (isShapeStep(step) || isCut(step)))) return [];
  const crossing = crossingLetters(clusters, () => context.cancelled());
  const known = crossing.filter((letter) => letter >= 0 && letter < letters.length);
  if (crossing.length === 0) return [];
  // where nothing folds, chords of strokes thinner than the tolerance do
  const folds = told.some(({ code }) => FOLDED.has(code));
  const way = tooHigh(steps) ?? (folds ? {} : finerTolerance(body.faces.toleranceMm));
  return [remark('SHAPE_CROSSES', { letters: textsOf(known, letters), ...way })];
}

/** The first step that moves outward by more than what is sure to hold. */
function tooHigh(steps: readonly Step[]): { stepId: string; limit: number } | undefined {
  for (const step of steps) {
    if (!step.on || !isMoving(step)) continue;
    const heightMm = outwardMm(step);
    const limit = heightThatHolds(step);
    if (heightMm !== undefined && limit !== undefined && Math.abs(heightMm) > limit)
      return { stepId: step.id, limit: Math.sign(heightMm) * limit };
  }
  return undefined;
}
