import type { FormWords } from '../formWords.ts';

const WIDTH = { widthMm: 'Width' };
const HEIGHT = { heightMm: 'Height' };
const DEPTH = { depthMm: 'Depth' };
const RADIUS = { radiusMm: 'Radius' };
const THICK = { thickMm: 'Thickness' };
const WALL = { wallMm: 'Wall' };
const FULL = { wallMm: 'none, it is full' };

/** What English says of every form. */
export const FORM_WORDS: FormWords = {
  block: {
    sentence:
      'A slab, {widthMm} by {heightMm} by {depthMm}, its edges {edge}{edgeMm}. Its top {taperPercent} narrower.',
    parts: { edgeMm: ', {edgeMm} in' },
    labels: {
      ...WIDTH,
      ...HEIGHT,
      ...DEPTH,
      edge: 'Edges',
      edgeMm: 'Edges, in',
      taperPercent: 'Narrower at the top',
    },
    choices: { edge: { plain: 'plain', chamfer: 'chamfered', round: 'rounded' } },
  },
  ball: { sentence: 'A ball of radius {radiusMm}.', labels: RADIUS },
  turned: { sentence: 'A profile of {knots} turned round; its wall {wallMm}.', labels: WALL, zeros: FULL },
  tube: {
    sentence: 'An upright tube, {widthMm} across and {depthMm} deep, {heightMm} tall; its wall {wallMm}.',
    labels: { ...WIDTH, ...DEPTH, ...HEIGHT, ...WALL },
    zeros: FULL,
  },
  ring: { sentence: 'A ring of radius {radiusMm}, {thickMm} thick.', labels: { ...RADIUS, ...THICK } },
  coil: {
    sentence: 'A roll {thickMm} thick, wound with radius {radiusMm}, climbing {riseMm} in {turns}.',
    labels: { ...THICK, ...RADIUS, riseMm: 'Climb', turns: 'Turns' },
    units: { turns: (count) => (count === 1 ? 'turn' : 'turns') },
  },
  shell: {
    sentence: 'A sheet, {widthMm} by {heightMm}, {thickMm} thick, standing out {acrossMm} across and {upMm} up.',
    labels: { ...WIDTH, ...HEIGHT, ...THICK, acrossMm: 'Out across', upMm: 'Out up' },
  },
  panel: {
    sentence: 'A plate round {around}, {marginMm} wider all round, {thickMm} thick, its corners rounded by {cornerMm}.',
    labels: { around: 'Words', marginMm: 'Margin', ...THICK, cornerMm: 'Corners' },
  },
};
