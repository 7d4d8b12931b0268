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
  },
} as const;
