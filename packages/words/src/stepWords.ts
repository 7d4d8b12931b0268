import type { SlotsOf, StepDefinitionOf, StepKind, StepOfKind } from '@fictile/core';

type FieldsOf<K extends StepKind> = StepDefinitionOf<K>['fields'];
/** Where a sentence of a step takes values. */
export type StepSlots<K extends StepKind> = SlotsOf<FieldsOf<K>>;

type Chosen<T> = T extends boolean ? 'on' | 'off' : T extends string ? (string extends T ? never : T) : never;
/** The values of a step that are one of several. */
type Choices<K extends StepKind> = {
  [
    N in keyof FieldsOf<K> & keyof StepOfKind<K> as Chosen<StepOfKind<K>[N]> extends never ? never : N & string
  ]: Readonly<Record<Chosen<StepOfKind<K>[N]>, string>>;
};

/** What a language says of a record of fields. */
export interface FieldWords {
  /** a template with slots: the names of fields; of numbers that belong together each by its place */
  sentence: string;
  /** of values that are only sometimes there: what stands around them then; a row is told as a whole by one */
  parts?: Readonly<Record<string, string>>;
  /** names of values, by slot */
  labels: Readonly<Record<string, string>>;
  /** what a choice can be, and a flag: on or off */
  choices?: Readonly<Record<string, Readonly<Record<string, string>>>>;
  /** of counts, by how many they are */
  units?: Readonly<Record<string, string | ((count: number) => string)>>;
  /** instead of a zero */
  zeros?: Readonly<Record<string, string>>;
}

/** Of a record of one of several kinds: what its kinds go on with. */
export interface RecordWords extends FieldWords {
  kinds: Readonly<Record<string, string>>;
}

/** All that a language says of a kind of step. */
export interface StepWords extends FieldWords {
  name: string;
  /** what the step's flags are for, on the command line: of its main one, and of fields */
  help?: { main: string } & Readonly<Record<string, string>>;
}

type SlotsIn<T extends string> = T extends `${string}{${infer S}}${infer Rest}` ? S | SlotsIn<Rest> : never;
type Fits<T extends string, Slots extends string> = Exclude<SlotsIn<T>, Slots> extends never ? T : never;

/**
 * The words of a kind of step, held against its fields: every slot of its sentence is one, and every choice has all its
 * names.
 */
export const stepWords = <K extends StepKind, const T extends string, const P extends Readonly<Record<string, string>>>(
  _kind: K,
  words: StepWords & {
    sentence: Fits<T, StepSlots<K>>;
    parts?: P & { readonly [N in keyof P]: N extends StepSlots<K> ? Fits<P[N], StepSlots<K>> : never };
    labels: { readonly [N in StepSlots<K>]?: string };
  } & (Record<string, never> extends Choices<K> ? unknown : { choices: Choices<K> }),
): StepWords => words;
