import { cutBy, cutsOf, liesOnAnother, type CutStep, type Piece, type Project } from '@fictile/core';
import { useMemo } from 'react';
import { useChoice, useDocument, useMeshes, useOpenParts, useTrials } from '../bench/index.ts';
import type { Hands } from '../viewport/index.ts';
import { useAtWork } from './atWork.ts';
import { usePlacing } from './usePlacing.ts';
import { useStepping } from './useStepping.ts';

const NO_TOOLS: readonly string[] = [];

/** What a press on solids means, by what is at work. */
export function useHands(): Hands {
  const { store, project } = useDocument();
  const { chosen, lead, typing } = useChoice();
  const { stepId } = useOpenParts();
  const { carrying } = useTrials();
  const { atWork, isFree } = useAtWork();
  const { evaluation } = useMeshes();
  const placing = usePlacing(store, chosen.items, evaluation);
  const { stepping } = useStepping(store, lead, stepId);
  const held = useMemo(() => new Set(chosen.ids), [chosen.ids]);
  return {
    onChoose: chosen.choose,
    onType: typing.start,
    typed: typing.now?.pieceId,
    held,
    placing:
      atWork === 'place' && isFree && !chosen.items.some((item) => liesOnAnother(project, item)) ? placing : undefined,
    stepping: atWork === 'steps' && isFree ? stepping : undefined,
    cutting: atWork === 'steps' && lead ? cuttingOf(project, lead, stepId) : NO_TOOLS,
    isCarrying: carrying !== undefined,
  };
}

/**
 * What is seen as a ghost while steps are at work: the piece that cuts others, or the one that the step at work lets
 * in. What stands out of another is seen anyway.
 */
function cuttingOf(project: Project, lead: Piece, stepId: string | undefined): readonly string[] {
  const hidden = (step: CutStep): boolean => step.operation !== 'raise' && step.operation !== 'join';
  const own = cutsOf(lead).filter((step) => step.id === stepId && hidden(step));
  return [...own.map(({ target }) => target), ...(cutBy(project, lead.id).some(hidden) ? [lead.id] : [])];
}
