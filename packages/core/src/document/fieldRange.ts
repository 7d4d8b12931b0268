import { z } from 'zod';
import { stepSchema, type StepKind } from './stepSchema.ts';

/** What a number may be. */
export interface FieldRange {
  min: number;
  max: number;
  isWhole: boolean;
}

/**
 * The range of a value of a step, as its schema has it. `path` leads to it: names of fields, places in lists, and the
 * kind of what is one of several. Throws where it leads to no number.
 */
export const stepRange = (...path: [StepKind, ...(string | number)[]]): FieldRange => rangeOf(stepSchema, path);

function rangeOf(schema: unknown, path: readonly (string | number)[]): FieldRange {
  if (schema instanceof z.ZodNumber && path.length === 0) {
    const { minValue, maxValue } = schema;
    return { min: minValue ?? -Infinity, max: maxValue ?? Infinity, isWhole: schema.isInt };
  }
  const [next, ...rest] = path;
  const inner = next === undefined ? undefined : within(schema, next);
  if (inner === undefined) throw new Error(`no number at ${path.join('.')}`);
  return rangeOf(inner, rest);
}

function within(schema: unknown, name: string | number): unknown {
  if (schema instanceof z.ZodObject) return (schema.shape as Record<string, unknown>)[name];
  if (schema instanceof z.ZodTuple) return schema.def.items[Number(name)];
  if (schema instanceof z.ZodArray) return schema.element;
  if (!(schema instanceof z.ZodUnion)) return undefined;
  return schema.options.find((one) => {
    const kind = one instanceof z.ZodObject ? (one.shape as Record<string, unknown>).kind : undefined;
    return kind instanceof z.ZodLiteral && kind.value === name;
  });
}
