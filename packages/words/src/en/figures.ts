import type { Unit } from '@fictile/core';

/** To three figures. */
export const mm = (value: number): string => `${Number(value.toPrecision(3))} mm`;

/** To three figures, with the sign of what it is measured in. */
export function measured(value: number, unit: Unit | ''): string {
  const figures = Number(value.toPrecision(3));
  if (unit === 'deg') return `${figures}°`;
  return unit === '%' || unit === 'mm' ? `${figures} ${unit}` : String(figures);
}

export const many = (count: number): string => count.toLocaleString('en');
