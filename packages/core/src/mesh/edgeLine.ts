import { cos, cross, distanceToStretch, dot, minus, PI, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import { adjacency } from './adjacency.ts';
import { CRISP_COSINE } from './crisp.ts';
import { cosineBetween, faceAreaVectors } from './faceNormals.ts';
import { faceCount, nextCorner, type PolygonMesh } from './polygonMesh.ts';

/** A way over the edges of a mesh. */
export interface EdgeLine {
  places: Vec3[];
  /** its last place goes on to its first */
  closed: boolean;
  /** out of the surface at its first place, of length 1 */
  up: Vec3;
}

/** Where a way meets several others it goes straight on, within so much. */
const STRAIGHT_ON = cos((60 * PI) / 180);

const [NOTHING, LOOP, CRISP, BORDER] = [0, 1, 2, 3];

/** Of 45 degrees. */
const ALONG = Math.SQRT1_2;

/** A step from one vertex to the next over an edge; `corner` names the edge, walked either way. */
interface EdgeLineStep {
  corner: number;
  from: number;
  to: number;
}

/** Finds the lines of one mesh. */
export class EdgeWalk {
  readonly #mesh: PolygonMesh;
  readonly #twin: Int32Array;
  readonly #face: Uint32Array;
  readonly #areas: Float64Array;
  /** what runs over each corner's edge */
  readonly #kind: Uint8Array;
  /** edges by their vertices: corners, each edge once */
  readonly #around = new Map<number, number[]>();

  constructor(mesh: PolygonMesh) {
    this.#mesh = mesh;
    const { twin, face } = adjacency(mesh);
    [this.#twin, this.#face, this.#areas] = [twin, face, faceAreaVectors(mesh)];
    const isQuad = new Uint8Array(faceCount(mesh)).map((_, f) =>
      mesh.faceStart[f + 1] - mesh.faceStart[f] === 4 ? 1 : 0,
    );
    this.#kind = new Uint8Array(twin.length).map((_, c) => {
      if (twin[c] < 0) return BORDER;
      if (cosineBetween(this.#areas, face[c], face[twin[c]], 1) < CRISP_COSINE) return CRISP;
      return isQuad[face[c]] && isQuad[face[twin[c]]] ? LOOP : NOTHING;
    });
    for (let c = 0; c < twin.length; c++) {
      if (twin[c] >= 0 && twin[c] < c) continue;
      const { from, to } = this.#step(c);
      for (const v of [from, to]) {
        const known = this.#around.get(v);
        if (known) known.push(c);
        else this.#around.set(v, [c]);
      }
    }
  }

  /**
   * The edge that is nearest to a place, followed both ways: a border or a crisp edge as far as it goes on, an edge
   * between four-sided faces across one regular vertex after another, as edge loops are. Diagonals between triangles
   * are no lines of anything. A closed one starts at its place nearest to the one given. `along`: only edges that run
   * that way rather than across it are meant. Undefined where a mesh has no such edge.
   */
  line(at: Vec3, along?: Vec3): EdgeLine | undefined {
    const first = this.#nearest(at, along);
    if (!first) return undefined;
    const forward = this.#follow(first);
    const closed = forward[forward.length - 1] === first.from;
    const back = closed ? [] : this.#follow({ ...first, from: first.to, to: first.from });
    const vertices = closed ? forward : [...back.slice(1).reverse(), ...forward];
    const places = vertices.map((v) => this.#place(v));
    if (closed) places.pop();
    const start = closed ? nearestOf(places, at) : 0;
    return { places: [...places.slice(start), ...places.slice(0, start)], closed, up: this.#up(first.corner) };
  }

  #step(c: number): EdgeLineStep {
    const { faceVertices } = this.#mesh;
    return { corner: c, from: faceVertices[c], to: faceVertices[nextCorner(this.#mesh, this.#face[c], c)] };
  }

  #place(v: number): Vec3 {
    const p = this.#mesh.positions;
    return [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
  }

  #nearest(at: Vec3, along: Vec3 | undefined): EdgeLineStep | undefined {
    let best: EdgeLineStep | undefined;
    let least = Infinity;
    for (let c = 0; c < this.#kind.length; c++) {
      if (this.#kind[c] === NOTHING || (this.#twin[c] >= 0 && this.#twin[c] < c)) continue;
      const step = this.#step(c);
      if (along && Math.abs(dot(this.#way(step), along)) < ALONG) continue;
      const far = distanceToStretch(at, this.#place(step.from), this.#place(step.to));
      if (far < least) [best, least] = [step, far];
    }
    return best;
  }

  /** Vertices from the start of a step on, until it ends or meets itself. */
  #follow(first: EdgeLineStep): number[] {
    const vertices = [first.from, first.to];
    const seen = new Set(vertices);
    for (let step = this.#next(first); step; step = this.#next(step)) {
      if (step.to === first.from) return [...vertices, step.to];
      if (seen.has(step.to)) break;
      vertices.push(step.to);
      seen.add(step.to);
    }
    return vertices;
  }

  #next(step: EdgeLineStep): EdgeLineStep | undefined {
    const others = (this.#around.get(step.to) ?? []).filter((c) => c !== step.corner);
    return this.#kind[step.corner] === LOOP ? this.#acrossFrom(step, others) : this.#crispOn(step, others);
  }

  #crispOn(step: EdgeLineStep, others: readonly number[]): EdgeLineStep | undefined {
    // a border meets crisp edges, and goes on as a border
    const ways = others.filter((c) => this.#kind[c] >= this.#kind[step.corner]).map((c) => this.#awayFrom(step.to, c));
    if (ways.length < 2) return ways[0];
    const along = this.#way(step);
    const turns = ways.map((way) => dot(along, this.#way(way)));
    const best = turns.indexOf(Math.max(...turns));
    return turns[best] > STRAIGHT_ON ? ways[best] : undefined;
  }

  /** The edge of a regular vertex that shares no face with the one that comes in. */
  #acrossFrom(step: EdgeLineStep, others: readonly number[]): EdgeLineStep | undefined {
    const sides = this.#facesOf(step.corner);
    const across = others.filter((c) => !this.#facesOf(c).some((f) => sides.includes(f)));
    const isRegular = others.length === 3 && across.length === 1 && this.#twin[across[0]] >= 0;
    return isRegular ? this.#awayFrom(step.to, across[0]) : undefined;
  }

  #awayFrom(v: number, corner: number): EdgeLineStep {
    const { from, to } = this.#step(corner);
    return { corner, from: v, to: from === v ? to : from };
  }

  #way = ({ from, to }: EdgeLineStep): Vec3 => unit(minus(this.#place(to), this.#place(from)));

  #facesOf(c: number): number[] {
    const other = this.#twin[c];
    return other < 0 ? [this.#face[c]] : [this.#face[c], this.#face[other]];
  }

  #up(c: number): Vec3 {
    const normals = this.#facesOf(c).map((f) => unit([0, 1, 2].map((k) => this.#areas[3 * f + k]) as Vec3));
    return unit(normals.reduce((sum, normal) => plus(sum, normal, 1)));
  }
}

const nearestOf = (places: readonly Vec3[], at: Vec3): number => {
  const far = places.map((place) => sizeOf(minus(place, at)));
  return far.indexOf(Math.min(...far));
};

/**
 * Walked so that whoever stands on it with this way up looks away from its middle; on an open one to the front.
 * `isReversed`: the other way.
 */
export function turnedOutward({ places, closed, up }: EdgeLine, standing: Vec3, isReversed: boolean): EdgeLine {
  const along = minus(places[1], places[0]);
  const looks = cross(along, standing);
  const middle = places.reduce((sum, place) => plus(sum, place, 1 / places.length), [0, 0, 0] as Vec3);
  const away: Vec3 = closed ? minus(places[0], middle) : [0, 0, 1];
  // where that says nothing, to the front; and where that doesn't either, up
  const score =
    [dot(looks, away) / (sizeOf(away) || 1), looks[2], looks[1]].find((v) => Math.abs(v) > 1e-6 * sizeOf(looks)) ?? 1;
  if (score < 0 === isReversed) return { places, closed, up };
  const back = [...places].reverse();
  return { places: closed ? [places[0], ...back.slice(0, -1)] : back, closed, up };
}
