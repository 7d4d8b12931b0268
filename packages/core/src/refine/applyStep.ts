import type { Simplifier } from '../base/index.ts';
import type { MeshStep, RefineStep } from '../document/index.ts';
import { crisp, faceCount, unfolded, type PolygonMesh } from '../mesh/index.ts';
import { clear } from './clear.ts';
import { joinPoints } from './joinPoints.ts';
import { reduce } from './reduce.ts';
import { subdivide } from './subdivide.ts';
import { toQuads } from './toQuads.ts';
import { toTriangles } from './toTriangles.ts';

export interface StepTools {
  simplifier: Simplifier | undefined;
  /** triangles of the whole piece before this step: what a count is shared out by */
  triangles: number;
  /** edges were made crisp by a step before: they are meant */
  isCrisp?: boolean;
}

/** One step on one body of a piece. */
export function applyStep(
  mesh: PolygonMesh,
  step: RefineStep,
  { simplifier, triangles, isCrisp = false }: StepTools,
): PolygonMesh {
  switch (step.kind) {
    case 'subdivide': {
      let refined =
        step.way === 'rounded' && step.edges === 'round' && !isCrisp
          ? { ...mesh, sharp: mesh.sharp.map(() => 0) }
          : mesh;
      for (let i = 0; i < step.times; i++) refined = subdivide(refined, step.way);
      // rounding bends quads, and may fold them where faces are long and thin
      return step.way === 'rounded' ? unfolded(refined) : refined;
    }
    case 'reduce': {
      if (!simplifier) throw new Error('no simplifier was handed in');
      if (step.by === 'error') return reduce(mesh, { errorMm: step.errorMm }, simplifier);
      const share = step.by === 'share' ? step.sharePercent / 100 : Math.min(1, step.count / triangles);
      return reduce(mesh, { share }, simplifier);
    }
    case 'triangles':
      return toTriangles(mesh, step.rule);
    case 'quads':
      return toQuads(mesh, step.withinDegrees);
    case 'join':
      return joinPoints(mesh, step.withinMm);
    case 'clear':
      return clear(mesh, step.withinDegrees);
    case 'crisp':
      return crisp(mesh, step.fromDegrees);
  }
}

/** About how many faces a step leaves of a mesh with so many corners and faces: known before it is taken. */
export function facesAfter(step: MeshStep, mesh: PolygonMesh): number {
  const faces = faceCount(mesh);
  if (step.kind === 'subdivide') return mesh.faceVertices.length << (2 * (step.times - 1)); // a corner, a quad
  if (step.kind === 'triangles') return mesh.faceVertices.length - 2 * faces;
  return faces;
}
