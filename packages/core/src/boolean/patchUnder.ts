import {
  aroundBoxes,
  boxOfPoints,
  cross,
  EMPTY_BOX,
  grownBox,
  plus,
  sizeOf,
  unit,
  type Box3,
  type Vec3,
} from '../math/index.ts';
import { faceCount, MeshSink, nextCorner, type PolygonMesh } from '../mesh/index.ts';
import { holds, liesOver } from './liesOver.ts';
import type { BodySurface } from './bodySurface.ts';
import { along, FaceBoxes, type Axes } from './faceBoxes.ts';

/**
 * The part of a body that something cuts, as a solid of its own: its faces, walls straight down from their border, and
 * a flat bottom.
 */
export interface UnderPatch {
  solid: PolygonMesh;
  /** per face of the body: 1 where it is in the patch */
  isIn: Uint8Array;
  /** where each edge of its border goes on, by the vertex of the body at which it starts */
  border: ReadonlyMap<number, number>;
  /** faces of the solid that are walls and bottom */
  below: number;
}

/** Marks the walls and the bottom of a patch. */
export const BELOW = ' below';

/** Of the patch's normals against its own upward way: steeper faces do not belong to it. */
const STEEP = 0.1;
/** Of the cutters' extent, to every side. */
const ROOM = 0.04;
/** A patch of more of the body is not worth it. */
const MOST_SHARE = 0.6;

/**
 * The faces that solids cut, with room around, where they are a field of heights over a plane and no other face of the
 * body comes near: then inside the solids' boxes the body is what lies under them, as long as each of those boxes has
 * the surface running through it: what is buried or stands beside the body says nothing. Undefined where that is not
 * so.
 */
export function patchUnder(surface: BodySurface, cutters: readonly PolygonMesh[]): UnderPatch | undefined {
  const axes = axesFor(surface, cutters);
  if (!axes) return undefined;
  const boxes = cutters.map((cutter) => grown(boxIn(axes, cutter.positions)));
  const whole = boxes.reduce(aroundBoxes, EMPTY_BOX);
  const faces = new FaceBoxes(surface.mesh, axes);
  const near = surface.boxes.near(boxAround(axes, whole));
  const rises = (f: number): boolean => cosineUp(surface, axes, f) > STEEP;
  const meets = (f: number): boolean =>
    near[f] === 1 && faces.overlaps(f, whole, 3) && boxes.some((box) => faces.overlaps(f, box, 3));
  const isIn = flooded(
    surface,
    (f) => faces.overlaps(f, whole, 2) && rises(f),
    (f) => meets(f) && rises(f),
  );
  if (!isIn) return undefined;
  const taken: number[] = [];
  for (let f = 0; f < isIn.length; f++) {
    if (isIn[f]) taken.push(f);
    else if (meets(f)) return undefined;
  }
  if (taken.length > MOST_SHARE * isIn.length) return undefined;
  const place = { axes, boxes, faces, isIn, taken, floor: whole.low[2] };
  return boxes.every((box) => runsThrough(surface, place, box)) ? closedBelow(surface, place) : undefined;
}

/** Up as the faces look on the whole that lie within the cutters' box. */
function axesFor(surface: BodySurface, cutters: readonly PolygonMesh[]): Axes | undefined {
  const { areas } = surface;
  const boxes = cutters.map(({ positions }) => boxOfPoints(positions));
  const near = surface.boxes.near(boxes.reduce(aroundBoxes, EMPTY_BOX));
  let sum: Vec3 = [0, 0, 0];
  for (let f = 0; f < near.length; f++) {
    if (near[f] === 0 || !boxes.some((box) => surface.boxes.overlaps(f, box, 3))) continue;
    sum = plus(sum, [areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]]);
  }
  if (!sum.some((v) => v !== 0)) return undefined;
  const up = unit(sum);
  const across = unit(cross(Math.abs(up[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0], up));
  return [across, cross(up, across), up];
}

/** The upright box around one along other axes. */
function boxAround(axes: Axes, { low, high }: Box3): Box3 {
  const corners = Array.from({ length: 8 }, (_, i) =>
    [0, 1, 2].reduce((sum, k) => plus(sum, axes[k], (i >> k) & 1 ? high[k] : low[k]), [0, 0, 0] as Vec3),
  );
  return boxOfPoints(Float64Array.from(corners.flat()));
}

function boxIn(axes: Axes, p: Float64Array): Box3 {
  const [low, high]: [Vec3, Vec3] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ];
  for (let v = 0; v < p.length; v += 3)
    for (let k = 0; k < 3; k++) {
      const at = along(axes[k], p, v);
      low[k] = Math.min(low[k], at);
      high[k] = Math.max(high[k], at);
    }
  return { low, high };
}

/** With room around. */
function grown({ low, high }: Box3): Box3 {
  const room = ROOM * Math.max(...[0, 1, 2].map((k) => high[k] - low[k]));
  return grownBox({ low, high }, room);
}

function cosineUp({ areas }: BodySurface, [, , up]: Axes, f: number): number {
  const size = sizeOf([areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]]);
  return size > 0 ? along(up, areas, 3 * f) / size : 0;
}

/**
 * The faces that belong and hang together with the first that must be there; undefined where one that must is not among
 * them.
 */
function flooded(
  { mesh, neighbours: { twin, face } }: BodySurface,
  belongs: (f: number) => boolean,
  must: (f: number) => boolean,
): Uint8Array | undefined {
  const isIn = new Uint8Array(faceCount(mesh));
  const needed: number[] = [];
  for (let f = 0; f < isIn.length; f++) if (must(f)) needed.push(f);
  if (needed.length === 0) return undefined;
  const row = [needed[0]];
  isIn[needed[0]] = 1;
  for (let f = row.pop(); f !== undefined; f = row.pop()) {
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const beside = face[twin[c]];
      if (isIn[beside] || !belongs(beside)) continue;
      isIn[beside] = 1;
      row.push(beside);
    }
  }
  return needed.every((f) => isIn[f]) ? isIn : undefined;
}

/** Whether the patch, over the middle of a box, is neither above nor below it. */
function runsThrough({ mesh, areas }: BodySurface, { axes, faces, taken }: PatchPlace, box: Box3): boolean {
  const [across, other, up] = axes;
  const [x, y] = [0, 1].map((k) => (box.low[k] + box.high[k]) / 2);
  const { positions, faceStart, faceVertices } = mesh;
  return taken.some((f) => {
    if (!faces.overlaps(f, box, 3)) return false;
    const corners = Array.from(faceVertices.subarray(faceStart[f], faceStart[f + 1]), (v) => [
      along(across, positions, 3 * v),
      along(other, positions, 3 * v),
    ]);
    if (!holds(Float64Array.from(corners.flat()), [0, corners.length], [x, y])) return false;
    // in the plane of the face, up from the plane of the middle
    const first = 3 * faceVertices[faceStart[f]];
    const [a, b, c] = axes.map((axis) => along(axis, areas, 3 * f));
    const height = along(up, positions, first) - (a * (x - corners[0][0]) + b * (y - corners[0][1])) / c;
    return height >= box.low[2] && height <= box.high[2];
  });
}

interface PatchPlace {
  axes: Axes;
  boxes: readonly Box3[];
  faces: FaceBoxes;
  /** faces of the patch: of all 1 for those, and their numbers */
  isIn: Uint8Array;
  taken: readonly number[];
  /** lowest place of what cuts */
  floor: number;
}

/** Undefined where the patch lies over itself, or its border comes over or under what cuts: walls would be met. */
function closedBelow({ mesh, neighbours }: BodySurface, place: PatchPlace): UnderPatch | undefined {
  const { isIn, taken } = place;
  const { faceStart, faceVertices, positions } = mesh;
  const own = new Map<number, number>();
  const vertices: number[] = [];
  const numberOf = (v: number): number => {
    const known = own.get(v);
    if (known !== undefined) return known;
    own.set(v, vertices.length);
    return vertices.push(v) - 1;
  };
  const corners: number[] = [];
  const starts = [0];
  const border = new Map<number, number>();
  let edges = 0;
  let lowest = place.floor;
  for (const f of taken) {
    lowest = Math.min(lowest, place.faces.lowest(f));
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
      corners.push(numberOf(faceVertices[c]));
      if (isIn[neighbours.face[neighbours.twin[c]]]) continue;
      const [a, b] = [faceVertices[c], faceVertices[nextCorner(mesh, f, c)]];
      if (place.boxes.some((box) => segmentMeets(place.axes, positions, [a, b], box))) return undefined;
      border.set(a, b);
      edges++;
    }
    starts.push(corners.length);
  }
  // a vertex that the border comes through twice would be joined below as well
  if (edges !== border.size) return undefined;
  const [across, other] = place.axes;
  const places = Float64Array.from(
    corners.flatMap((i) => [across, other].map((axis) => along(axis, positions, 3 * vertices[i]))),
  );
  if (liesOver({ places, faceStart: starts })) return undefined;
  return withBelow(mesh, { own, vertices, corners, starts, taken, border }, { isIn, up: place.axes[2], lowest });
}

/** Whether an edge comes within a box, seen from above (Liang and Barsky 1984). */
function segmentMeets(axes: Axes, p: Float64Array, [a, b]: [number, number], { low, high }: Box3): boolean {
  let [from, to] = [0, 1];
  for (let k = 0; k < 2; k++) {
    const start = along(axes[k], p, 3 * a);
    const way = along(axes[k], p, 3 * b) - start;
    if (way === 0) {
      if (start < low[k] || start > high[k]) return false;
      continue;
    }
    const [x, y] = [(low[k] - start) / way, (high[k] - start) / way];
    from = Math.max(from, Math.min(x, y));
    to = Math.min(to, Math.max(x, y));
  }
  return from <= to;
}

interface PatchRows {
  own: ReadonlyMap<number, number>;
  vertices: readonly number[];
  corners: number[];
  starts: number[];
  taken: readonly number[];
  border: ReadonlyMap<number, number>;
}

function withBelow(
  mesh: PolygonMesh,
  rows: PatchRows,
  { isIn, up, lowest }: { isIn: Uint8Array; up: Vec3; lowest: number },
): UnderPatch {
  const { own, vertices, corners, starts, taken, border } = rows;
  const { low, high } = boxOfPoints(
    Float64Array.from(vertices.flatMap((v) => [along(up, mesh.positions, 3 * v), 0, 0])),
  );
  const bottom = lowest - ROOM * (high[0] - low[0]) - 1e-3 * (high[0] - low[0] || 1);
  const loop = loopOf(border);
  const count = vertices.length;
  const sunk = loop ?? vertices;
  const numberBelow = new Map(sunk.map((v, i) => [v, count + i]));
  const sink = new MeshSink(mesh, { keeps: false });
  for (const v of vertices) sink.vertexOf(v);
  for (const v of sunk) {
    const down = bottom - along(up, mesh.positions, 3 * v);
    sink.vertexAt(
      [0, 1, 2].map((k) => mesh.positions[3 * v + k] + down * up[k]),
      v,
    );
  }
  for (const f of taken) sink.keep(f);
  const below = (v: number): number => numberBelow.get(v) as number;
  const regions = [...mesh.regions, { part: 'body' as const, letter: -1, contour: -1, of: BELOW }];
  const add = (face: readonly number[]): void => {
    for (const v of face) sink.corner(v, undefined, 0);
    sink.endFace(regions.length - 1);
  };
  // one face below where the border is one line; else the faces themselves, turned over
  if (loop) add([...loop].reverse().map(below));
  else
    for (let i = 0; i < taken.length; i++)
      add(
        corners
          .slice(starts[i], starts[i + 1])
          .reverse()
          .map((v) => count + v),
      );
  for (const [a, b] of border) add([own.get(b) as number, own.get(a) as number, below(a), below(b)]);
  return { solid: sink.finish(regions), isIn, border, below: (loop ? 1 : taken.length) + border.size };
}

/** A border that is one line, from vertex to vertex; undefined where it is several. */
function loopOf(border: ReadonlyMap<number, number>): number[] | undefined {
  const [first] = border.keys();
  const loop = [first];
  for (let v = border.get(first); v !== first && v !== undefined && loop.length <= border.size; v = border.get(v))
    loop.push(v);
  return loop.length === border.size ? loop : undefined;
}
