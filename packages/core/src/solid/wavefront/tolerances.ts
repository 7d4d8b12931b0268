/**
 * Tolerances of the wavefront, all in grid steps (docs/geometry.md: measured). Doubles resolve 2^-28 of a step at the
 * largest coordinate, so these are far above rounding and far below what a person could see.
 */
export const EPS = 2 ** -7;
/** Points closer than this are one point. */
export const SAME = 10 * EPS;
/** The snap grid's own width: events this close to a layer belong to it, zip ends this close coincide. */
export const GRID_WIDTH = 2;
/** Edges whose directions are opposite within this sine are treated as lying on one line. */
export const ANTI_PARALLEL = 2e-6;
/** Layers of a section may not be closer than this. */
export const SMALLEST_LAYER = 4;
/**
 * Corners that turn outward of the ink by more than this get fans of edges, each turning at most FAN_STEP (radians).
 */
export const FAN_FROM = (100 * 3.141592653589793) / 180;
export const FAN_STEP = (60 * 3.141592653589793) / 180;
/** Corners that are cut or rounded on request: those that turn by more than this. */
export const CORNER_FROM = (30 * 3.141592653589793) / 180;
/** Rounded ones turn by at most this from edge to edge. */
export const ROUND_STEP = (15 * 3.141592653589793) / 180;
/** No reflex vertex runs faster along its edges than this share of the front's speed, thanks to the fans. */
export const ALONG_SPEED = 1.2;
