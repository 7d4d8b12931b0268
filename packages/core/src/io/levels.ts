import { keptBy, type Simplifier } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { reduce } from '../refine/index.ts';

/** What a level's file or object is called after what it is a level of. */
export const levelSuffix = (level: number): string => `_LOD${level}`;

/** "Kiln_LOD1": a level of "Kiln". Undefined where a name says nothing of levels. */
export function levelNamed(name: string): Level | undefined {
  const found = /^(.*)_LOD(\d{1,2})$/i.exec(name);
  return found ? { of: found[1], level: Number(found[2]) } : undefined;
}

/** What something is a level of detail of, and which: 0 is the finest. */
export interface Level {
  of: string;
  level: number;
}

/**
 * Which parts stand in the asked level (of each body the next finer one that it has, or its finest), and how many
 * levels there are.
 */
export function inLevel<T extends { level?: Level }>(
  parts: readonly T[],
  asked: number,
): { parts: T[]; levels: number } {
  const has = new Map<string, number[]>();
  for (const { level } of parts) if (level) has.set(level.of, [...(has.get(level.of) ?? []), level.level]);
  const taken = new Map<string, number>();
  let levels = 1;
  for (const [of, all] of has) {
    const known = [...new Set(all)].sort((a, b) => a - b);
    levels = Math.max(levels, known.length);
    taken.set(of, known[Math.min(asked, known.length - 1)]);
  }
  return { parts: parts.filter(({ level }) => !level || taken.get(level.of) === level.level), levels };
}

/** Parts level by level; each has half the triangles of the one before. */
export function levelsOf<P extends { mesh: PolygonMesh }>(
  parts: readonly P[],
  levels: number,
  simplifier: Simplifier | undefined,
): P[][] {
  if (levels === 1) return [[...parts]];
  if (!simplifier) throw new Error('no simplifier was handed in');
  return Array.from({ length: levels }, (_, level) => {
    const reduced = keptBy((mesh: PolygonMesh) => reduce(mesh, { share: 1 / (1 << level) }, simplifier));
    return level === 0 ? [...parts] : parts.map((part) => ({ ...part, mesh: reduced(part.mesh) }));
  });
}
