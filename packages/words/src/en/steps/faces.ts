import { stepWords } from '../../stepWords.ts';

/** Steps that make faces anew. */
export const FACES_WORDS = {
  subdivide: stepWords('subdivide', {
    name: 'Subdivide',
    sentence: 'Subdivide {times}, {way}{edges}.',
    parts: { edges: ', sharp edges {edges}' },
    labels: { times: 'Subdivide, times', way: 'Subdivide', edges: 'Sharp edges' },
    choices: {
      way: { straight: 'flat', rounded: 'rounded' },
      edges: { stay: 'stay', round: 'are rounded, but for crisp ones' },
    },
    units: { times: (n) => (n === 1 ? 'time' : 'times') },
    help: {
      main: 'every face into quads, so many times',
      way: 'whether they are rounded',
      edges: 'what rounding does to sharp edges',
    },
  }),
  reduce: stepWords('reduce', {
    name: 'Reduce',
    sentence: 'Reduce to {by}: {sharePercent}{count}{errorMm}.',
    labels: {
      by: 'Reduce to',
      sharePercent: 'Share of the triangles',
      count: 'Count of triangles',
      errorMm: 'Largest error',
    },
    choices: { by: { share: 'a share', count: 'a count', error: 'an error' } },
    units: { count: 'triangles' },
    help: { main: '50% of the triangles, a count of them, or an error like 0.2mm' },
  }),
  triangles: stepWords('triangles', {
    name: 'Triangulate',
    sentence: 'Triangulate, {rule}.',
    labels: { rule: 'Triangles' },
    choices: { rule: { short: 'along the shorter diagonal', same: 'all quads alike' } },
  }),
  quads: stepWords('quads', {
    name: 'Join to quads',
    sentence: 'Join triangles to quads where they are flat within {withinDegrees}.',
    labels: { withinDegrees: 'Within' },
    help: { main: 'joins triangles to quads that are flat within so many degrees' },
  }),
  join: stepWords('join', {
    name: 'Merge points',
    sentence: 'Merge points closer than {withinMm}.',
    labels: { withinMm: 'Within' },
    help: { main: 'joins points that are closer than this' },
  }),
  clear: stepWords('clear', {
    name: 'Clear flat faces',
    sentence: 'Clear edges on faces that are flat within {withinDegrees}.',
    labels: { withinDegrees: 'Within' },
    help: { main: 'clears edges on faces that are flat within so many degrees' },
  }),
  crisp: stepWords('crisp', {
    name: 'Crisp edges',
    sentence: 'Shade edges crisply from {fromDegrees} on.',
    labels: { fromDegrees: 'Crisp from' },
    help: { main: 'edges shade crisply from so many degrees on' },
  }),
  recast: stepWords('recast', {
    name: 'Remesh',
    sentence:
      'Remesh in cells of {sizeMm}, sheets {thickMm} thick, edges melted by {meltMm}, then reduced within ' +
      '{errorMm}.',
    labels: {
      sizeMm: 'Size of cells',
      thickMm: 'Thickness of sheets',
      meltMm: 'Melted by',
      errorMm: 'Reduced within',
    },
    help: {
      main: 'made anew over a grid of such cells: closed, and nothing crosses',
      thickMm: 'open sheets become so thick',
      meltMm: 'edges melt by so much',
      errorMm: 'then as few triangles as stay within this; 0: all',
    },
  }),
};
