import { StepHandles } from '../viewport/index.ts';
import { useShown } from './atWork.ts';
import { useHands } from './useHands.ts';

/** The handle of the shape step at work. */
export function StepTool() {
  const { stepping } = useHands();
  const shown = useShown(stepping?.pieceId);
  return stepping && shown ? <StepHandles stepping={stepping} shown={shown} /> : null;
}
