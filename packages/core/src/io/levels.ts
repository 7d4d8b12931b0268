import type { Simplifier } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { reduce } from '../refine/index.ts';

/** Each level of detail has half the triangles of the one before; where only one is wanted the parts stay as they are. */
export function withLevels<P extends { name: string; mesh: PolygonMesh }>(
  parts: readonly P[],
  levels: number,
  simplifier: Simplifier | undefined,
): P[] {
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
