import { LIMITS } from '../base/index.ts';
import { usualSlots } from './finishes.ts';
import {
  SCHEMA_VERSION,
  type Body,
  type OwnLetter,
  type Piece,
  type Placement,
  type Project,
  type SceneView,
  type Words,
} from './schema.ts';

export function usualWords(graphemes: readonly string[]): Words {
  return {
    kind: 'words',
    graphemes: graphemes.map((text, i) => ({ id: i + 1, text })),
    nextId: graphemes.length + 1,
    font: { family: 'Zilla Slab', weight: 700, italic: false, axes: {} },
    sizeMm: 72,
    sizeBy: 'capitals',
    fit: usualFit(),
    align: 'center',
    anchor: 'baseline',
    depthAnchor: 'back',
    tracking: 0,
    leadingPercent: 100,
    ...usualStretch(),
    kerning: true,
    features: {},
    language: '',
    direction: 'auto',
    line: { kind: 'straight' },
    letters: 'joined',
    contour: { kind: 'full' },
    own: {},
  };
}

export const usualFit = (): Words['fit'] => ({ to: 'none', widthMm: 200, heightMm: 100, onlyShrink: false });

export const usualStretch = (): Pick<
  Words,
  'wordSpacePercent' | 'widthPercent' | 'heightPercent' | 'slantDegrees' | 'capitals'
> => ({ wordSpacePercent: 100, widthPercent: 100, heightPercent: 100, slantDegrees: 0, capitals: 'typed' });

/** A letter of which nothing special is said. */
export const usualOwn = (): OwnLetter => ({
  moveMm: [0, 0],
  turnDegrees: 0,
  scalePercent: 100,
  leftOut: false,
  font: null,
});

/** Hollow letters, until somebody says otherwise. */
export const usualHollow = (): Extract<Words['contour'], { kind: 'hollow' }> => ({
  kind: 'hollow',
  wallMm: 3,
  side: 'inside',
  count: 1,
  gapMm: 2,
});

/** A line of words round a circle, until somebody says otherwise. */
export const usualCircle = (): Extract<Words['line'], { kind: 'circle' }> => ({
  kind: 'circle',
  radiusMm: 200,
  side: 'outside',
  startDegrees: 0,
  direction: 'clockwise',
  spreadDegrees: 0,
  letters: 'turned',
});

export function usualBody(): Body {
  return {
    solid: {
      depthMm: 18,
      front: { kind: 'round', inMm: 2, deepMm: 2, steps: 4 },
      back: { kind: 'plain', inMm: 2, deepMm: 2, steps: 4 },
      backAsFront: false,
    },
    faces: { style: 'plain', toleranceMm: 0.05 },
  };
}

export const usualPlacement = (): Placement => ({ by: 'zero', stand: 'free', atMm: [0, 0, 0], turnDegrees: [0, 0, 0] });

export const usualView = (): SceneView => ({ surroundings: 'daylight', ground: true, kept: [] });

export function newPiece(id: string, name: string, graphemes: readonly string[]): Piece {
  return {
    id,
    name,
    role: 'seen',
    visible: true,
    locked: false,
    source: usualWords(graphemes),
    body: usualBody(),
    placement: usualPlacement(),
    slots: usualSlots(),
    steps: [],
  };
}

export function newProject(id: string, name: string, pieces: readonly Piece[]): Project {
  return {
    id,
    schemaVersion: SCHEMA_VERSION,
    name,
    unit: 'mm',
    pieces: Object.fromEntries(pieces.map((p) => [p.id, p])),
    pieceOrder: pieces.map((p) => p.id),
    view: usualView(),
    tracks: [],
    faceBudget: LIMITS.faceBudget,
  };
}
