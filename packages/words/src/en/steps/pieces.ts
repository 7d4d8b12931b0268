import { stepWords } from '../../stepWords.ts';
import { ACROSS, FORWARD, RIGID, UP } from './shared.ts';

/** Steps that ask for other pieces. Their sentence is that of what is put on a body. */
export const PIECES_WORDS = {
  onto: stepWords('onto', {
    name: 'On a body',
    sentence: '',
    parts: { guideMm: ' ({guideMm})', guide: ', {guide}{guideMm}' },
    labels: {
      target: 'Piece that it is laid onto',
      method: 'How it is laid',
      heldBy: 'What is held',
      fromMm0: ACROSS,
      fromMm1: UP,
      fromMm2: FORWARD,
      turnDegrees: 'Turned',
      liftMm: 'Lifted',
      guide: 'Its line',
      guideMm: 'Places of the line',
      letters: 'On which letters',
      overhang: 'Over edges',
      rigid: 'Letters',
    },
    choices: {
      method: {
        flat: 'laid flat',
        round: 'laid round',
        direction: 'from one direction',
        closest: 'to the closest place',
      },
      heldBy: {
        zero: 'their zero',
        middle: 'their middle',
        capitals: 'the middle of their capitals',
        baseline: 'their baseline',
      },
      guide: {
        straight: 'running straight on',
        level: 'running level',
        edge: 'along the nearest edge',
        drawn: 'along a line drawn on it',
      },
      overhang: { straight: 'letters run on straight', follow: 'letters bend round', leave: 'letters are left out' },
      rigid: RIGID,
    },
  }),
  cut: stepWords('cut', {
    name: 'With another body',
    sentence: '',
    labels: {
      operation: 'What it does',
      sinkMm: 'Depth below the surface',
      softMm: 'Radius of the rim',
      softSide: 'Which side of the outline the rim lies on',
      softSteps: 'Pieces of the rim',
      raiseMm: 'Height',
      leanPercent: 'How much narrower it is at the top',
      loose: 'Parts that hang on nothing',
      clean: 'Slivers',
      ringMm: 'Width of a ring of quads beside the cut',
    },
    choices: {
      operation: {
        lie: 'lies on',
        engrave: 'is engraved',
        raise: 'stands raised',
        through: 'cuts right through',
        imprint: 'is drawn into its faces',
        join: 'becomes a part of it',
        subtract: 'is taken out of it',
        intersect: 'leaves only what both share',
      },
      softSide: { outward: 'wider than drawn', inward: 'no wider than drawn' },
      loose: { keep: 'stay', drop: 'are left out' },
      clean: { on: 'Slivers are cleared away', off: 'Every cut stays where it fell' },
    },
    units: { softSteps: (count) => (count === 1 ? 'piece' : 'pieces') },
    zeros: { softMm: 'sharp', raiseMm: 'flush', ringMm: 'none' },
  }),
};
