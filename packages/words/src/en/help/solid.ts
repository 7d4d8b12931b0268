import type { HelpWords } from '../../helpWords.ts';

/** Of edges, sides and depth. */
export const SOLID_HELP = {
  FLAT_SHEET: {
    name: 'A flat sheet',
    means:
      'Raised by 0 mm there is only a front: faces without thickness, open at the rim. Some engines want just that.',
    helps: 'For printing, cutting or joining give it some depth.',
  },
  EDGES_SCALED: {
    name: 'Edges deeper than the body',
    means: 'Front and back edge take their depth out of the body. Together they asked for more than there is.',
    helps: 'Raise the body as far as the button says, make the edges less deep, or let them come on top of the depth.',
  },
  SIDE_LEFT_STRAIGHT: {
    name: 'No room for the side',
    means: 'Between front and back edge so little of the wall is left that no curve fits into it.',
    helps: 'Raise the body, or make the edges less deep.',
  },
  SECTION_CROSSES: {
    name: 'A section that crosses itself',
    means: 'The drawn line from front to back runs through itself, so walls would run through each other.',
    helps: 'Open the section and pull its points apart at the place that is told.',
  },
  LIGHTER_VANISHES: {
    name: 'Nothing left of the letter',
    means: 'The outline was moved inward by more than half of every stroke.',
    helps: 'Move it less, or take a bolder font.',
  },
  LIGHTER_BREAKS: {
    name: 'Thin strokes are gone',
    means: 'The outline was moved inward by more than half of the thinnest strokes, so letters fall into parts.',
    helps: 'Move it less, or take a font whose strokes are more even.',
  },
  ALONG_CROSSES: {
    name: 'Walls run into each other',
    means: 'Turned, widened or leaned on their way to the back, neighbouring letters come to stand in each other.',
    helps: 'Turn less, or set the letters wider. Finer curves help where only a hair is missing.',
  },
  EDGE_TOO_FINE: {
    name: 'Too fine an edge',
    means: 'Points lie on a grid that is fine beside the whole lettering; this edge would be finer than the grid.',
    helps: 'Make the edge at least as wide as is told. Nobody could see a finer one at this size.',
  },
  EDGE_MEETS: {
    name: 'Slopes that meet in a ridge',
    means: 'The edge is wider than half a stroke, so the slopes of both sides meet and no flat front is left there.',
    helps: 'Many want just that: it looks carved. For a flat front make the edge narrower, or the font bolder.',
  },
  EDGE_JITTERED: {
    name: 'Points moved by a hair',
    means: 'Where corners of an outline fall together no edge can be built, so they moved by far less than one sees.',
    helps: 'Nothing has to be done.',
  },
  EDGE_OPENED: {
    name: 'An outline opened a little',
    means: 'Parts of an outline touch in a point, so the edge could not run between them. They were set apart.',
    helps: 'Usually nothing. For another shape change the width of the edge or the offset of the outline a little.',
  },
  EDGE_NARROWED: {
    name: 'A narrower edge',
    means: 'No sound edge as wide as was asked for could be built on this letter, so the widest that could was taken.',
    helps: 'Make the edge narrower for all, so that letters look alike, or cut its corners.',
  },
  LETTER_LEFT_OUT: {
    name: 'A letter left out',
    means: 'Not even plain walls on this outline could be proved closed and free of crossings.',
    helps: 'Try other edges, another offset or a finer tolerance; the outline itself may be broken in the font.',
  },
} satisfies Partial<HelpWords>;
