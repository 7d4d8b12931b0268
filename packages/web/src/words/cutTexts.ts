/** Words of the step with which one piece cuts another. */
export const cutTexts = {
  cut: {
    flush: 'flush',
    softEnd: { engrave: 'Its rim {soft}{rest}.', through: 'Its rim {soft}{rest}.', raise: 'Its foot {soft}{rest}.' },
    sharp: 'sharp',
    softRest: ' round, {side}, in {steps}',
    sides: { outward: 'wider than drawn', inward: 'no wider than drawn' },
    stepsUnit: (count: number): string => (count === 1 ? 'piece' : 'pieces'),
    looseEnd: 'Loose parts {loose}.',
    looses: { keep: 'stay', drop: 'are left out' },
    cleans: { on: 'Slivers are cleared away', off: 'Every cut stays where it fell' },
    more: '{soft} {loose} {clean}. Quads beside the cut: {ring}.',
    noRing: 'none',
    labels: {
      operation: 'What it does',
      sinkMm: 'Depth below the surface',
      softMm: 'Radius of the rim',
      softSide: 'Which side of the outline the rim lies on',
      softSteps: 'Pieces of the rim',
      raiseMm: 'Height',
      lean: 'How much narrower it is at the top',
      loose: 'Parts that hang on nothing',
      clean: 'Slivers',
      ringMm: 'Width of a ring of quads beside the cut',
    },
    faults: {
      open: 'This piece is not closed, so it has no inside to cut into. Close its holes first.',
      inward: 'This piece faces inward. Turn its faces round before bringing it in.',
      cutter: 'What cuts is no closed solid as it lies there. Give it depth, or lay it where the surface curves less.',
      kernel: 'The cut failed. Move the words a little, or make the piece simpler.',
      large: 'This piece has too many points to be cut. Reduce it first.',
      fine: 'Points of this piece lie too near to each other. Join them first.',
      crossed:
        'What cuts runs through itself as it lies there. Make it smaller, its rim narrower, or lay it where the surface curves less.',
      result: 'Faces would cross where it is cut. Move the words a little, or take another size.',
      empty: 'Nothing would be left of this piece. Move one of the two.',
      volume:
        'Faces run through each other, in this piece or in what cuts it, so the cut can’t be trusted and is left out.',
    },
  },
} as const;
