import { fieldsByKind, ofKind, type ValuesOf } from '../fields/index.ts';
import type { ContourDefinition } from './definition.ts';
import { fullContour } from './full.ts';
import { hollowContour } from './hollow.ts';
import { wireContour } from './wire.ts';

export type { ContourDefinition, Rod } from './definition.ts';

/** Every contour. A new one is a file beside these, a line here, and its words in each language. */
const CONTOUR_LIST = [fullContour, hollowContour, wireContour] as const;

type ListedContours = (typeof CONTOUR_LIST)[number];
export type ContourKind = ListedContours['kind'];

/** What each is made of. */
export const CONTOURS = fieldsByKind(CONTOUR_LIST);

type ContourOf<K extends ContourKind> = { kind: K } & ValuesOf<(typeof CONTOURS)[K]>;
export type Contour = { [K in ContourKind]: ContourOf<K> }[ContourKind];

/** What is known of a contour. */
export const contourOf = ({ kind }: Contour): ContourDefinition =>
  ofKind(CONTOUR_LIST, kind) as unknown as ContourDefinition;

/** Whether it has a solid of its own, so that depth, edges and side of its piece say nothing. */
export const isWire = (contour: Contour): contour is ContourOf<'wire'> => contour.kind === wireContour.kind;
