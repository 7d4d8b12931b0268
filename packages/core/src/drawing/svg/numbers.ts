/** Numbers and lengths as SVG attributes hold them. */
const NUMBER = /[-+]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[-+]?\d+)?/gi;

/** User units a unit (CSS Values 4: 96 to the inch). */
const UNITS: Readonly<Record<string, number>> = {
  '': 1,
  px: 1,
  pt: 96 / 72,
  pc: 16,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  q: 96 / 101.6,
  in: 96,
  em: 16,
  ex: 8,
  rem: 16,
};

/** All numbers of a list, in order. */
export const numbersOf = (text: string): number[] => (text.match(NUMBER) ?? []).map(Number);

/** A length in user units; percent are of `whole`. Undefined: none. */
export function svgLength(text: string | undefined, whole: number): number | undefined {
  const match = /^([-+]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[-+]?\d+)?)\s*(%|[a-z]{0,9})$/i.exec((text ?? '').trim());
  if (!match) return undefined;
  const value = Number(match[1]);
  if (match[2] === '%') return (value / 100) * whole;
  const unit = match[2].toLowerCase();
  return Object.hasOwn(UNITS, unit) ? value * UNITS[unit] : undefined;
}
