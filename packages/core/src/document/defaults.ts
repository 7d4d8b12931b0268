import { LIMITS } from '../base/index.ts';
import { hillCurve, usualOf, variantOf } from '../fields/index.ts';
import {
  contour,
  CONTOURS,
  FACES,
  GROUP_PLACEMENT,
  OWN_LETTER,
  PLACEMENT,
  DRAWN_SHAPES,
  SOLID,
  WORD_LINES,
  WORDS,
} from './fields/index.ts';
import { usualSlots } from './finishes.ts';
import {
  SCHEMA_VERSION,
  type Body,
  type Drawing,
  type DrawingShape,
  type FormPiece,
  type FormShape,
  type Group,
  type Model,
  type ModelPiece,
  type OwnLetter,
  type Piece,
  type Placement,
  type Project,
  type SceneView,
  type DrawingPiece,
  type Words,
  type WordsPiece,
} from './schema.ts';

export const usualWords = (graphemes: readonly string[]): Words => ({
  kind: 'words',
  graphemes: graphemes.map((text, i) => ({ id: i + 1, text })),
  nextId: graphemes.length + 1,
  ...usualOf(WORDS),
  own: {},
});

/** A letter of which nothing special is said. */
export const usualOwn = (): OwnLetter => usualOf(OWN_LETTER);

/** Hollow letters, until somebody says otherwise. */
export const usualHollow = () => variantOf(CONTOURS, 'hollow');

/** A wire along outlines, until somebody says otherwise. */
export const usualWire = () => variantOf(CONTOURS, 'wire');

/** A line of words round a circle, until somebody says otherwise. */
export const usualCircle = () => variantOf(WORD_LINES, 'circle');

/** A gentle hill that words run along, `wideMm` across, its middle at zero. */
export const usualCurveLine = (wideMm: number) => ({
  ...variantOf(WORD_LINES, 'curve'),
  curve: hillCurve(wideMm),
});

/** Shapes to start a drawing from, each about 80 mm across. */
export const usualShapes = (): {
  [K in Exclude<DrawingShape['kind'], 'paths'>]: Extract<DrawingShape, { kind: K }>;
} => ({
  rectangle: variantOf(DRAWN_SHAPES, 'rectangle'),
  ellipse: variantOf(DRAWN_SHAPES, 'ellipse'),
  polygon: variantOf(DRAWN_SHAPES, 'polygon'),
  star: variantOf(DRAWN_SHAPES, 'star'),
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

export const usualDrawing = (shape: DrawingShape): Drawing => ({
  kind: 'drawing',
  shape,
  depthAnchor: 'back',
  contour: contour().usual,
  own: {},
});

export const usualBody = (): Body => ({ solid: usualOf(SOLID), faces: usualOf(FACES) });

export const usualPlacement = (): Placement => usualOf(PLACEMENT);

/** Of what stands where it is: about a place in its own space. */
export const newGroup = (id: string, name: string, pivotMm: Group['placement']['pivotMm'] = [0, 0, 0]): Group => ({
  ...{ id, name, visible: true, locked: false, within: '', hung: null },
  placement: { ...usualOf(GROUP_PLACEMENT), pivotMm, atMm: [...pivotMm] },
});

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
    within: '',
    hung: null,
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
    groups: {},
    view: usualView(),
    tracks: [],
    faceBudget: LIMITS.faceBudget,
  };
}
