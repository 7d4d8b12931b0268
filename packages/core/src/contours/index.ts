import type { ValuesOf } from '../fields/index.ts';
import type { ContourDefinition } from './definition.ts';
import { fullContour } from './full.ts';
import { hollowContour } from './hollow.ts';
import { wireContour } from './wire.ts';

export type { ContourDefinition, Rod } from './definition.ts';

/** Every contour. A new one is a file beside these, a line here, and its words in each language. */
const CONTOUR_LIST = [fullContour, hollowContour, wireContour] as const;

type Listed = (typeof CONTOUR_LIST)[number];
export type ContourKind = Listed['kind'];
type FieldsOf<K extends ContourKind> = Extract<Listed, { kind: K }>['fields'];
type ContourOf<K extends ContourKind> = { kind: K } & ValuesOf<FieldsOf<K>>;
export type Contour = { [K in ContourKind]: ContourOf<K> }[ContourKind];

/** What each is made of. */
export const CONTOURS = Object.fromEntries(CONTOUR_LIST.map(({ kind, fields }) => [kind, fields])) as {
  readonly [K in ContourKind]: FieldsOf<K>;
};

/** What is known of a contour. */
export function contourOf({ kind }: Contour): ContourDefinition {
  const found = CONTOUR_LIST.find((one) => one.kind === kind);
  if (!found) throw new Error(`there is no contour ${kind}`);
  return found as unknown as ContourDefinition;
}

/** Whether it has a solid of its own, so that depth, edges and side of its piece say nothing. */
export const isWire = (contour: Contour): contour is ContourOf<'wire'> => contour.kind === wireContour.kind;
