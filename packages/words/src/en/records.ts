import type { RecordWords } from '../stepWords.ts';
import { ACROSS, AXES, FORWARD, UP } from './steps/shared.ts';

/** Where a step acts. */
export const WHERE_WORDS: RecordWords = {
  sentence: ', {kind}, on {parts} and {letters}{rest}',
  kinds: {
    all: '',
    ball: ' ({sizeMm0} wide about {centreMm0}, {centreMm1}, {centreMm2}, fading over {softMm})',
    box: ' ({sizeMm0} by {sizeMm1} by {sizeMm2} about {centreMm0}, {centreMm1}, {centreMm2}, fading over {softMm})',
    cone:
      ' ({sizeMm0} long, {sizeMm1} wide, along {axis} from {centreMm0}, {centreMm1}, {centreMm2}, fading over ' +
      '{softMm})',
    layer: ' ({sizeMm0} thick along {axis} about {centreMm0}, {centreMm1}, {centreMm2}, fading over {softMm})',
  },
  labels: {
    kind: 'Where it acts',
    parts: 'On which parts',
    letters: 'On which letters',
    axis: 'Which way',
    sizeMm0: 'Size',
    sizeMm1: 'Size',
    sizeMm2: 'Size',
    centreMm0: ACROSS,
    centreMm1: UP,
    centreMm2: FORWARD,
    softMm: 'Soft border',
  },
  choices: {
    kind: { all: 'everywhere', ball: 'in a ball', box: 'in a box', cone: 'in a cone', layer: 'in a layer' },
    parts: { all: 'all parts', fronts: 'fronts and backs', sides: 'walls and edges' },
    axis: AXES,
  },
};

/** A line in space, by its kind. */
export const LINE_WORDS: RecordWords = {
  sentence: '{kind}{rest}',
  kinds: {
    ring: ' of radius {radiusMm}',
    spiral: ' from {innerMm} out to {outerMm} in {turns}',
    ripple: ' of {waves}, each {lengthMm} long, {heightMm} high',
    coil: ' of radius {radiusMm}, climbing {riseMm} in {turns}',
    drawn: ' with {curve}',
    edge: ' of {target}, the one nearest to {atMm0} across, {atMm1} up and {atMm2} forward, walked {reversed}',
    places: '',
  },
  labels: {
    radiusMm: 'Radius',
    innerMm: 'Inner radius',
    outerMm: 'Outer radius',
    lengthMm: 'Length',
    heightMm: 'Height',
    riseMm: 'Climbs',
    turns: 'Turns',
    waves: 'Waves',
    target: 'Piece whose edge it is',
    atMm0: ACROSS,
    atMm1: UP,
    atMm2: FORWARD,
    reversed: 'Way along the edge',
  },
  choices: {
    kind: {
      ring: 'a ring',
      spiral: 'a spiral',
      ripple: 'a ripple',
      coil: 'a coil',
      drawn: 'a curve',
      edge: 'an edge',
      places: 'places in space',
    },
    reversed: { off: 'so that letters look outward', on: 'the other way round' },
  },
  units: {
    turns: (n) => (n === 1 ? 'turn' : 'turns'),
    waves: (n) => (n === 1 ? 'wave' : 'waves'),
  },
};
