/** Length of a vector of the plane. The built-in hypot differs between engines. */
export const lengthOf = (x: number, y: number): number => Math.sqrt(x * x + y * y);
