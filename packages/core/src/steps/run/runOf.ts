import type { ShapeChain } from '../../shape/index.ts';
import { isRun, type RunStep } from './fields.ts';
import type { RunMap } from './map.ts';

/** The first step of a chain that runs along a line, and how many links come before it. */
export function runOf({ links }: ShapeChain): { step: RunStep; map: RunMap; at: number } | undefined {
  const at = links.findIndex(({ steps: [step] }) => isRun(step));
  if (at < 0) return undefined;
  const { steps, map } = links[at];
  return { step: steps[0] as RunStep, map: map as RunMap, at };
}
