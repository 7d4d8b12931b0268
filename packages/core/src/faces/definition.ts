import type { Box3 } from '../math/index.ts';
import type { Outline } from '../outline/index.ts';
import type { Need } from '../shape/index.ts';
import type { FlatOptions, FlatWavefront, Lines } from '../solid/index.ts';

/** What a document says of the faces of a piece, as far as styles ask. */
export interface FaceFields {
  style: 'plain' | 'bands' | 'grid' | 'flow';
  sizeMm: number;
  bands: number;
  bandsAxis: 'x' | 'y';
}

/** How the faces of a lettering are cut. */
export type LetteringFaces =
  | { kind: 'plain' }
  /** so many bands over the whole lettering, one after another along the axis */
  | { kind: 'bands'; count: number; axis: 'x' | 'y' }
  /** squares, or quads that follow the strokes; 0: as large as suits the lettering */
  | { kind: 'grid' | 'flow'; sizeMm: number };

/** As it is asked for, or as later steps need it. */
export type NeededStyle = LetteringFaces | { kind: 'bandsEvery'; axis: 'x' | 'y'; everyMm: number };

/** Faces of a letter as its later steps need them. */
export interface NeededFaces {
  faces: NeededStyle;
  /** the longest edge along the depth, mm */
  deepestMm: number | undefined;
}

/** What a lettering's faces mean for its clusters; grid steps, from the lettering's own zero. */
export type ClusterFaces =
  | { kind: 'plain' }
  | { kind: 'bands'; axis: 'x' | 'y'; at: readonly number[] }
  | { kind: 'grid' | 'flow'; size: number; tolerance: number; support: number };

/** How fronts and backs are cut into faces, and edges and walls with them. Grid steps, from the cluster's own zero. */
export type FaceStyle =
  | { kind: 'plain' }
  | { kind: 'bands'; lines: Lines }
  | { kind: 'grid'; size: number; tolerance: number; support?: number; origin: { x: number; y: number } }
  | { kind: 'flow'; size: number; tolerance: number; support?: number };

export type FaceKind = LetteringFaces['kind'];

/** Letters that become one solid, as far as faces care: their outlines, and where they stand. Grid steps. */
export interface PlacedOutlines {
  x: number;
  y: number;
  members: readonly { outline: Outline; dx: number; dy: number }[];
}

export interface LayOutOptions {
  /** mm of a grid step, and of the em */
  scale: { step: number; emMm: number };
  toleranceMm: number;
  supportMm: number;
  /** how far solids reach beyond the outlines, grid steps */
  outward: number;
}

/** Edges are `haveMm` long, and a shape needs `needMm`. */
export interface TooLong {
  haveMm: number;
  needMm: number;
}

type FacesOf<T, K> = T extends { kind: infer Kinds } ? (K extends Kinds ? T : never) : never;

/** All that there is to a style of faces, but for what languages say of it. */
export interface FaceStyleDefinition<K extends FaceKind> {
  kind: K;
  /** whether its quads are laid out to be even, so that uneven ones are worth telling */
  isLaidOut: boolean;
  asked(fields: FaceFields): FacesOf<LetteringFaces, K>;
  /** whether the sizes of faces follow what later steps need: where nobody chose one */
  isAutomatic(asked: FacesOf<LetteringFaces, K>): boolean;
  /** the length that faces are asked to have, mm; undefined where they have none */
  sizeMm(asked: FacesOf<LetteringFaces, K>, emMm: number): number | undefined;
  /** what a person has chosen, mm */
  chosenMm(
    asked: FacesOf<LetteringFaces, K>,
    letters: readonly PlacedOutlines[],
    options: Omit<LayOutOptions, 'toleranceMm' | 'supportMm'>,
  ): number;
  /** of an automatic one. `usualMm`: the size that the style has by itself */
  needed(asked: FacesOf<LetteringFaces, K>, need: Need, options: { box: Box3; usualMm: number }): NeededFaces;
  layOut(asked: FacesOf<LetteringFaces, K>, letters: readonly PlacedOutlines[], options: LayOutOptions): ClusterFaces;
  /** about how many faces it makes: fronts, backs and walls; known before any is laid out */
  expected(faces: FacesOf<ClusterFaces, K>, letters: PlacedOutlines, depthSteps: number): number;
  /** about a cluster's own zero; the same for equal letters at equal places of a grid */
  about(faces: FacesOf<ClusterFaces, K>, letters: PlacedOutlines): FaceStyle;
  flat(style: FacesOf<FaceStyle, K>, outline: Outline, options: FlatOptions): FlatWavefront | undefined;
  /** what makes edges as short as a shape needs them */
  finer(fields: FaceFields, told: TooLong): Partial<FaceFields>;
}
