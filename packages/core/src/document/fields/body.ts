import { z } from 'zod';
import { LIMITS } from '../../base/index.ts';
import { FACE_KINDS } from '../../faces/index.ts';
import { angle, choice, count, data, flag, length, pair, place, record, share, turn } from '../../fields/index.ts';
import { USUAL_KINDS, USUAL_SIDE_KINDS } from '../../solid/index.ts';

/** A point of a drawn profile. Shares of its width and of its depth; what lies beyond the outline is below zero. */
const profileKnotSchema = z.object({
  in: z.number().min(-LIMITS.profileReach).max(LIMITS.profileReach),
  down: z.number().min(0).max(1),
  /** passed in the direction of its neighbours, instead of a corner */
  smooth: z.boolean(),
});

/** The same in percent, as people read and type them. */
export const PROFILE_KNOT = {
  in: share(-100 * LIMITS.profileReach, 100 * LIMITS.profileReach, { usual: 0 }),
  down: share(0, 100),
};

/** What a drawn edge or side passes on its way, both ends left out: those follow from its sizes. */
export const profileSchema = z.array(profileKnotSchema).max(LIMITS.profilePoints);
export type Profile = z.infer<typeof profileSchema>;
const points = () => data<Profile>(profileSchema, []);

const steps = (usual: number) => count(1, 64, { usual });
const thin = (usual: number) => length(0, 1000, { usual, step: 0.5 });

export const EDGE = {
  kind: choice([...USUAL_KINDS, 'drawn']),
  inMm: thin(2),
  deepMm: thin(2),
  steps: steps(4),
  /** of a drawn one: from the rim to the foot */
  points: points(),
};

export const SIDE = {
  kind: choice([...USUAL_SIDE_KINDS, 'drawn']),
  /** how far it goes in from the outline */
  amountMm: thin(3),
  /** of each half of a curved one */
  steps: steps(6),
  /** a straight one is cut into so many along the depth */
  divisions: count(1, 200),
  /** of a drawn one: from the front edge to the back edge */
  points: points(),
};

/** Front and back rise towards their middle, on top of the depth. */
export const SWELL = {
  frontMm: thin(0),
  backMm: thin(0),
  curve: choice(['round', 'soft', 'straight'], { usual: 'soft' }),
  steps: steps(8),
};

/** From the front, which stays, to the back. */
export const ALONG = {
  /** what turns and narrows: the whole lettering about its middle, or each letter about its own */
  about: choice(['whole', 'letter']),
  /** of the back, counter-clockwise */
  twistDegrees: turn(),
  /** how much smaller the back is; below zero larger */
  taperPercent: share(-1000, 99, { usual: 0, step: 5 }),
  /** of the back, across and up */
  shearMm: pair(place(), place()),
  /** between the depth's directions at front and back */
  curveDegrees: angle(-85, 85, { usual: 0 }),
  /** where the curve leads: degrees count clockwise from straight up */
  towardDegrees: turn({ usual: 180 }),
};

export const SOLID = {
  /** the whole depth, edges included; 0 is a flat sheet */
  depthMm: length(0, 10_000, { usual: 18 }),
  front: { ...record(EDGE), usual: { ...record(EDGE).usual, kind: 'round' as const } },
  back: record(EDGE),
  /** the back edge follows the front edge */
  backAsFront: flag(false),
  /** the edges' depths come on top of the depth, instead of out of it */
  edgesAdd: flag(false),
  /** inward edges keep the outline as the body's; outward ones keep it as the front's, and the body grows */
  edgeSide: choice(['inward', 'outward']),
  /** curves of edges and sides are cut by their steps, or within the tolerance of the faces */
  stepsBy: choice(['count', 'tolerance']),
  /** a bolder outline; below zero a lighter one */
  emboldenMm: length(-1000, 1000, { usual: 0, step: 0.5, moves: 'no' }),
  /** what becomes of corners that an edge runs away from */
  corners: choice(['sharp', 'cut', 'round']),
  /** between the edges */
  side: record(SIDE),
  swell: record(SWELL),
  along: record(ALONG),
};

export const FACES = {
  /** fewest faces; even cuts through the whole lettering; squares; quads that follow the strokes */
  style: choice(FACE_KINDS),
  /** largest distance of a chord from its curve */
  toleranceMm: length(LIMITS.finestToleranceMm, 10, { usual: 0.05, step: 0.01, moves: 'no' }),
  /** length of an edge of squares and flowing quads; 0: as suits the lettering */
  sizeMm: length(0, 10_000, { step: 0.5, moves: 'no' }),
  /** how many bands, and the axis along which they follow one another */
  bands: count(1, 1000, { usual: 12 }),
  bandsAxis: choice(['x', 'y']),
  /** loops of edges at this distance beside sharp bends of the section; 0: none */
  supportMm: length(0, 1000, { step: 0.1, moves: 'no' }),
  /** under steps that shape: as fine as those need, or as they are */
  shaped: choice(['fine', 'own']),
};
