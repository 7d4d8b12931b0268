/** To three figures. */
export const mm = (value: number): string => `${Number(value.toPrecision(3))} mm`;

export const many = (count: number): string => count.toLocaleString('en');
