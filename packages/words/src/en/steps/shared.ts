/** What several steps say alike. */
export const AXES = { x: 'the line', y: 'the height', z: 'the depth' } as const;
export const ACROSS = 'Across';
export const UP = 'Up';
export const FORWARD = 'Forward';

export const ALONG = {
  labels: { axis: 'Which way', whole: 'Over', fromMm: 'From', toMm: 'To' },
  parts: { fromMm: ' {fromMm} and ', toMm: '{toMm}' },
  choices: { axis: AXES, whole: { on: 'over all of it', off: 'between' } },
  help: { axis: 'along which axis', fromMm: 'where it begins in the flat layout', toMm: 'where it ends' },
} as const;

export const ABOUT = {
  labels: { middle: 'What stays', centreMm0: ACROSS, centreMm1: UP, centreMm2: FORWARD },
  parts: { centreMm: ' {centreMm0}, {centreMm1}, {centreMm2}' },
  choices: { middle: { on: 'its middle', off: 'the point' } },
  help: { centreMm: 'a point X,Y,Z that stays' },
} as const;

export const EASE = {
  labels: { ease: 'How it grows' },
  choices: { ease: { even: 'evenly', soft: 'softly', early: 'most at the start', late: 'most at the end' } },
  help: { ease: 'how it grows from its start to its end' },
} as const;

export const DISPLACING = {
  labels: { heightMm: 'Height', moves: 'Moves' },
  choices: { moves: { outward: 'outward', x: 'across', y: 'up', z: 'forward' } },
  help: { moves: 'which way it moves' },
} as const;

export const RIGID = { on: 'letters stay rigid', off: 'letters bend' } as const;
