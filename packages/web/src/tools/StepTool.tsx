import { StepHandles } from '../viewport/index.ts';
import { useShown } from './atWork.ts';
import { useHandsHere } from './handsContext.ts';

/** The handle of the shape step at work. */
export function StepTool() {
  const { stepping } = useHandsHere();
  const shown = useShown(stepping?.pieceId);
  return stepping && shown ? <StepHandles stepping={stepping} shown={shown} /> : null;
}
