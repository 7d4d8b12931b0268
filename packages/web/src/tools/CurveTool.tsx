import { useChoice, useDocument, useOpenParts } from '../bench/index.ts';
import { CurveHandles } from '../viewport/index.ts';
import { useAtWork, useShown } from './atWork.ts';
import { useBending } from './useBending.ts';
import { useStepping } from './useStepping.ts';

/** The knots of the curve that words run along, of a free shape, or of a step's own line. */
export function CurveTool() {
  const { store } = useDocument();
  const { lead } = useChoice();
  const { stepId } = useOpenParts();
  const { atWork, isFree } = useAtWork();
  const bending = useBending(store, lead);
  const { curving } = useStepping(store, lead, stepId);
  const now = atWork === 'words' ? bending : atWork === 'steps' ? curving : undefined;
  const shown = useShown(now?.pieceId);
  return isFree && now && shown ? <CurveHandles bending={now} shown={shown} /> : null;
}
