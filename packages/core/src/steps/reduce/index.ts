import { LIMITS } from '../../base/index.ts';
import { choice, count, length, share } from '../../fields/index.ts';
import { reduce as fewer } from '../../refine/index.ts';
import { defineStep, refines, type StepOf } from '../definition.ts';

const REDUCE = {
  by: choice(['share', 'count', 'error'], { flag: false }),
  sharePercent: share(0.1, 100, { usual: 50, step: 5, moves: 'no', flag: false, when: { by: 'share' } }),
  count: count(4, LIMITS.meshFaces, { usual: 5000, step: 100, flag: false, when: { by: 'count' } }),
  errorMm: length(0.0001, 1000, { usual: 0.1, step: 0.05, moves: 'no', flag: false, when: { by: 'error' } }),
};

/** Fewer triangles; parts and their borders stay. */
export const reduceStep = defineStep({
  kind: 'reduce',
  fields: REDUCE,
  group: 'faces',
  act: refines<StepOf<'reduce', typeof REDUCE>>({
    apply: (mesh, { by, errorMm, sharePercent, count }, { simplifier, triangles }) => {
      if (!simplifier) throw new Error('no simplifier was handed in');
      if (by === 'error') return fewer(mesh, { errorMm }, simplifier);
      return fewer(mesh, { share: by === 'share' ? sharePercent / 100 : Math.min(1, count / triangles) }, simplifier);
    },
    asked: ({ by, count, sharePercent }, triangles) => {
      if (by === 'error') return undefined;
      return by === 'count' ? count : Math.round((triangles * sharePercent) / 100);
    },
    isSharedOut: ({ by }) => by === 'count',
    needsSimplifier: true,
  }),
  flags: { name: 'reduce', byUnit: 'by', turn: 7 },
});
