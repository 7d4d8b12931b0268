import type { Simplifier } from '../base/index.ts';
import { reduce } from '../refine/index.ts';
import type { ScenePart } from './writeMesh.ts';

/** Each level of detail has half the triangles of the one before; where only one is wanted the parts stay as they are. */
export function withLevels(
  parts: readonly ScenePart[],
  levels: number,
  simplifier: Simplifier | undefined,
): ScenePart[] {
  if (levels === 1) return [...parts];
  if (!simplifier) throw new Error('no simplifier was handed in');
  return parts.flatMap((part) =>
    Array.from({ length: levels }, (_, level) => ({
      ...part,
      name: `${part.name}_LOD${level}`,
      mesh: level === 0 ? part.mesh : reduce(part.mesh, { share: 1 / (1 << level) }, simplifier),
    })),
  );
}
