import { useMeshes, useTrials } from '../bench/index.ts';
import { Carried } from '../viewport/index.ts';

/** A piece on its way onto a body. */
export function CarryTool() {
  const { evaluation, shelf } = useMeshes();
  const { carrying } = useTrials();
  return carrying ? <Carried carrying={carrying} pieces={evaluation.pieces} shelf={shelf} /> : null;
}
