import { boxOfPoints, diagonalOf, dot, plus, unit, type Box3, type Vec3 } from '../math/index.ts';
import {
  adjacency,
  cornerNormals,
  crisp,
  EdgeWalk,
  faceCount,
  triangleCorners,
  turnedOver,
  type EdgeLine,
  type PolygonMesh,
} from '../mesh/index.ts';
import { sightOf, type Hold } from './anchor.ts';
import { borderAround, type Belongs } from './borderAround.ts';
import { TriangleTree, type SurfacePlace } from './triangleTree.ts';

/** Faces that turn by more meet in an edge, as the eye sees it. */
const EDGE_DEGREES = 40;
/** Of the diagonal: so far before a surface one stands that looks at it. */
const BEFORE = 0.01;

/** A mesh that lettering is laid onto: where its surface is nearest, where rays hit it, and where it faces. */
export class Target {
  readonly box: Box3;
  readonly diagonal: number;
  readonly triangles: number;
  readonly #mesh: PolygonMesh;
  #made: Surface | undefined;
  #edges: EdgeWalk | undefined;
  #over: Target | undefined;
  #isOpen: boolean | undefined;

  constructor(mesh: PolygonMesh) {
    this.#mesh = mesh;
    this.triangles = mesh.faceVertices.length - 2 * faceCount(mesh);
    this.box = boxOfPoints(mesh.positions);
    this.diagonal = diagonalOf(this.box);
  }

  /** Who only asks for edges needs none of it. */
  get #surface(): Surface {
    return (this.#made ??= surfaceOf(this.#mesh));
  }

  /** A sheet as one sees it from there: what is met from behind is laid on that side. A body has one outside. */
  seenBy(hold: Hold): Target {
    const sight = sightOf(hold);
    const seen = this.hit(hold.from, sight);
    if (!seen || dot(this.flatNormalAt(seen), sight) <= 0) return this;
    if (!this.#hasBorder()) return this;
    return (this.#over ??= new Target(turnedOver(this.#mesh)));
  }

  /** A place from which one looks at a body: out of it where that has grown over it. A sheet has no inside. */
  outside(from: Vec3, toward: Vec3): Vec3 {
    const back = unit(toward.map((v) => 0 - v) as Vec3);
    const left = this.hit(from, back);
    if (!left || dot(this.flatNormalAt(left), back) <= 0 || this.#hasBorder()) return from;
    return plus(left.at, back, BEFORE * this.diagonal);
  }

  #hasBorder(): boolean {
    return (this.#isOpen ??= adjacency(this.#mesh).openEdges > 0);
  }

  closest(place: Vec3, hint?: number): SurfacePlace {
    return this.#surface.tree.closest(place, hint) ?? { triangle: 0, at: place, v: 0, w: 0, far: 0 };
  }

  hit(from: Vec3, along: Vec3): SurfacePlace | undefined {
    return this.#surface.tree.hit(from, along);
  }

  /** Outward, of length 1, smooth but for edges. */
  normalAt({ triangle, v, w }: SurfacePlace): Vec3 {
    const n = this.#surface.normals;
    const o = 9 * triangle;
    const u = 1 - v - w;
    return unit([0, 1, 2].map((k) => u * n[o + k] + v * n[o + 3 + k] + w * n[o + 6 + k]) as Vec3);
  }

  /**
   * The edge or loop that is nearest to a place, of those that run along a way where one is given; undefined where
   * there is none.
   */
  edgeLine(at: Vec3, along?: Vec3): EdgeLine | undefined {
    this.#edges ??= new EdgeWalk(this.#mesh);
    return this.#edges.line(at, along);
  }

  /** Of all triangles that belong and hang together with one. */
  borderAround(triangle: number, belongs: Belongs): [Vec3, Vec3][] {
    return borderAround(this.#mesh, triangle, belongs);
  }

  /** Of the triangle itself. */
  flatNormalAt({ triangle }: SurfacePlace): Vec3 {
    const p = this.#surface.places;
    const o = 9 * triangle;
    const [ax, ay, az] = [p[o + 3] - p[o], p[o + 4] - p[o + 1], p[o + 5] - p[o + 2]];
    const [bx, by, bz] = [p[o + 6] - p[o], p[o + 7] - p[o + 1], p[o + 8] - p[o + 2]];
    return unit([ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx]);
  }

  /**
   * How far above the surface a place is, mm; below zero under it. Faces that meet in its closest place decide together
   * (Baerentzen and Aanaes 2005, simplified).
   */
  heightOf(place: Vec3, hint?: number): number {
    const near = this.closest(place, hint);
    const way: Vec3 = [place[0] - near.at[0], place[1] - near.at[1], place[2] - near.at[2]];
    const side = dot(way, this.flatNormalAt(near)) || dot(way, this.normalAt(near));
    return Math.sqrt(near.far) * (side < 0 ? -1 : 1);
  }
}

interface Surface {
  tree: TriangleTree;
  /** nine numbers a triangle, both */
  places: Float64Array;
  normals: Float64Array;
}

function surfaceOf(mesh: PolygonMesh): Surface {
  const byCorner = cornerNormals(crisp(mesh, EDGE_DEGREES));
  const { places, corners } = triangleCorners(mesh);
  const normals = new Float64Array(places.length);
  for (let i = 0; i < corners.length; i++) {
    const c = 3 * corners[i];
    normals[3 * i] = byCorner[c];
    normals[3 * i + 1] = byCorner[c + 1];
    normals[3 * i + 2] = byCorner[c + 2];
  }
  return { tree: new TriangleTree(places), places, normals };
}
