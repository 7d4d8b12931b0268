/**
 * All outlines and meshes of a lettering share one grid whose step is a power of two, chosen so that every coordinate
 * divided by the step stays below 2^24: then 32-bit files hold the very same points, and products of coordinates are
 * exact in doubles.
 */
const STEPS = [16, 14, 12, 10, 8].map((power) => ({ step: 2 ** -power, extent: 2 ** (24 - power) }));

/** The largest extent in millimetres that any grid takes. */
export const LARGEST_EXTENT_MM = STEPS[STEPS.length - 1].extent;

/** Step in millimetres for a lettering that reaches `extentMm` from its origin. */
export function gridStep(extentMm: number): number {
  const found = STEPS.find(({ extent }) => extentMm <= extent);
  return (found ?? STEPS[STEPS.length - 1]).step;
}
