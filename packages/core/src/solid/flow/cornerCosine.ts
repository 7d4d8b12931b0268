/** Turns from here on are corners, not curves: cosine of 30 degrees. */
export const CORNER_COSINE = 0.8660254037844387;
