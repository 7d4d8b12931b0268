import { LIMITS } from '../base/index.ts';
import { usualSlots } from './finishes.ts';
import {
  SCHEMA_VERSION,
  type Body,
  type Contour,
  type Drawing,
  type DrawingShape,
  type Edge,
  type Faces,
  type FormPiece,
  type FormShape,
  type Model,
  type ModelPiece,
  type OwnLetter,
  type Piece,
  type Placement,
  type Project,
  type SceneView,
  type Side,
  type Solid,
  type DrawingPiece,
  type Words,
  type WordsPiece,
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
    kernPairs: [],
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
  finish: null,
  solid: null,
});

/** Hollow letters, until somebody says otherwise. */
export const usualHollow = (): Extract<Contour, { kind: 'hollow' }> => ({
  kind: 'hollow',
  wallMm: 3,
  side: 'inside',
  count: 1,
  gapMm: 2,
});

/** A wire along outlines, until somebody says otherwise. */
export const usualWire = (): Extract<Contour, { kind: 'wire' }> => ({
  kind: 'wire',
  thickMm: 4,
  section: 'polygon',
  sides: 16,
  ends: 'round',
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

/** A gentle hill that words run along, `wideMm` across, its middle at zero. */
export const usualCurveLine = (wideMm: number): Extract<Words['line'], { kind: 'curve' }> => ({
  kind: 'curve',
  curve: {
    knots: [
      { atMm: [-wideMm / 2, 0], inMm: [0, 0], outMm: [wideMm / 6, 0] },
      { atMm: [0, wideMm / 8], inMm: [-wideMm / 6, 0], outMm: [wideMm / 6, 0] },
      { atMm: [wideMm / 2, 0], inMm: [-wideMm / 6, 0], outMm: [0, 0] },
    ],
    closed: false,
  },
  shiftMm: 0,
  spread: false,
  letters: 'turned',
});

/** Shapes to start a drawing from, each about 80 mm across. */
export const usualShapes = (): {
  [K in Exclude<DrawingShape['kind'], 'paths'>]: Extract<DrawingShape, { kind: K }>;
} => ({
  rectangle: { kind: 'rectangle', widthMm: 80, heightMm: 50, cornerMm: 6 },
  ellipse: { kind: 'ellipse', widthMm: 80, heightMm: 80 },
  polygon: { kind: 'polygon', sides: 6, radiusMm: 40 },
  star: { kind: 'star', points: 5, radiusMm: 40, innerPercent: 45 },
  free: {
    kind: 'free',
    curve: {
      knots: [
        { atMm: [0, 0], inMm: [0, 0], outMm: [0, 0] },
        { atMm: [40, 45], inMm: [0, -20], outMm: [0, 14] },
        { atMm: [0, 48], inMm: [10, 12], outMm: [-10, 12] },
        { atMm: [-40, 45], inMm: [0, 14], outMm: [0, -20] },
      ],
      closed: true,
    },
  },
});

/** Forms to start from, by the name they are offered by. */
export const usualForms = () =>
  ({
    block: { kind: 'block', widthMm: 240, heightMm: 120, depthMm: 24, edge: 'round', edgeMm: 3, taperPercent: 0 },
    ball: { kind: 'ball', radiusMm: 80 },
    jug: { kind: 'turned', wallMm: 6, knots: JUG.map(([radiusMm, heightMm, smooth]) => ({ radiusMm, heightMm, smooth })) },
    bowl: { kind: 'turned', wallMm: 6, knots: BOWL.map(([radiusMm, heightMm, smooth]) => ({ radiusMm, heightMm, smooth })) },
    cylinder: { kind: 'tube', widthMm: 120, depthMm: 120, heightMm: 160, wallMm: 0 },
    tube: { kind: 'tube', widthMm: 180, depthMm: 110, heightMm: 140, wallMm: 8 },
    ring: { kind: 'ring', radiusMm: 90, thickMm: 50 },
    coil: { kind: 'coil', radiusMm: 80, thickMm: 26, riseMm: 90, turns: 1.5 },
    shell: { kind: 'shell', widthMm: 260, heightMm: 140, thickMm: 8, acrossMm: 40, upMm: -16 },
    panel: { kind: 'panel', around: '', marginMm: 18, thickMm: 10, cornerMm: 8 },
  }) satisfies Record<string, FormShape>; // prettier-ignore

type Turned = readonly (readonly [radius: number, height: number, smooth: boolean])[];
const JUG: Turned = [[0, 0, false], [52, 0, false], [58, 6, true], [92, 80, true], [88, 130, true], [52, 186, true], [50, 214, true], [60, 244, false]]; // prettier-ignore
const BOWL: Turned = [[0, 0, false], [46, 0, false], [48, 10, false], [84, 40, true], [108, 84, true], [116, 112, false]]; // prettier-ignore

export const usualDrawing = (shape: DrawingShape): Drawing => ({
  kind: 'drawing',
  shape,
  depthAnchor: 'back',
  contour: { kind: 'full' },
  own: {},
});

export function usualBody(): Body {
  return {
    solid: {
      depthMm: 18,
      front: { kind: 'round', ...usualEdgeSizes() },
      back: { kind: 'plain', ...usualEdgeSizes() },
      backAsFront: false,
      edgesAdd: false,
      side: usualSide(),
      ...usualMoreSolid(),
    },
    faces: { style: 'plain', toleranceMm: 0.05, ...usualMoreFaces() },
  };
}

/** What only some styles of faces have. */
export const usualMoreFaces = (): Omit<Faces, 'style' | 'toleranceMm'> => ({
  sizeMm: 0,
  bands: 12,
  bandsAxis: 'x',
  supportMm: 0,
  shaped: 'fine',
});

const usualEdgeSizes = (): Omit<Edge, 'kind'> => ({ inMm: 2, deepMm: 2, steps: 4, points: [] });

export const usualSide = (): Side => ({ kind: 'straight', amountMm: 3, steps: 6, divisions: 1, points: [] });

/** What most solids have nothing of. */
export const usualMoreSolid = (): Pick<
  Solid,
  'edgeSide' | 'stepsBy' | 'emboldenMm' | 'corners' | 'swell' | 'along'
> => ({
  edgeSide: 'inward',
  stepsBy: 'count',
  emboldenMm: 0,
  corners: 'sharp',
  swell: { frontMm: 0, backMm: 0, curve: 'soft', steps: 8 },
  along: { about: 'whole', twistDegrees: 0, taperPercent: 0, shearMm: [0, 0], curveDegrees: 0, towardDegrees: 180 },
});

export const usualPlacement = (): Placement => ({ by: 'zero', stand: 'free', atMm: [0, 0, 0], turnDegrees: [0, 0, 0] });

export const usualView = (): SceneView => ({ surroundings: 'daylight', ground: true, kept: [] });

export function newPiece(id: string, name: string, graphemes: readonly string[]): WordsPiece {
  return { ...pieceOf(id, name), source: usualWords(graphemes) };
}

export function newDrawing(id: string, name: string, source: Drawing): DrawingPiece {
  return { ...pieceOf(id, name), source };
}

export const newForm = (id: string, name: string, form: FormShape): FormPiece => ({
  ...pieceOf(id, name),
  source: { kind: 'form', form },
});

export const newModel = (id: string, name: string, model: Omit<Model, 'kind'>): ModelPiece => ({
  ...pieceOf(id, name),
  source: { kind: 'model', ...model },
});

function pieceOf(id: string, name: string): Omit<Piece, 'source'> {
  return {
    id,
    name,
    role: 'seen',
    visible: true,
    locked: false,
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
