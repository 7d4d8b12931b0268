import type { Box3 } from '../math/index.ts';
import type { StartFacts, StepHandle } from './definition.ts';
import { limitsOf } from './chain.ts';
import type { ShapeStep } from './acts.ts';
import { stepOf, type Step, type StepKind } from './registry.ts';

/** The piece that a step is added to. */
export interface StartPiece {
  /** of the flat piece, mm; undefined: not known yet */
  flat: Box3 | undefined;
  isBody: boolean;
  /** ids of other pieces that are bodies */
  bodies: readonly string[];
}

/** A step as it is when it is added: as large as suits the piece. */
export function startStep(kind: StepKind, id: string, { flat, isBody, bodies }: StartPiece): Step {
  const definition = stepOf(kind);
  const [wide, tall] = [0, 1].map((k) => (flat ? Math.max(1, flat.high[k] - flat.low[k]) : 0));
  const facts: StartFacts = { box: flat, wide, tall, isBody, bodies };
  const needsSize = definition.group === 'shape' && !flat;
  const usual = definition.usual(id);
  return { ...usual, ...(!needsSize && definition.start?.(facts)) } as unknown as Step;
}

/** What a step is held by in the view; undefined: nothing. */
export function handleOf(step: ShapeStep, flat: Box3): StepHandle | undefined {
  const { handle } = stepOf(step.kind);
  return handle?.(step as never, flat, limitsOf(step, flat));
}
