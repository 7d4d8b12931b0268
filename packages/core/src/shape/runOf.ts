import type { ShapeChain } from './chain.ts';
import type { RunMap, RunStep } from './steps/run.ts';

/** The first step of a chain that runs along a line, and how many links come before it. */
export function runOf({ links }: ShapeChain): { step: RunStep; map: RunMap; at: number } | undefined {
  const at = links.findIndex(({ steps: [step] }) => step.kind === 'run');
  if (at < 0) return undefined;
  const { steps, map } = links[at];
  return { step: steps[0] as RunStep, map: map as RunMap, at };
}
