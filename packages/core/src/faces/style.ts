import type { Box3 } from '../math/index.ts';
import type { Outline } from '../outline/index.ts';
import type { Need } from '../shape/index.ts';
import type { FlatOptions, FlatWavefront } from '../solid/index.ts';
import { bandsEvery } from './bands.ts';
import type {
  ClusterFaces,
  FaceFields,
  FaceKind,
  FaceStyle,
  FaceStyleDefinition,
  LayOutOptions,
  LetteringFaces,
  NeededFaces,
  NeededStyle,
  PlacedOutlines,
  TooLong,
} from './definition.ts';
import { FACE_STYLES } from './list.ts';

// A style is found by its kind; what it is given is of that kind, which types can't follow through a list.
type Any = FaceStyleDefinition<never>;
const styleOf = (kind: FaceKind): Any => FACE_STYLES[kind] as unknown as Any;

export const FACE_KINDS = Object.keys(FACE_STYLES) as [FaceKind, ...FaceKind[]];

export const facesAsked = (fields: FaceFields): LetteringFaces => styleOf(fields.style).asked(fields);

/** Whether quads are laid out to be even. */
export const isLaidOut = ({ style }: Pick<FaceFields, 'style'>): boolean => styleOf(style).isLaidOut;

/** Whether the sizes of faces follow what later steps need: where nobody chose one. */
export const isAutomatic = (faces: LetteringFaces): boolean => styleOf(faces.kind).isAutomatic(faces as never);

/** The length that faces are asked to have, mm; undefined where they have none. */
export const faceSizeMm = (faces: NeededStyle, emMm: number): number | undefined =>
  faces.kind === 'bandsEvery' ? undefined : styleOf(faces.kind).sizeMm(faces as never, emMm);

/** Of the size and of the em: how much finer than their faces outlines are drawn that are cut anew. */
const FINER = 0.5;
const FINEST_EM = 0.25e-3;

/** Outlines whose points are chosen anew are drawn finer, so that the new ones lie on the curves. */
export const drawnToleranceMm = (faces: LetteringFaces, toleranceMm: number, emMm: number): number =>
  faceSizeMm(faces, emMm) === undefined ? toleranceMm : Math.min(FINER * toleranceMm, FINEST_EM * emMm);

/** What a person has chosen, mm. */
export const chosenMm = (
  faces: LetteringFaces,
  letters: readonly PlacedOutlines[],
  options: Pick<LayOutOptions, 'scale' | 'outward'>,
): number => styleOf(faces.kind).chosenMm(faces as never, letters, options);

/** Faces that later steps need; sizes go in steps, so that small changes of a step build nothing anew. */
export const neededFaces = (faces: LetteringFaces, need: Need, options: { box: Box3; usualMm: number }): NeededFaces =>
  isAutomatic(faces) ? styleOf(faces.kind).needed(faces as never, need, options) : { faces, deepestMm: undefined };

export const clusterFaces = (
  faces: NeededStyle,
  letters: readonly PlacedOutlines[],
  options: LayOutOptions,
): ClusterFaces =>
  faces.kind === 'bandsEvery'
    ? bandsEvery(faces, letters, options)
    : styleOf(faces.kind).layOut(faces as never, letters, options);

/** About how many faces a style makes. Known before any is laid out. */
export const expectedFaces = (faces: ClusterFaces, letters: PlacedOutlines, depthSteps: number): number =>
  styleOf(faces.kind).expected(faces as never, letters, depthSteps);

/** About a cluster's own zero. */
export const faceStyle = (faces: ClusterFaces, letters: PlacedOutlines): FaceStyle =>
  styleOf(faces.kind).about(faces as never, letters);

export const flatInStyle = (outline: Outline, options: FlatOptions, style: FaceStyle): FlatWavefront | undefined =>
  styleOf(style.kind).flat(style as never, outline, options);

/** What makes edges as short as a shape needs them. */
export const finerFaces = (fields: FaceFields, told: TooLong): Partial<FaceFields> =>
  styleOf(fields.style).finer(fields, told);
