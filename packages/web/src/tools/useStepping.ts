import {
  isMoving,
  isRun,
  isShapeStep,
  stepOf,
  strengthField,
  type Piece,
  type ShapeStep,
  type Step,
} from '@fictile/core';
import { useMemo } from 'react';
import { pieceEdits } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { useDragName } from '../ui/index.ts';
import type { Bending, Stepping } from '../viewport/index.ts';
import { texts } from '../words/index.ts';

/**
 * The shape step at work, and the curve that letters run along where it has one of its own. Each drag is one step of
 * undo.
 */
export function useStepping(
  store: ProjectStore,
  piece: Piece | undefined,
  stepId: string | undefined,
): { stepping: Stepping | undefined; curving: Bending | undefined } {
  const drag = useDragName();
  return useMemo(() => {
    const step = piece && !piece.locked ? stepAtWork(piece.steps, stepId) : undefined;
    if (!piece || !step) return { stepping: undefined, curving: undefined };
    const { begin } = drag;
    const change = (next: ShapeStep): void =>
      pieceEdits(store, [piece]).steps(
        piece.steps.map((one) => (one.id === next.id ? next : one)),
        { drag: drag.of(`step ${next.id}`) },
      );
    const stepping: Stepping = {
      pieceId: piece.id,
      steps: piece.steps.filter(isShapeStep).filter(({ on }) => on),
      step,
      begin,
      change,
      words: { strength: strengthText, place: texts.view.mm, places: texts.shape.guidePlaces },
    };
    return { stepping, curving: curvingOf(piece.id, step, { begin, change }) };
  }, [store, piece, stepId, drag]);
}

/** The step that was touched last, else the last that shapes. */
function stepAtWork(steps: readonly Step[], stepId: string | undefined): ShapeStep | undefined {
  const shape = steps.filter(isMoving).filter(({ on }) => on);
  return shape.find(({ id }) => id === stepId) ?? shape[shape.length - 1];
}

function curvingOf(
  pieceId: string,
  step: ShapeStep,
  { begin, change }: Pick<Stepping, 'begin' | 'change'>,
): Bending | undefined {
  if (!isRun(step) || step.path.kind !== 'drawn') return undefined;
  return {
    pieceId,
    curve: step.path.curve,
    begin,
    change: (curve) => change({ ...step, path: { kind: 'drawn', curve } }),
    words: texts.view.knot,
  };
}

function strengthText(value: number, step: ShapeStep): string {
  const field = strengthField(step);
  const unit = field === undefined ? 'mm' : stepOf(step.kind).fields[field].unit;
  if (unit === 'deg') return texts.view.degrees(value);
  return unit === '%' ? texts.view.percent(value) : texts.view.mm(value);
}
