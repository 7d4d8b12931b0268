/** Lengths: a number with an optional unit, millimetres when there is none. */
export type LengthUnit = 'mm' | 'cm' | 'm' | 'in';

export const MM_PER: Readonly<Record<LengthUnit, number>> = { mm: 1, cm: 10, m: 1000, in: 25.4 };

const LENGTH = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(mm|cm|m|in)?\s*$/i;

/** "18mm", "1.8 cm", "0.7in", "18" -> millimetres; undefined when it is none of these. */
export function parseLength(text: string): number | undefined {
  const match = LENGTH.exec(text);
  if (!match) return undefined;
  const unit = (match[2] ?? 'mm').toLowerCase() as LengthUnit;
  const value = Number(match[1]) * MM_PER[unit];
  return Number.isFinite(value) ? value : undefined;
}
