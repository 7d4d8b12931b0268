import { cross, dot, minus, plus, sizeOf, unit, type Vec3 } from '../math/index.ts';
import {
  adjacency,
  faceAreaVectors,
  MeshSink,
  nextCorner,
  type Adjacency,
  type PolygonMesh,
  type Region,
} from '../mesh/index.ts';

export interface Raised {
  byMm: number;
  /** how far the border comes in at the top, on the surface, mm; below zero it goes out */
  leanMm?: number;
  /** faces that are raised */
  isRaised(region: Region): boolean;
  /** of the walls that grow at their border */
  wall(region: Region): Region;
}

/** Some faces of a mesh lifted along its normals, with walls of quads from where they lay. */
export function raiseFaces(mesh: PolygonMesh, { byMm, leanMm = 0, isRaised, wall }: Raised): PolygonMesh {
  const { twin, face } = adjacency(mesh);
  const raised = Uint8Array.from(mesh.region, (row) => (isRaised(mesh.regions[row]) ? 1 : 0));
  const up = upAt(mesh, raised);
  const inward = leanMm === 0 ? () => undefined : inwardAt(mesh, { twin, face }, { raised, ups: up });
  const sink = new MeshSink(mesh, { keeps: false });
  const upper = new Map<number, number>();
  const upperOf = (v: number): number => {
    let at = upper.get(v);
    if (at === undefined) {
      const place: Vec3 = [mesh.positions[3 * v], mesh.positions[3 * v + 1], mesh.positions[3 * v + 2]];
      const way = inward(v);
      const leaning = way ? plus(place, way, leanMm) : place;
      upper.set(v, (at = sink.vertexAt(plus(leaning, up(v), byMm), v)));
    }
    return at;
  };
  const isBorder = (c: number): boolean => twin[c] >= 0 && raised[face[c]] !== raised[face[twin[c]]];
  for (let f = 0; f < raised.length; f++) {
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const v = mesh.faceVertices[c];
      sink.corner(raised[f] ? upperOf(v) : sink.vertexOf(v), c, isBorder(c) ? 1 : mesh.sharp[c]);
    }
    sink.endFace(mesh.region[f]);
  }
  const regions = [...mesh.regions];
  const walls = new Map<number, number>();
  for (let c = 0; c < twin.length; c++) {
    if (!raised[face[c]] || !isBorder(c)) continue;
    const next = nextCorner(mesh, face[c], c);
    const [a, b] = [mesh.faceVertices[c], mesh.faceVertices[next]];
    // crisp above and below, smooth from wall to wall
    sink.corner(sink.vertexOf(a), c, 1);
    sink.corner(sink.vertexOf(b), next, 0);
    sink.corner(upperOf(b), next, 1);
    sink.corner(upperOf(a), c, 0);
    const of = mesh.region[face[c]];
    let row = walls.get(of);
    if (row === undefined) walls.set(of, (row = regions.push(wall(mesh.regions[of])) - 1));
    sink.endFace(row);
  }
  return sink.finish(regions);
}

/** How sharp a corner may be before it moves by less than its sides do. */
const MITRE = 2;

/**
 * At vertices of the border of what is raised: which way, and how much farther than its sides, a vertex comes in when
 * both come in by 1.
 */
function inwardAt(
  mesh: PolygonMesh,
  { twin, face }: Pick<Adjacency, 'twin' | 'face'>,
  { raised, ups }: { raised: Uint8Array; ups: (v: number) => Vec3 },
): (v: number) => Vec3 | undefined {
  const sides = new Map<number, Vec3[]>();
  const at = (v: number): Vec3 => [mesh.positions[3 * v], mesh.positions[3 * v + 1], mesh.positions[3 * v + 2]];
  for (let c = 0; c < twin.length; c++) {
    if (!raised[face[c]] || twin[c] < 0 || raised[face[twin[c]]]) continue;
    const [a, b] = [mesh.faceVertices[c], mesh.faceVertices[nextCorner(mesh, face[c], c)]];
    // to the left of the edge, seen from outside
    for (const v of [a, b]) sides.set(v, [...(sides.get(v) ?? []), unit(cross(ups(v), minus(at(b), at(a))))]);
  }
  return (v) => {
    const row = sides.get(v);
    if (!row) return undefined;
    const sum = row.reduce((one, other) => plus(one, other));
    const way = unit(sum);
    return way.map((x) => x * Math.min(MITRE, 1 / Math.max(1e-6, dot(way, row[0])))) as Vec3;
  };
}

/**
 * Rounds after which a move is as near to what the faces round a vertex ask for as matters: they seldom lie on more
 * than three planes.
 */
const ROUNDS = 24;

/**
 * Where a vertex goes when the raised faces round it all rise by 1: along the normal on what is smooth or flat, farther
 * over a rim, no farther than the mitre. Their planes in turn, from the smooth normal on (Kaczmarz 1937).
 */
function upAt(mesh: PolygonMesh, raised: Uint8Array): (v: number) => Vec3 {
  const areas = faceAreaVectors(mesh);
  /** normals of the raised faces round a vertex */
  const around = new Map<number, Vec3[]>();
  const sums = new Float64Array(mesh.positions.length);
  for (let f = 0; f < raised.length; f++) {
    const area: Vec3 = [areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]];
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const v = mesh.faceVertices[c];
      area.forEach((x, k) => (sums[3 * v + k] += x));
      if (raised[f] && sizeOf(area) > 0) around.set(v, [...(around.get(v) ?? []), unit(area)]);
    }
  }
  return (v) => {
    let up = unit([sums[3 * v], sums[3 * v + 1], sums[3 * v + 2]]);
    for (let round = 0; round < ROUNDS; round++)
      for (const facing of around.get(v) ?? []) up = plus(up, facing, 1 - dot(up, facing));
    const size = sizeOf(up);
    return size > MITRE ? plus([0, 0, 0], up, MITRE / size) : up;
  };
}
