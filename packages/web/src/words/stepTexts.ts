import { shapeTexts } from './shapeTexts.ts';

/** Names of steps and of their choices. */
export const stepTexts = {
  stepWays: { straight: 'flat', rounded: 'rounded' },
  stepEdges: { stay: 'stay', round: 'are rounded, but for crisp ones' },
  reduceBy: { share: 'a share', count: 'a count', error: 'an error' },
  triangleRules: { short: 'along the shorter diagonal', same: 'all quads alike' },
  steps: {
    subdivide: 'Subdivide',
    reduce: 'Reduce',
    triangles: 'Cut into triangles',
    quads: 'Join to quads',
    join: 'Join points',
    clear: 'Clear flat faces',
    crisp: 'Crisp edges',
    recast: 'Cast anew',
    ...shapeTexts.names,
    cut: 'With another body',
  },
} as const;
