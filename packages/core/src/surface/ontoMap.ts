import { cross, dot, largestThat, plus, unit, type Box3, type Vec3 } from '../math/index.ts';
import type { SurfaceMap } from './surfaceMap.ts';
import type { GridSpot } from './surfaceGrid.ts';

export interface OntoOptions {
  /** around the flat piece */
  box: Box3;
  /** the place of the flat plane that is held; usually its zero */
  held?: readonly [number, number];
  /** over the surface, mm */
  lift: number;
  /** how far the back is sunk where it is not lifted, mm */
  root: number;
  /** letters keep their form and are only placed and tilted */
  rigid: boolean;
  /** by the grid alone */
  rough: boolean;
  /** of chords, mm */
  toleranceMm: number;
}

/** Letters that stay flat, where only some are laid. */
export interface Stays {
  /** ids of those that are laid */
  laid: ReadonlySet<number>;
  flat: SurfaceMap;
}

/** What has to be known of a point: where its letter stands in the flat layout. */
interface Footed {
  foot: Vec3;
  letter: number;
}

/** Of the depth: only the lowest share of it is drawn down into the model. */
const ROOT_SHARE = 0.02;
/** Of the tolerance: so near the grid stands for the surface. */
const NEAR = 0.1;
/** Of a search for a share: to a hundredth. */
const HALVINGS = 7;
/** mm, to either side, that tell which way a letter runs */
const BESIDE = 1e-3;

/**
 * A plane with depth laid onto a surface: first its places, then the depth out along the surface's normals; so nothing
 * done to the flat letters before can spoil it.
 */
export class OntoMap {
  readonly usesNormal = false;
  readonly featureMm = Infinity;
  readonly surface: SurfaceMap;
  readonly options: OntoOptions;

  readonly stays: Stays | undefined;

  constructor(surface: SurfaceMap, options: OntoOptions, stays?: Stays) {
    this.surface = surface;
    this.options = options;
    this.stays = stays;
  }

  move(at: Vec3, point: Footed): void {
    this.#move(at, point, this.options.rough);
  }

  /** By the grid alone where that lies near enough to the surface. */
  moveNear(at: Vec3, point: Footed): void {
    const { rough, toleranceMm } = this.options;
    this.#move(at, point, rough || this.surface.apart() < NEAR * toleranceMm);
  }

  /** Whether a letter comes onto the model; what belongs to none does. */
  lays(letter: number): boolean {
    return !this.stays || letter < 0 || this.stays.laid.has(letter);
  }

  #move(at: Vec3, { foot, letter }: Footed, rough: boolean): void {
    if (this.stays && !this.lays(letter)) {
      const { at: place, normal } = this.stays.flat.rough(at[0], at[1], foot[1]);
      const over = at[2] - this.options.box.low[2] + this.options.lift;
      return void at.splice(0, 3, ...plus(place, normal, over));
    }
    const high = this.heightOf(at[2]);
    const {
      at: place,
      normal,
      stretch,
    } = this.options.rigid ? this.#rigidly(at, foot) : this.#look(at[0], at[1], { baseline: foot[1], rough });
    const { level } = this.surface;
    const over = level && high > level.fromMm ? level.heightOver(place, high) : high;
    for (let k = 0; k < 3; k++) at[k] = place[k] + over * stretch * normal[k];
  }

  /** Over the surface, mm, of what lies at a depth of the flat piece. */
  heightOf(z: number): number {
    const { box, lift, root } = this.options;
    const over = z - box.low[2];
    const deep = box.high[2] - box.low[2];
    const sunk = deep > 0 ? Math.max(0, root - Math.max(lift, 0)) : 0;
    return over + lift - sunk * Math.max(0, 1 - over / (ROOT_SHARE * deep || 1));
  }

  /**
   * The share of the way from where the plane is held to a place of it up to which nothing is at fault; `most` is known
   * to be enough.
   */
  shareUntil(at: Vec3, most: number, isAtFault: (x: number, y: number) => boolean): number {
    const { held = [0, 0] } = this.options;
    const holds = (share: number): boolean =>
      !isAtFault(held[0] + share * (at[0] - held[0]), held[1] + share * (at[1] - held[1]));
    return holds(most) ? most : largestThat(holds, [0, most], HALVINGS);
  }

  #look(x: number, y: number, { baseline, rough }: { baseline: number; rough: boolean }): GridSpot {
    return rough ? this.surface.rough(x, y, baseline) : this.surface.exact(x, y, baseline);
  }

  /** In the frame that the surface has at the foot of the letter. */
  #rigidly(at: Vec3, foot: Vec3): GridSpot {
    const { surface } = this;
    const spot = surface.exact(foot[0], foot[1], foot[1]);
    const [a, b] = [-BESIDE, BESIDE].map((by) => surface.rough(foot[0] + by, foot[1], foot[1]).at);
    const way = plus(b, a, -1);
    const across = unit(plus(way, spot.normal, -dot(way, spot.normal)));
    const up = cross(spot.normal, across);
    return { ...spot, stretch: 1, at: plus(plus(spot.at, across, at[0] - foot[0]), up, at[1] - foot[1]) };
  }
}
