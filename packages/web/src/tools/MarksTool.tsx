import { useActs, useMeshes } from '../bench/index.ts';
import { Marks } from '../viewport/index.ts';

/** Places that a check points at. */
export function MarksTool() {
  const { evaluation } = useMeshes();
  const { places } = useActs().marks;
  return places && places.triangles.length > 0 ? <Marks marks={places} pieces={evaluation.pieces} /> : null;
}
