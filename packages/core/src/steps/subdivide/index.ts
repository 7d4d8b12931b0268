import { choice, count } from '../../fields/index.ts';
import { unfolded } from '../../mesh/index.ts';
import { subdivide as cutEach } from '../../refine/index.ts';
import { defineStep, refines, type StepOf } from '../definition.ts';

const SUBDIVIDE = {
  times: count(1, 4),
  way: choice(['straight', 'rounded'], { flag: 'kind' }),
  /** of rounding: sharp edges stay, or only those that were made crisp by a step before do */
  edges: choice(['stay', 'round'], { when: { way: 'rounded' } }),
};
type SubdivideStep = StepOf<'subdivide', typeof SUBDIVIDE>;

/** Every face into quads about its middle: as flat as it was, or rounded between sharp edges. */
export const subdivideStep = defineStep({
  kind: 'subdivide',
  fields: SUBDIVIDE,
  group: 'faces',
  act: refines<SubdivideStep>({
    apply: (mesh, { way, edges, times }, { isCrisp = false }) => {
      const softens = way === 'rounded' && edges === 'round' && !isCrisp;
      let refined = softens ? { ...mesh, sharp: mesh.sharp.map(() => 0) } : mesh;
      for (let i = 0; i < times; i++) refined = cutEach(refined, way);
      // rounding bends quads, and may fold them where faces are long and thin
      return way === 'rounded' ? unfolded(refined) : refined;
    },
    // a corner, a quad
    facesAfter: ({ times }, mesh) => mesh.faceVertices.length << (2 * (times - 1)),
    flatly: (step) => ({ ...step, way: 'straight' }),
  }),
  // the edges of a body are rounded, those of letters are what is drawn
  start: ({ isBody }): Partial<SubdivideStep> => ({ edges: isBody ? 'round' : 'stay' }),
  flags: { name: 'subdivide', main: 'times', turn: 6 },
});
