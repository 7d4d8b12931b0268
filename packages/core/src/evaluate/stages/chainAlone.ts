import type { Named } from '../../base/index.ts';
import type { Box3 } from '../../math/index.ts';
import { outwardField, type FieldGrid, type ShapeChain } from '../../shape/index.ts';
import { chainOf, type MovingStep } from '../../steps/index.ts';

/** A chain that knows of nothing but its steps, so that another thread can make it. */
export type ChainAlone = Named<{
  steps: MovingStep[];
  earlier: MovingStep[];
  box: Box3;
  seconds: number;
  /** which way is outward, where a step asks for it */
  outward?: FieldGrid;
}>;

let last: Named<ShapeChain> | undefined;

export function chainThere({ key, of: { steps, earlier, box, seconds, outward } }: ChainAlone): ShapeChain {
  if (last?.key === key) return last.of;
  const before = earlier.length > 0 ? chainOf(earlier, { box, seconds }) : undefined;
  last = { key, of: chainOf(steps, { box, seconds, earlier: before, outward: outward && outwardField(outward) }) };
  return last.of;
}
