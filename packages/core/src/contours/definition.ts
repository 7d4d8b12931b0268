import type { Fields, ValuesOf } from '../fields/index.ts';
import type { Bands } from '../outline/index.ts';
import type { EdgeShape } from '../solid/index.ts';

/** A bent rod in the place of a solid: as deep as it is wide. */
export interface Rod {
  thickMm: number;
  /** half of its section, as an edge in front and behind */
  edge: EdgeShape;
  /** its section is that of the front edge */
  isOfEdge: boolean;
}

/** What becomes of an outline before a solid is built on it, but for what languages say of it. */
export interface ContourDefinition<K extends string = string, F extends Fields = Fields> {
  kind: K;
  fields: F;
  /** what runs along the outline, mm; undefined: it is full */
  bands(contour: ValuesOf<F>, emboldenMm: number): Bands | undefined;
  /** bolder letters grow as solids; else their outlines were bolder before they became bands */
  growsAsSolid: boolean;
  /** left out: a solid with the depth, edges and side of its piece is built on it */
  rod?(contour: ValuesOf<F>, front: EdgeShape): Rod;
}

export const defineContour = <const K extends string, F extends Fields>(
  definition: ContourDefinition<K, F>,
): ContourDefinition<K, F> => definition;
