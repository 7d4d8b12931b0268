/** Words of the step with which one piece cuts another. */
export const cutTexts = {
  cut: {
    softEnd: {
      engrave: 'Its rim {softMm}{rest}.',
      through: 'Its rim {softMm}{rest}.',
      raise: 'Its foot {softMm}{rest}.',
    },
    softRest: ' round, {softSide}, in {softSteps}',
    looseEnd: 'Loose parts {loose}.',
    more: '{rim} {parts} {clean}. Quads beside the cut: {ringMm}.',
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
