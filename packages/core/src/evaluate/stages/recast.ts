import type { Named, RunContext, Simplifier, Stage } from '../../base/index.ts';
import { meshBytes, type PolygonMesh } from '../../mesh/index.ts';
import type { RecastStep } from '../../steps/index.ts';
import { recastBody } from '../recastBody.ts';
import type { ValuesOfStep } from './refine.ts';

export interface RecastInputs {
  mesh: Named<PolygonMesh>;
  step: ValuesOfStep<RecastStep>;
}

export interface RecastStageTools {
  context: RunContext;
  simplifier: Simplifier | undefined;
}

/** A body made anew over a grid. */
export const RECAST: Stage<RecastInputs, RecastStageTools, PolygonMesh> = {
  name: 'recast',
  make: ({ mesh, step }, tools) => recastBody(mesh.of, { ...step, id: '', on: true }, tools),
  bytesOf: meshBytes,
};
