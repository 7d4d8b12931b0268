import { z } from 'zod';
import { issueText } from './issueText.ts';
import { isRecord } from './patches.ts';

export interface SchemaFault {
  path: (string | number)[];
  why: string;
}

/** Of values below the place looked at: a schema's own run over fewer is quicker than looking for the first fault. */
const FEW = 20_000;

/** A record of no more than so many entries; the walk below refuses more before it looks at one. */
export const boundedRecord = <K extends z.ZodString, V extends z.ZodType>(key: K, value: V, most: number) =>
  z
    .record(key, value)
    .refine((record) => Object.keys(record).length <= most, { message: tooMany(most) })
    .meta({ most });

const tooMany = (most: number): string => `there can be no more than ${most}`;

/**
 * Data against a schema: the value, or one fault. Of data that is large and wrong all over, only the first fault is
 * ever made.
 */
export function parseOrFirstFault<T>(schema: z.ZodType<T>, data: unknown): z.ZodSafeParseResult<T> | SchemaFault {
  const fault = hasMany(data) ? firstFault(schema, data, []) : undefined;
  return fault ?? schema.safeParse(data);
}

function hasMany(data: unknown): boolean {
  const stack = [data];
  for (let count = 0; stack.length > 0; count++) {
    if (count + stack.length > FEW) return true;
    const value = stack.pop();
    if (typeof value !== 'object' || value === null) continue;
    const inside = Object.values(value) as unknown[];
    if (inside.length > FEW) return true;
    for (const one of inside) stack.push(one);
  }
  return false;
}

/**
 * The first place where data does not have the shape of a schema. What schemas ask of several values together is left
 * to them: by then it is
 * known that every value alone is right, so there is little that they could tell.
 */
function firstFault(schema: z.ZodType, data: unknown, path: (string | number)[]): SchemaFault | undefined {
  if (schema instanceof z.ZodObject) return faultInObject(schema, data, path);
  if (schema instanceof z.ZodArray) return faultInList(schema, data, path);
  if (schema instanceof z.ZodRecord) return faultInRecord(schema, data, path);
  if (schema instanceof z.ZodDiscriminatedUnion) {
    const option = optionOf(schema, data);
    return option ? firstFault(option, data, path) : { path, why: 'it is of no kind that is known' };
  }
  if (schema instanceof z.ZodOptional) return data === undefined ? undefined : firstFault(inner(schema), data, path);
  if (schema instanceof z.ZodNullable) return data === null ? undefined : firstFault(inner(schema), data, path);
  const parsed = schema.safeParse(data);
  if (parsed.success) return undefined;
  const issue = parsed.error.issues[0];
  return {
    path: [...path, ...issue.path.map((key) => (typeof key === 'symbol' ? String(key) : key))],
    why: issueText(issue),
  };
}

const inner = (schema: z.ZodOptional | z.ZodNullable): z.ZodType => schema.unwrap() as z.ZodType;

function faultInObject(schema: z.ZodObject, data: unknown, path: (string | number)[]): SchemaFault | undefined {
  if (!isRecord(data)) return { path, why: 'it is no record' };
  for (const [key, child] of Object.entries(schema.shape)) {
    const fault = firstFault(child as z.ZodType, Object.hasOwn(data, key) ? data[key] : undefined, [...path, key]);
    if (fault) return fault;
  }
  return undefined;
}

function faultInList(schema: z.ZodArray, data: unknown, path: (string | number)[]): SchemaFault | undefined {
  if (!Array.isArray(data)) return { path, why: 'it is no list' };
  const most = mostOf(schema);
  if (most !== undefined && data.length > most) return { path, why: tooMany(most) };
  for (const [i, value] of data.entries()) {
    const fault = firstFault(schema.element as z.ZodType, value, [...path, i]);
    if (fault) return fault;
  }
  return undefined;
}

/** What `.max` was given. */
function mostOf({ def }: z.ZodArray): number | undefined {
  const checks = (def.checks ?? []).map((check) => check._zod.def as { check: string; maximum?: number });
  return checks.find(({ check }) => check === 'max_length')?.maximum;
}

function faultInRecord(schema: z.ZodRecord, data: unknown, path: (string | number)[]): SchemaFault | undefined {
  if (!isRecord(data)) return { path, why: 'it is no record' };
  const most = schema.meta()?.most;
  const keys = Object.keys(data);
  if (typeof most === 'number' && keys.length > most) return { path, why: tooMany(most) };
  for (const key of keys) {
    const fault =
      firstFault(schema.keyType as z.ZodType, key, [...path, key]) ??
      firstFault(schema.valueType as z.ZodType, data[key], [...path, key]);
    if (fault) return fault;
  }
  return undefined;
}

function optionOf(schema: z.ZodDiscriminatedUnion, data: unknown): z.ZodType | undefined {
  if (!isRecord(data)) return undefined;
  const { discriminator } = schema.def;
  const kind = data[discriminator];
  return (schema.options as z.ZodType[]).find(
    (option) =>
      option instanceof z.ZodObject && (option.shape[discriminator] as z.ZodType | undefined)?.safeParse(kind).success,
  );
}
