/** A number with its unit behind it; `room` is what stands between them, where anything does. */
export const withUnit = (value: number | string, unit: string, room = ' '): string =>
  unit === '' || unit === '°' ? `${value}${unit}` : `${value}${room}${unit}`;
