import { useChoice, useDocument, useMeshes } from '../bench/index.ts';
import { SolidHandles } from '../viewport/index.ts';
import { useAtWork, useShown } from './atWork.ts';
import { useShaping } from './useShaping.ts';

/** Depth and front edge, pulled on the letters. */
export function SolidTool() {
  const { store } = useDocument();
  const { chosen, typing } = useChoice();
  const { shelf } = useMeshes();
  const { atWork } = useAtWork();
  const shaping = useShaping(store, chosen.pieces);
  const shown = useShown(shaping?.pieceId);
  if (atWork !== 'solid' || typing.now || !shaping || !shown) return null;
  return <SolidHandles shaping={shaping} shown={shown} shelf={shelf} />;
}
