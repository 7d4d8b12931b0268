import { choice } from '../../fields/index.ts';
import { faceCount } from '../../mesh/index.ts';
import { toTriangles } from '../../refine/index.ts';
import { defineStep, refines, type StepOf } from '../definition.ts';

const TRIANGLES = { rule: choice(['short', 'same']) };

/** Every face into triangles. */
export const triangles = defineStep({
  kind: 'triangles',
  fields: TRIANGLES,
  group: 'faces',
  act: refines<StepOf<'triangles', typeof TRIANGLES>>({
    apply: (mesh, { rule }) => toTriangles(mesh, rule),
    facesAfter: (_, mesh) => mesh.faceVertices.length - 2 * faceCount(mesh),
  }),
  // the file has a flag of that name
  flags: false,
});
