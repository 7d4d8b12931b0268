const ms = (value: number): string =>
  value >= 1000 ? `${(value / 1000).toFixed(1)} s` : `${value < 10 ? value.toFixed(1) : Math.round(value)} ms`;

const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6).toLocaleString('en')} MB`;

/** Of the panel that says how fast it is on this machine. */
export const figureTexts = {
  title: 'How fast is it here',
  lead:
    'What was changed last, and how long it took from the hand to the view. ' +
    'Copied as text, it says all that is needed to find out why something is slow.',
  none: 'Nothing was built since this page was opened. Change something, and look again.',
  last: {
    exact: (value: number, faces: number) => `${ms(value)} to the exact mesh of ${faces.toLocaleString('en')} faces`,
    preview: (value: number, faces: number) => `${ms(value)} to a preview of ${faces.toLocaleString('en')} faces`,
    kept: (value: number, faces: number) =>
      `${ms(value)} to the ${faces.toLocaleString('en')} faces that were kept from last time`,
  },
  stages: 'Where the time went',
  /** by what the core calls a stage */
  stage: {
    wait: 'Waiting for the worker, and back',
    layout: 'Words set in their font',
    outline: 'Outlines of letters',
    contact: 'Letters that touch',
    reach: 'How wide strokes are',
    need: 'How fine the shape needs faces',
    flat: 'Fronts and their faces',
    solid: 'Raised to solids',
    'along depth': 'Changed towards the back',
    form: 'Forms',
    model: 'Models read',
    target: 'Bodies that are laid on',
    laying: 'Ways over a body',
    'edge line': 'Edges of bodies',
    shape: 'Shape steps',
    refine: 'Faces made anew',
    recast: 'Recast over a grid',
    cut: 'Cuts',
    display: 'Made ready for the view',
    rest: 'All else',
  } as Readonly<Record<string, string>>,
  counts: (made: number, found: number) =>
    found === 0 ? `${made.toLocaleString('en')} made` : `${made.toLocaleString('en')} made, ${found} at hand`,
  ms,
  before: 'Before that',
  kinds: { exact: 'Exact', preview: 'Preview', kept: 'Kept' },
  faces: (count: number) => `${count.toLocaleString('en')} faces`,
  machine: 'This machine',
  threads: 'Threads at work',
  threadsOf: (threads: number | undefined, cores: number) =>
    threads === undefined ? `none yet, of ${cores} cores` : `${threads} of ${cores} ${cores === 1 ? 'core' : 'cores'}`,
  kept: 'Kept for the next change',
  keptOf: (bytes: number | undefined) => (bytes === undefined ? 'nothing yet' : megabytes(bytes)),
  page: 'Memory of the page',
  pageOf: (bytes: number) => megabytes(bytes),
  stalls: 'Times the page could not answer for 50 ms',
  stallsOf: (count: number, longest: number) => (count === 0 ? 'none' : `${count}, the longest ${ms(longest)}`),
  sum: 'A million square roots',
  copy: 'Copy as text',
  copied: 'Copied',
  copyFailed: 'The browser did not let it be copied.',
} as const;
