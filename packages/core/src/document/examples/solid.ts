import { remark } from '../../base/index.ts';
import { usualHollow, usualBody } from '../defaults.ts';
import type { Edge, Profile, Solid } from '../schema.ts';
import { font, ofWords, wordsAlone, type RemarkExamples } from './scenes.ts';

const usual = usualBody().solid;
const edge = (values: Partial<Edge>): Edge => ({ ...usual.front, ...values });
const along = (values: Partial<Solid['along']>): Partial<Solid> => ({ along: { ...usual.along, ...values } });

/** A line from front to back that runs through itself. */
const LOOP: Profile = [
  [0, 0.5],
  [1, 0.5],
  [1, 0.25],
  [0.5, 0.75],
].map(([across, down]) => ({ in: across, down, smooth: false }));

/** Parts of an outline that all but touch. */
const touching = wordsAlone('z', {
  words: {
    font: font('Recursive', 400),
    contour: { ...usualHollow(), wallMm: 5.264569253078662, side: 'outside' },
    tracking: -20.2,
  },
  solid: { depthMm: 19, front: edge({ kind: 'bead', inMm: 3.197883170144632, deepMm: 2.4, steps: 3 }) },
});

/** What is told of edges, sides and depth. */
export const SOLID_EXAMPLES = {
  FLAT_SHEET: () => ofWords(wordsAlone('Sign', { solid: { depthMm: 0 } })),
  EDGES_SCALED: () =>
    ofWords(wordsAlone('Kiln', { solid: { depthMm: 6, front: edge({ deepMm: 8 }), backAsFront: true } })),
  SIDE_LEFT_STRAIGHT: () =>
    ofWords(
      wordsAlone('Kiln', {
        solid: { depthMm: 6, front: edge({ inMm: 2, deepMm: 6 }), side: { ...usual.side, kind: 'waist' } },
      }),
    ),
  SECTION_CROSSES: () =>
    ofWords(wordsAlone('IL', { solid: { front: edge({ kind: 'drawn', inMm: 4, deepMm: 6, points: LOOP }) } })),
  LIGHTER_VANISHES: () => ofWords(wordsAlone('IO.', { solid: { emboldenMm: -8 } })),
  LIGHTER_BREAKS: () =>
    ofWords(wordsAlone('e', { words: { font: font('Bodoni Moda', 700) }, solid: { emboldenMm: -4 } })),
  ALONG_CROSSES: () => ofWords(wordsAlone('HIH', { solid: along({ about: 'letter', twistDegrees: 90 }) })),
  EDGE_TOO_FINE: () =>
    ofWords(wordsAlone('GLAZE', { words: { sizeMm: 10_000 }, solid: { depthMm: 800, front: edge({ inMm: 0.001 }) } })),
  EDGE_MEETS: () => ofWords(wordsAlone('Row', { solid: { front: edge({ kind: 'chamfer', inMm: 9, deepMm: 9 }) } })),
  EDGE_JITTERED: () => ofWords(wordsAlone('Kiln'), remark('EDGE_JITTERED', { letters: 'K', byMm: 0.002 })),
  EDGE_OPENED: () => ofWords(touching),
  EDGE_NARROWED: () => ofWords(wordsAlone('Kiln'), remark('EDGE_NARROWED', { letters: 'K', askedMm: 4, takenMm: 2.5 })),
  LETTER_LEFT_OUT: () => ofWords(wordsAlone('Kil'), remark('LETTER_LEFT_OUT', { letters: 'n' })),
} satisfies Partial<RemarkExamples>;
