import type { Step } from '@fictile/core';
import { useChoice, useTrials } from '../bench/index.ts';
import { Picked } from '../viewport/index.ts';
import { useShown } from './atWork.ts';

const NO_STEPS: readonly Step[] = [];

/** Marks under the letters that are picked. */
export function PickedTool() {
  const { typing } = useChoice();
  const { project } = useTrials();
  const shown = useShown(typing.picked?.pieceId);
  if (typing.now || !typing.picked || !shown) return null;
  return <Picked shown={shown} steps={project.pieces[shown.pieceId]?.steps ?? NO_STEPS} ids={typing.picked.ids} />;
}
