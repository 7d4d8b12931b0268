import type { z } from 'zod';

/** How a value may change in time: never, with its letters as they are, or by moving points. */
export type Moves = 'no' | 'rigid' | 'points';

/** What a value is. Its control, its reading on the command line and how it changes in time follow from that. */
export type FieldKind =
  | 'length'
  | 'angle'
  | 'share'
  | 'count'
  | 'number'
  | 'choice'
  | 'flag'
  /** which one of the things that chance makes */
  | 'chance'
  /** several numbers that belong together */
  | 'row'
  /** ids of letters; none: all */
  | 'letters'
  /** id of another piece; empty: none yet */
  | 'piece'
  /** a value along a way */
  | 'course'
  /** heights of a picture */
  | 'picture'
  /** places in space, one after the other */
  | 'places'
  | 'colour'
  /** fields of its own */
  | 'record'
  /** one of several records, told apart by their kind */
  | 'variants'
  /** no person gives it by itself */
  | 'data';

export interface FieldRange {
  min: number;
  max: number;
  isWhole: boolean;
}

export type Unit = 'mm' | 'deg' | '%' | '‰' | 'count';

/** What may be said of any field besides its value. */
export interface Traits {
  /** may it change in time, and how */
  moves?: Moves;
  /** it is what a second brings: at a time, that many times as much */
  perSecond?: true;
  /** it counts only where others of its record have these values; a list: one of them */
  when?: Readonly<Record<string, unknown>>;
  /** what its flag ends in, where not its name without its unit; false: it has none */
  flag?: string | false;
  /** another field of its record, without which its flag says nothing */
  pairedWith?: string;
}

/** A value of a document, described once. `T`: what a document holds. */
export interface Field<T = unknown> extends Traits {
  readonly is: FieldKind;
  readonly schema: z.ZodType<T>;
  /** as it is when nobody has said anything */
  readonly usual: T;
  readonly unit?: Unit;
  /** of numbers */
  readonly range?: FieldRange;
  /** what an arrow key changes it by */
  readonly step?: number;
  /** of choices */
  readonly of?: readonly string[];
  /** of a row: its numbers */
  readonly parts?: readonly Field<number>[];
  /** of a record */
  readonly fields?: Fields;
  /** of variants, by their kind */
  readonly kinds?: Readonly<Record<string, Fields>>;
  /** of a course: what its drawing shows */
  readonly shown?: { min: number; max: number; unit: Unit | '' };
}

export type Fields = Readonly<Record<string, Field>>;

/** What a record of fields holds. */
export type ValuesOf<F> = { -readonly [N in keyof F]: F[N] extends Field<infer T> ? T : never };

/**
 * Where a template of a sentence takes the values of fields: by their names, and of rows also each number by itself.
 */
export type SlotsOf<F> = {
  [N in keyof F & string]: F[N] extends Field<infer T>
    ? T extends readonly [number, number, ...number[]]
      ? N | `${N}${RowPlace}`
      : N
    : never;
}[keyof F & string];
type RowPlace = '0' | '1' | '2';

/** Its slots, with their fields. */
export const slotsOf = (name: string, field: Field): [slot: string, field: Field][] => [
  [name, field],
  ...(field.parts ?? []).map((part, k): [string, Field] => [`${name}${k}`, part]),
];
