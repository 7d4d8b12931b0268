import { unfolded, type PolygonMesh } from '../mesh/index.ts';
import { cos, PI, sin } from '../math/index.ts';
import { type Section } from './section/index.ts';

/** What happens to the solid from its front, which stays as it is, to its back. */
export interface AlongDepth {
  /** of the back, counter-clockwise */
  twistDegrees: number;
  /** how much smaller the back is; below zero larger */
  taperPercent: number;
  /** of the back, across and up */
  shearMm: readonly [number, number];
  /** between the depth's directions at front and back, between -90 and 90 */
  curveDegrees: number;
  /** where the curve leads: clockwise from straight up */
  towardDegrees: number;
}

/** Mm, in the mesh's own coordinates: what turns and narrows, and between which depths. */
export interface DepthFrame {
  x: number;
  y: number;
  frontZ: number;
  backZ: number;
}

/** Depths that a solid is built of, from front to back, mm. */
export interface DepthLevels {
  /** no face reaches over one of these */
  levels: readonly number[];
  /** stretches where walls stand upright, their upper ends first */
  upright: readonly (readonly [number, number])[];
}

const RADIANS = PI / 180;

/**
 * A solid changed from front to back, so that nothing crosses that did not before. The taper is a projective map:
 * planes stay planes. What is curved or moved is so in slabs between two levels, each by an affine map. Only upright
 * walls are twisted; slopes turn as a whole, since their needles along ridges would not stand it. A twisted wall can
 * still cross a neighbour closer than its chords are true: that is for a check.
 */
export function alongDepth(
  mesh: PolygonMesh,
  { frame, depths, along }: { frame: DepthFrame; depths: DepthLevels; along: AlongDepth },
): PolygonMesh {
  const positions = new Float64Array(mesh.positions.length);
  const narrow = taper(frame, along.taperPercent);
  const slabs = depths.levels.map((z) => slabEnd(narrow(z).z, frame, along));
  const turn = turnOver(depths.upright, along);
  // walls have few depths and many vertices
  const atDepth = remembered((z: number) => {
    const { scale, z: narrowed } = narrow(z);
    const angle = turn(z);
    return { c: cos(angle) * scale, s: sin(angle) * scale, moved: inSlab(slabs, narrowed) };
  });
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = mesh.positions.subarray(i, i + 3);
    const { c, s, moved } = atDepth(z);
    positions[i] = frame.x + c * (x - frame.x) - s * (y - frame.y) + moved.x;
    positions[i + 1] = frame.y + s * (x - frame.x) + c * (y - frame.y) + moved.y;
    positions[i + 2] = moved.z;
  }
  return unfolded({ ...mesh, positions });
}

function remembered<T>(work: (z: number) => T): (z: number) => T {
  const known = new Map<number, T>();
  return (z) => {
    const found = known.get(z);
    if (found !== undefined) return found;
    const made = work(z);
    known.set(z, made);
    return made;
  };
}

/** x' = x / (1 + k u), u' = u (1 + k) / (1 + k u): sides of the frustum stay straight, and the depth stays. */
function taper({ frontZ, backZ }: DepthFrame, percent: number): (z: number) => { scale: number; z: number } {
  const end = 1 - percent / 100;
  const k = 1 / end - 1;
  const depth = frontZ - backZ;
  return (z) => {
    if (k === 0 || depth <= 0) return { scale: 1, z };
    const share = (frontZ - z) / depth;
    const scale = 1 / (1 + k * share);
    return { scale, z: frontZ - depth * share * (1 + k) * scale };
  };
}

/** Upright walls turn evenly, everything between two of them as one. */
function turnOver(upright: DepthLevels['upright'], { twistDegrees }: AlongDepth): (z: number) => number {
  const total = upright.reduce((sum, [from, to]) => sum + from - to, 0);
  if (twistDegrees === 0 || total === 0) return () => 0;
  return (z) => {
    const passed = upright.reduce((sum, [from, to]) => sum + Math.max(0, from - Math.max(to, z)), 0);
    return (twistDegrees * RADIANS * passed) / total;
  };
}

interface SlabEnd {
  from: number;
  x: number;
  y: number;
  z: number;
}

/** Where a level comes to lie on the bent and slanted way to the back; the arc ends at the back's depth. */
function slabEnd(from: number, { frontZ, backZ }: DepthFrame, along: AlongDepth): SlabEnd {
  const { shearMm, curveDegrees, towardDegrees } = along;
  const depth = frontZ - backZ;
  const share = depth > 0 ? (frontZ - from) / depth : 0;
  const bend = curveDegrees * RADIANS;
  const radius = bend === 0 ? 0 : depth / sin(bend);
  const aside = bend === 0 ? 0 : radius * (1 - cos(share * bend));
  return {
    from,
    x: shearMm[0] * share + sin(towardDegrees * RADIANS) * aside,
    y: shearMm[1] * share + cos(towardDegrees * RADIANS) * aside,
    z: bend === 0 ? from : frontZ - radius * sin(share * bend),
  };
}

/** Between two levels everything moves in proportion. */
function inSlab(slabs: readonly SlabEnd[], z: number): Omit<SlabEnd, 'from'> {
  let i = 1;
  while (i + 1 < slabs.length && slabs[i].from > z) i++;
  const [a, b] = [slabs[i - 1], slabs[Math.min(i, slabs.length - 1)]];
  const share = a.from > b.from ? (a.from - z) / (a.from - b.from) : 0;
  const at = (p: number, q: number): number => p + (q - p) * share;
  return { x: at(a.x, b.x), y: at(a.y, b.y), z: at(a.z, b.z) };
}

/** Levels of a section that no piece of it reaches over, and its upright walls; mm from its own zero. */
export function depthLevels({ inset, z, part }: Section, step: number): DepthLevels {
  const candidates = [...new Set(z)].sort((a, b) => b - a);
  const spans = part.map((_, i) => [Math.min(z[i], z[i + 1]), Math.max(z[i], z[i + 1])]);
  const levels = candidates.filter((level) => spans.every(([low, high]) => level <= low || level >= high));
  const upright = part.flatMap((name, i): [number, number][] =>
    name === 'wall' && inset[i] === inset[i + 1] ? [[z[i] * step, z[i + 1] * step]] : [],
  );
  return { levels: levels.map((level) => level * step), upright };
}

/** So many degrees at most between two divisions of a wall that is twisted or curved. */
const DEGREES_A_PIECE = 4;
/** Mm: from this tolerance down what is twisted is finer. */
const COARSE_MM = 0.05;

/**
 * What pieces and edges of a twisted wall are shorter by, so that it lies within the tolerance: how far a chord strays
 * from its curve goes with the square of its length. 1 for tolerances that are not fine.
 */
export const twistShare = (toleranceMm: number): number => Math.sqrt(Math.min(1, toleranceMm / COARSE_MM));

/** Divisions of the depth that a wall needs to follow. */
export const divisionsAlong = ({ twistDegrees, curveDegrees }: AlongDepth, toleranceMm: number): number => {
  const most = Math.max(Math.abs(twistDegrees), Math.abs(curveDegrees));
  return Math.max(1, Math.ceil(most / (DEGREES_A_PIECE * twistShare(toleranceMm))));
};

/** Whether anything changes along the depth at all. */
export const changesAlong = ({ twistDegrees, taperPercent, shearMm, curveDegrees }: AlongDepth): boolean =>
  twistDegrees !== 0 || taperPercent !== 0 || shearMm.some((mm) => mm !== 0) || curveDegrees !== 0;
