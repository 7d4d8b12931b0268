import type { Contour, Edge, Faces, Placement, Side, Solid, Words } from '@fictile/core';
import type { ReactNode } from 'react';

/** Small drawings for the menus of sentences: lines in the ink of the text, what is meant in cobalt. */
export function Picture({ lines, meant }: { lines: string; meant?: string }) {
  return (
    <svg width="20" height="18" viewBox="0 0 20 18" fill="none" strokeWidth="1.5" strokeLinecap="round" aria-hidden>
      <path d={lines} stroke="currentColor" />
      {meant && <path d={meant} stroke="var(--cobalt)" strokeWidth="1.8" />}
    </svg>
  );
}

const dot = (x: number, y: number): string => `M${x - 1} ${y}a1 1 0 1 0 2 0a1 1 0 1 0 -2 0`;
const BLOCK = 'M5 4H15V14H5Z';

const EDGES: Readonly<Record<Edge['kind'] | 'same', ReactNode>> = {
  plain: <Picture lines="M3 4H15V16" />,
  chamfer: <Picture lines="M3 4H9M15 10V16" meant="M9 4L15 10" />,
  round: <Picture lines="M3 4H9M15 10V16" meant="M9 4A6 6 0 0 1 15 10" />,
  cove: <Picture lines="M3 4H9M15 10V16" meant="M9 4A6 6 0 0 0 15 10" />,
  step: <Picture lines="M3 4H9M15 10V16" meant="M9 4V7H12V10H15" />,
  ogee: <Picture lines="M3 4H9M15 10V16" meant="M9 4A3 3 0 0 1 12 7A3 3 0 0 0 15 10" />,
  bead: <Picture lines="M3 4H11M16 11V16" meant="M11 4A3.5 3.5 0 0 1 11 11H16" />,
  drawn: <Picture lines="M3 4H7M16 13V16" meant="M7 4C9 4 10 5 10 7C10 9 13 8 13 10C13 12 16 11 16 13" />,
  same: <Picture lines="M10 2V16" meant="M3 5H6A2 2 0 0 1 8 7V15M17 5H14A2 2 0 0 0 12 7V15" />,
};
const FACES: Readonly<Record<Faces['style'], ReactNode>> = {
  plain: <Picture lines={BLOCK} meant="M5 14L15 4" />,
  bands: <Picture lines={BLOCK} meant="M8.3 4V14M11.7 4V14" />,
  grid: <Picture lines={BLOCK} meant="M8.3 4V14M11.7 4V14M5 7.3H15M5 10.7H15" />,
  flow: (
    <Picture
      lines="M3 15A8 8 0 0 1 17 15M7 15A4 4 0 0 1 13 15"
      meant="M5 15A6 6 0 0 1 15 15M6 9L8 12M10 7V11M14 9L12 12"
    />
  ),
};
const ALIGNS: Readonly<Record<Words['align'], ReactNode>> = {
  left: <Picture lines="M5 5H16M5 9H12M5 13H15" meant="M2 3V15" />,
  center: <Picture lines="M4 5H16M7 9H13M5 13H15" meant="M10 2V3M10 15V16" />,
  right: <Picture lines="M4 5H15M8 9H15M5 13H15" meant="M18 3V15" />,
  justify: <Picture lines="M5 5H15M5 9H15M5 13H15" meant="M2 3V15M18 3V15" />,
};
const ANCHORS: Readonly<Record<Words['anchor'], ReactNode>> = {
  baseline: <Picture lines="M6 12V4H11A3 3 0 0 1 11 9H6M13 9V16" meant="M2 12H18" />,
  top: <Picture lines={BLOCK} meant="M2 4H18" />,
  middle: <Picture lines={BLOCK} meant="M2 9H18" />,
  bottom: <Picture lines={BLOCK} meant="M2 14H18" />,
};
const DEPTHS: Readonly<Record<Words['depthAnchor'], ReactNode>> = {
  back: <Picture lines={BLOCK} meant="M5 2V16" />,
  middle: <Picture lines={BLOCK} meant="M10 2V16" />,
  front: <Picture lines={BLOCK} meant="M15 2V16" />,
};
const KERNINGS: Readonly<Record<'on' | 'off', ReactNode>> = {
  on: <Picture lines="M2 14L6 4L10 14M8 4L12 14L16 4" />,
  off: <Picture lines="M1 14L5 4L9 14M11 4L15 14L19 4" />,
};
const LETTERS: Readonly<Record<Words['letters'], ReactNode>> = {
  joined: <Picture lines="M10 5.5A5 5 0 1 0 10 12.5A5 5 0 1 0 10 5.5" />,
  apart: <Picture lines="M2 9A5 5 0 1 0 12 9A5 5 0 1 0 2 9M8 9A5 5 0 1 0 18 9A5 5 0 1 0 8 9" />,
};
const DIRECTIONS: Readonly<Record<Words['direction'], ReactNode>> = {
  auto: <Picture lines="M3 5H12M8 13H17" meant="M10 3L12 5L10 7M10 11L8 13L10 15" />,
  ltr: <Picture lines="M3 9H16" meant="M13 6L16 9L13 12" />,
  rtl: <Picture lines="M17 9H4" meant="M7 6L4 9L7 12" />,
};
const STANDS: Readonly<Record<Placement['stand'], ReactNode>> = {
  free: <Picture lines="M6 2H14V10H6Z" meant="M2 16H4M8 16H12M16 16H18" />,
  table: <Picture lines="M6 7H14V15H6Z" meant="M2 16H18" />,
};
const BACKS: Readonly<Record<'same' | 'own', ReactNode>> = {
  same: EDGES.same,
  own: <Picture lines="M10 2V16M3 5H6A2 2 0 0 1 8 7V15" meant="M17 5H12V15" />,
};

const SIZES: Readonly<Record<Words['sizeBy'], ReactNode>> = {
  capitals: <Picture lines="M4 14V4H9M4 9H8M12 9V14H16V9H12" meant="M18 4V14" />,
  xHeight: <Picture lines="M4 14V4H9M4 9H8M12 9V14H16V9H12" meant="M18 9V14" />,
  em: <Picture lines="M4 14V4H9M4 9H8M12 9V14H16V9H12" meant="M18 2V17" />,
};
const LINES: Readonly<Record<Words['line']['kind'], ReactNode>> = {
  straight: <Picture lines="M4 12V6M8 12V6M12 12V6M16 12V6" meant="M2 14H18" />,
  circle: <Picture lines="M3 6L5 8M10 2V5M17 6L15 8" meant="M4 14A7 7 0 0 1 16 14" />,
  curve: <Picture lines="M4 8V4M9 8L10 4M14 11L17 8" meant="M2 11C8 7 11 17 18 12" />,
};
const RING = 'M4 16A7 7 0 0 1 16 16';
const SIDES: Readonly<Record<'outside' | 'center' | 'inside', ReactNode>> = {
  outside: <Picture lines="M10 3V8" meant={RING} />,
  center: <Picture lines="M10 6V12" meant={RING} />,
  inside: <Picture lines="M10 10V15" meant={RING} />,
};
const WAYS: Readonly<Record<'clockwise' | 'counter', ReactNode>> = {
  clockwise: <Picture lines="M4 12A7 7 0 0 1 15 6" meant="M12 5L15 6L15 9" />,
  counter: <Picture lines="M4 6A7 7 0 0 0 15 12" meant="M12 13L15 12L15 9" />,
};
const ON_CIRCLE: Readonly<Record<'turned' | 'sheared', ReactNode>> = {
  turned: <Picture lines="M4 8L6 12M10 5V9M16 8L14 12" />,
  sheared: <Picture lines="M5 8V13M10 5V9M15 8V13" />,
};
const FITS: Readonly<Record<Words['fit']['to'], ReactNode>> = {
  none: <Picture lines="M6 13L10 5L14 13" />,
  width: <Picture lines="M6 13L10 5L14 13" meant="M2 3V15M18 3V15" />,
  height: <Picture lines="M6 13L10 5L14 13" meant="M3 4H17M3 14H17" />,
  box: <Picture lines="M6 13L10 5L14 13" meant="M2 3H18V15H2Z" />,
};
const FIT_HOWS: Readonly<Record<'both' | 'shrink', ReactNode>> = {
  both: <Picture lines="M10 3V15" meant="M8 9H3L5 7M3 9L5 11M12 9H17L15 7M17 9L15 11" />,
  shrink: <Picture lines="M10 3V15" meant="M3 9H8L6 7M8 9L6 11M17 9H12L14 7M12 9L14 11" />,
};
const CAPITALS: Readonly<Record<Words['capitals'], ReactNode>> = {
  typed: <Picture lines="M2 14L6 4L10 14M4 10H8M13 14A2.5 2.5 0 1 1 13 9M17 8V14" />,
  upper: <Picture lines="M1 14L5 4L9 14M3 10H7M11 14L15 4L19 14M13 10H17" />,
  small: <Picture lines="M1 14L5 4L9 14M3 10H7M12 14L15 7L18 14M13 12H17" />,
};

const CONTOURS: Readonly<Record<Contour['kind'], ReactNode>> = {
  full: <Picture lines="M5 4V14H15V10H9V4ZM7 4V14M5 12H15M5 8H9" />,
  hollow: <Picture lines="M5 4V14H15V10H9V4Z" />,
  wire: <Picture lines="M3 14C3 3 12 3 12 9S17 15 17 4" meant={dot(3, 14)} />,
};
const WALLS: Readonly<Record<'inside' | 'center' | 'outside', ReactNode>> = {
  inside: <Picture lines="M3 3H17V15H3Z" meant="M6 6H14V12H6Z" />,
  center: <Picture lines="M4.5 4.5H15.5V13.5H4.5Z" meant="M2.5 2.5H17.5V15.5H2.5ZM6.5 6.5H13.5V11.5H6.5Z" />,
  outside: <Picture lines="M6 6H14V12H6Z" meant="M3 3H17V15H3Z" />,
};

const OWN_SEEN: Readonly<Record<'in' | 'out', ReactNode>> = {
  in: <Picture lines="M2 14V4M18 14V4" meant="M7 14L10 4L13 14M8 11H12" />,
  out: <Picture lines="M2 14V4M18 14V4" meant="M7 14H13" />,
};

const WIRE_SECTIONS: Readonly<Record<'polygon' | 'edge', ReactNode>> = {
  polygon: <Picture lines="M7 3H13L17 7V11L13 15H7L3 11V7Z" />,
  edge: <Picture lines="M10 2C10 7 12 9 17 9C12 9 10 11 10 16C10 11 8 9 3 9" meant="M10 2C10 7 8 9 3 9" />,
};
const WIRE_ENDS: Readonly<Record<'round' | 'square', ReactNode>> = {
  round: <Picture lines="M2 6H13A3 3 0 0 1 13 12H2" />,
  square: <Picture lines="M2 6H15V12H2" />,
};
const SPREADS: Readonly<Record<'own' | 'spread', ReactNode>> = {
  own: <Picture lines="M7 10V5M10 10V5M13 10V5" meant="M2 13H18" />,
  spread: <Picture lines="M3 10V5M10 10V5M17 10V5" meant="M2 13H18" />,
};
const KNOT_KINDS: Readonly<Record<'corner' | 'smooth', ReactNode>> = {
  corner: <Picture lines="M3 15L10 5L17 15" meant={dot(10, 5)} />,
  smooth: <Picture lines="M3 15C3 2 17 2 17 15" meant={dot(10, 5.3)} />,
};
const CURVE_ENDS: Readonly<Record<'open' | 'closed', ReactNode>> = {
  open: <Picture lines="M5 14C0 2 20 2 15 14" />,
  closed: <Picture lines="M5 14C0 2 20 2 15 14Z" />,
};
const DRAWING_BY: Readonly<Record<'width' | 'height', ReactNode>> = {
  width: <Picture lines="M5 4H15V12H5Z" meant="M5 16H15" />,
  height: <Picture lines="M5 4H15V14H5Z" meant="M18 4V14" />,
};

const SOLID_SIDES: Readonly<Record<Side['kind'], ReactNode>> = {
  straight: <Picture lines="M5 3H15M5 15H15" meant="M5 3V15M15 3V15" />,
  bulge: <Picture lines="M6 3H14M6 15H14" meant="M6 3C1 6 1 12 6 15M14 3C19 6 19 12 14 15" />,
  waist: <Picture lines="M4 3H16M4 15H16" meant="M4 3C8 6 8 12 4 15M16 3C12 6 12 12 16 15" />,
  v: <Picture lines="M4 3H16M4 15H16" meant="M4 3L8 9L4 15M16 3L12 9L16 15" />,
  drawn: <Picture lines="M5 3H15M5 15H15" meant="M5 3C2 6 8 8 7 11L5 15M15 3C18 6 12 8 13 11L15 15" />,
};
const EDGE_SIDES: Readonly<Record<Solid['edgeSide'], ReactNode>> = {
  inward: <Picture lines="M3 4V15H17V4" meant="M3 8L7 4H13L17 8" />,
  outward: <Picture lines="M7 4H13M7 4V15M13 4V15" meant="M7 4L3 8V15M13 4L17 8V15" />,
};
const STEPS_BY: Readonly<Record<Solid['stepsBy'], ReactNode>> = {
  count: <Picture lines="M3 15L5 8L10 4L17 3" meant={dot(5, 8) + dot(10, 4)} />,
  tolerance: <Picture lines="M3 15L6 7L17 3" meant="M3 15C4 8 9 3 17 3" />,
};
const CORNERS: Readonly<Record<Solid['corners'], ReactNode>> = {
  sharp: <Picture lines="M5 16V8L10 8" meant="M2 16V3H13" />,
  cut: <Picture lines="M5 16V8L10 8" meant="M2 16V7L6 3H13" />,
  round: <Picture lines="M5 16V8L10 8" meant="M2 16V8A5 5 0 0 1 7 3H13" />,
};
const SWELL_CURVES: Readonly<Record<Solid['swell']['curve'], ReactNode>> = {
  round: <Picture lines="M3 15H17" meant="M3 15V12A7 7 0 0 1 17 12V15" />,
  soft: <Picture lines="M3 15H17" meant="M3 15C7 14 7 5 10 5C13 5 13 14 17 15" />,
  straight: <Picture lines="M3 15H17" meant="M3 15L10 5L17 15" />,
};
const ABOUTS: Readonly<Record<Solid['along']['about'], ReactNode>> = {
  whole: <Picture lines="M2 6H18V12H2Z" meant={dot(10, 9)} />,
  letter: <Picture lines="M2 6H9V12H2ZM11 6H18V12H11Z" meant={dot(5.5, 9) + dot(14.5, 9)} />,
};
const EDGE_DEPTHS: Readonly<Record<'taken' | 'added', ReactNode>> = {
  taken: <Picture lines="M8 3H16V15H5V6Z" meant="M2 3V15" />,
  added: <Picture lines="M8 3H16V15H5V6Z" meant="M2 6V15" />,
};

export const PICTURES = {
  faces: FACES,
  edgeSides: EDGE_SIDES,
  stepsBy: STEPS_BY,
  corners: CORNERS,
  swellCurves: SWELL_CURVES,
  abouts: ABOUTS,
  solidSides: SOLID_SIDES,
  edgeDepths: EDGE_DEPTHS,
  wireSections: WIRE_SECTIONS,
  wireEnds: WIRE_ENDS,
  curveSpreads: SPREADS,
  knotKinds: KNOT_KINDS,
  curveEnds: CURVE_ENDS,
  drawingBy: DRAWING_BY,
  ownSeen: OWN_SEEN,
  edges: EDGES,
  aligns: ALIGNS,
  anchors: ANCHORS,
  depthAnchors: DEPTHS,
  switches: KERNINGS,
  letters: LETTERS,
  directions: DIRECTIONS,
  stands: STANDS,
  backs: BACKS,
  sizesBy: SIZES,
  lines: LINES,
  sides: SIDES,
  ways: WAYS,
  circleLetters: ON_CIRCLE,
  fits: FITS,
  fitHows: FIT_HOWS,
  capitals: CAPITALS,
  contours: CONTOURS,
  wallSides: WALLS,
};
