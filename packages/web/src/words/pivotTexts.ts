/** What is said about pivots: the place about which something is turned and sized. */
export const pivotTexts = {
  label: 'Turned about',
  owner: 'A place of',
  whole: 'the whole',
  letter: (text: string): string => `the letter ${text}`,
  letterOf: (text: string, name: string): string => `the letter ${text} of ${name}`,
  places: 'Places',
  depths: { front: 'front', middle: 'middle', back: 'back' },
  sides: { left: 'left', right: 'right', top: 'top', foot: 'foot', front: 'front', back: 'back' },
  /** among others of an edge or a corner */
  among: { left: 'left', right: 'right', top: 'upper', foot: 'lower', front: 'front', back: 'back' },
  middle: 'middle',
  middleOf: (side: string): string => `middle of the ${side}`,
  edge: (sides: string): string => `${sides} edge`,
  corner: (sides: string): string => `${sides} corner`,
  of: (place: string, text: string): string => `${place} of “${text}”`,
  outline: 'corner of the outline',
  zeroName: 'own zero',
  zero: 'To its zero',
  point: 'pivot',
  press: 'Press it on the piece',
  none: 'Its places are being looked for.',
} as const;
