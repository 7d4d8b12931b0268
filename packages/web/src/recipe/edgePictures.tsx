const PATHS = { plain: 'M2 2H14V18', chamfer: 'M2 2H8L14 8V18', round: 'M2 2H8A6 6 0 0 1 14 8V18' } as const;

/** A corner of the section, as the edge makes it. */
export const EdgePicture = ({ kind }: { kind: keyof typeof PATHS }) => (
  <svg width="16" height="20" viewBox="0 0 16 20" aria-hidden>
    <path d={PATHS[kind]} fill="none" stroke="currentColor" strokeWidth="1.6" />
  </svg>
);
