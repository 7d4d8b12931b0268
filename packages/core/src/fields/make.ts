import { z } from 'zod';
import { LIMITS } from '../base/index.ts';
import type { Field, FieldKind, Fields, Moves, Traits, Unit, ValuesOf } from './field.ts';

interface NumberTraits extends Traits {
  usual?: number;
  /** what an arrow key changes it by */
  step?: number;
  multipleOf?: number;
}

const number =
  (is: FieldKind, unit: Unit | undefined, { whole = false, moves }: { whole?: boolean; moves: Moves }) =>
  (
    min: number,
    max: number,
    { usual = Math.max(min, 0), step = 1, multipleOf, ...traits }: NumberTraits = {},
  ): Field<number> => {
    const plain = whole ? z.number().int() : z.number();
    const inside = plain.min(min).max(max);
    const bounded = multipleOf === undefined ? inside : inside.multipleOf(multipleOf);
    const told = { moves, ...traits };
    return {
      is,
      unit,
      range: { min, max, isWhole: whole },
      usual,
      step,
      ...told,
      schema: unit ? bounded.meta({ unit, moves: told.moves }) : bounded,
    };
  };

export const length = number('length', 'mm', { moves: 'points' });
export const angle = number('angle', 'deg', { moves: 'points' });
/** Percent. */
export const share = number('share', '%', { moves: 'points' });
export const count = number('count', 'count', { whole: true, moves: 'no' });
/** Thousandths of the size. */
export const thousandths = number('number', '‰', { moves: 'rigid' });
/** Turns, waves: may lie between whole ones. */
export const amount = number('number', 'count', { moves: 'points' });
/** An axis of a variable font, as that has it. */
export const fontAxis = number('number', undefined, { moves: 'no' });
export const plain = number('number', undefined, { whole: true, moves: 'no' });

/** As far as anything lies from zero, mm. */
const FAR_MM = 100_000;
/** Ten turns. */
const TURNS_DEGREES = 3600;

/** A length that may be below zero. */
export const place = (traits?: NumberTraits): Field<number> => length(-FAR_MM, FAR_MM, { usual: 0, ...traits });
/** Of something made here, across. */
export const measure = (usual: number, traits?: NumberTraits): Field<number> =>
  length(0.1, FAR_MM, { usual, ...traits });
export const extent = (usual: number, traits?: NumberTraits): Field<number> => length(0, FAR_MM, { usual, ...traits });
export const turn = (traits?: NumberTraits): Field<number> =>
  angle(-TURNS_DEGREES, TURNS_DEGREES, { usual: 0, ...traits });
/** Between two faces, or two ways. */
export const opening = (usual: number, traits?: NumberTraits): Field<number> =>
  angle(0, 180, { usual, moves: 'no', ...traits });

export const chance = (traits?: Traits): Field<number> => ({
  ...plain(0, 4_294_967_295, { usual: 1, ...traits }),
  is: 'chance',
});

export function choice<const C extends readonly [string, ...string[]]>(
  of: C,
  { usual = of[0], ...traits }: Traits & { usual?: C[number] } = {},
): Field<C[number]> {
  return { is: 'choice', of, usual, moves: 'no', ...traits, schema: z.enum(of) };
}

export const flag = (usual: boolean, traits?: Traits): Field<boolean> => ({
  is: 'flag',
  usual,
  moves: 'no',
  ...traits,
  schema: z.boolean(),
});

type Pair = [number, number];
type Triple = [number, number, number];

function row<T extends readonly number[]>(
  schema: z.ZodType,
  parts: readonly Field<number>[],
  traits: Traits,
): Field<T> {
  return {
    is: 'row',
    usual: parts.map(({ usual }) => usual) as unknown as T,
    parts,
    unit: parts[0].unit,
    moves: parts[0].moves,
    ...traits,
    schema: schema as z.ZodType<T>,
  };
}

export const pair = (a: Field<number>, b: Field<number>, traits: Traits = {}): Field<Pair> =>
  row<Pair>(z.tuple([a.schema, b.schema]), [a, b], traits);

export const triple = (a: Field<number>, b: Field<number>, c: Field<number>, traits: Traits = {}): Field<Triple> =>
  row<Triple>(z.tuple([a.schema, b.schema, c.schema]), [a, b, c], traits);

/** Across, up, towards the viewer. */
export const point = ([x, y, z]: Triple = [0, 0, 0], traits: Traits = {}): Field<Triple> =>
  triple(place({ usual: x }), place({ usual: y }), place({ usual: z }), traits);

/** A direction in space; its length says nothing. */
export const heading = (usual: Triple, traits?: Traits): Field<Triple> => ({
  is: 'data',
  usual,
  moves: 'points',
  ...traits,
  schema: z
    .tuple([z.number(), z.number(), z.number()])
    .refine(([x, y, z]) => x * x + y * y + z * z > 1e-18, { message: 'has no length' }),
});

export const letters = (traits?: Traits): Field<number[]> => ({
  is: 'letters',
  usual: [],
  moves: 'no',
  ...traits,
  schema: z.array(z.number().int().positive()).max(LIMITS.graphemes),
});

export const piece = (traits?: Traits): Field<string> => ({
  is: 'piece',
  usual: '',
  moves: 'no',
  ...traits,
  schema: z.string().max(64),
});

export interface CoursePoint {
  at: number;
  value: number;
}

/** A value along a way, smoothly through its points: `at` from 0 to 1. */
export function course(
  from: number,
  to: number,
  { shown, ...traits }: Traits & { shown: NonNullable<Field['shown']> },
): Field<CoursePoint[]> {
  const schema = z.array(z.object({ at: z.number().min(0).max(1), value: z.number().min(-3600).max(3600) }));
  return {
    is: 'course',
    usual: [
      { at: 0, value: from },
      { at: 1, value: to },
    ],
    shown,
    moves: 'points',
    ...traits,
    schema: schema.min(1).max(24),
  };
}

/** How far along its way a point of a course stands. */
export const alongCourse = share(0, 100, { usual: 0 });

/** Places in space, one after the other. */
export const places = (least: number, usual: Triple[], traits?: Traits): Field<Triple[]> => ({
  is: 'places',
  usual,
  moves: 'points',
  ...traits,
  schema: (least > 0 ? z.array(point().schema).min(least) : z.array(point().schema)).max(LIMITS.placesOfLine),
});

/** sRGB, #rrggbb. */
export const colour = (usual: string, traits?: Traits): Field<string> => ({
  is: 'colour',
  usual,
  moves: 'points',
  ...traits,
  schema: z.string().regex(/^#[0-9a-f]{6}$/),
});

/** A field, or nothing: as the others are. */
export const maybe = <T>({ schema, ...field }: Field<T>): Field<T | null> => ({
  ...field,
  usual: null,
  schema: schema.nullable(),
});

/** What no person gives by itself. */
export const data = <T>(schema: z.ZodType<T>, usual: T, traits?: Traits): Field<T> => ({
  is: 'data',
  usual,
  moves: 'no',
  ...traits,
  schema,
});

/** Fields of its own. */
export const record = <F extends Fields>(fields: F, traits?: Traits): Field<ValuesOf<F>> => ({
  is: 'record',
  fields,
  usual: usualOf(fields),
  moves: 'no',
  ...traits,
  schema: objectOf(fields) as unknown as z.ZodType<ValuesOf<F>>,
});

type Kinds = Readonly<Record<string, Fields>>;
export type VariantOf<K extends Kinds> = { [N in keyof K & string]: { kind: N } & ValuesOf<K[N]> }[keyof K & string];

/** One of several records, told apart by their kind. */
export function variants<K extends Kinds>(kinds: K, usual: keyof K & string, traits?: Traits): Field<VariantOf<K>> {
  const options = Object.entries(kinds).map(([kind, fields]) =>
    z.object({ kind: z.literal(kind), ...shapeOf(fields) }),
  );
  return {
    is: 'variants',
    kinds,
    usual: variantOf(kinds, usual),
    moves: 'no',
    ...traits,
    schema: z.discriminatedUnion('kind', options as unknown as [z.ZodObject]) as unknown as z.ZodType<VariantOf<K>>,
  };
}

/** A record of one of several kinds, as it is when nobody has said anything. */
export const variantOf = <K extends Kinds, N extends keyof K & string>(
  kinds: K,
  kind: N,
): Extract<VariantOf<K>, { kind: N }> =>
  ({ kind, ...usualOf(kinds[kind]) }) as unknown as Extract<VariantOf<K>, { kind: N }>;

/** The schemas of fields by their names. */
export const shapeOf = (fields: Fields): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(fields).map(([name, { schema }]) => [name, schema]));

type ShapeOf<F extends Fields> = { [N in keyof F]: F[N]['schema'] };
export const objectOf = <F extends Fields>(fields: F): z.ZodObject<ShapeOf<F>> =>
  z.object(shapeOf(fields)) as unknown as z.ZodObject<ShapeOf<F>>;

/** A record that its kind tells from others. */
export const kindOf = <K extends string, F extends Fields>(
  kind: K,
  fields: F,
): z.ZodObject<{ kind: z.ZodLiteral<K> } & ShapeOf<F>> =>
  z.object({ kind: z.literal(kind), ...shapeOf(fields) }) as unknown as z.ZodObject<
    { kind: z.ZodLiteral<K> } & ShapeOf<F>
  >;

/** All usual values, each time anew: nobody changes them for others. */
export const usualOf = <F extends Fields>(fields: F): ValuesOf<F> =>
  Object.fromEntries(Object.entries(fields).map(([name, { usual }]) => [name, fresh(usual)])) as ValuesOf<F>;

function fresh(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(fresh);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, fresh(one)]));
}
