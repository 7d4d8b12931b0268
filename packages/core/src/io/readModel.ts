import { fail, LIMITS, MM_PER, ok, type LengthUnit, type LoadUnpacker, type Result } from '../base/index.ts';
import { adjacency, areaVector, closeHoles, faceCount, turnedOver, weld, type PolygonMesh } from '../mesh/index.ts';
import { boxOfPoints, diagonalOf, middleOfBox, type Vec3 } from '../math/index.ts';
import { joinPoints } from '../refine/index.ts';
import type { Paints } from './paints.ts';
import { readBack } from './readBack.ts';
import { canHold, formatOf, type MeshFormat } from './formats/index.ts';

/** How a file that was brought in counts and stands. */
export interface ModelFrame {
  format: MeshFormat;
  unit: LengthUnit;
  up: 'y' | 'z';
  scalePercent: number;
  /** holes are closed */
  closed: boolean;
  /** it keeps the materials and pictures it came with, which only a GLB has */
  paint: 'own' | 'finish';
  /**
   * where it faces: as the file says, a body outward; the other way; or always outward, as one did before there were
   * sheets
   */
  sides: 'own' | 'over' | 'outward';
}

export interface ReadModel {
  /** in mm, y up */
  mesh: PolygonMesh;
  /** edges with one face; edges with more than two, or whose faces face different ways */
  openEdges: number;
  badEdges: number;
  /** an open one is closed once points no farther apart than this are joined, mm */
  joinMm?: number;
  /** its own materials, where it keeps them and has any */
  paints?: Paints;
  /** of detail; the finest was read */
  levels: number;
}

/** How files of a format count and stand, unless somebody says otherwise. */
export const usualFrame = (format: MeshFormat): ModelFrame => ({
  format,
  unit: formatOf(format).unit,
  up: formatOf(format).up,
  scalePercent: 100,
  closed: false,
  paint: canHold(format, 'paints') ? 'own' : 'finish',
  sides: 'own',
});

/**
 * A mesh file -> a model: points joined where they are equal, in mm, y up; bodies face outward, sheets as they came.
 */
export async function readModel(
  bytes: Uint8Array,
  frame: ModelFrame,
  unpacker?: LoadUnpacker,
): Promise<Result<ReadModel>> {
  const read = await readBack(bytes, frame.format, unpacker, {
    painted: frame.paint === 'own',
    mostFaces: LIMITS.modelFaces,
  });
  if (!read.ok) return read;
  const faces = faceCount(read.value.mesh);
  if (faces > LIMITS.modelFaces)
    return fail('TOO_LARGE', { what: 'faces of a model', size: faces, limit: LIMITS.modelFaces });
  const triangles = read.value.mesh.faceVertices.length - 2 * faces;
  if (triangles > LIMITS.modelFaces)
    return fail('TOO_LARGE', { what: 'triangles of a model', size: triangles, limit: LIMITS.modelFaces });
  const joined = weld(read.value.mesh);
  if (faceCount(joined) === 0) return fail('MESH_BROKEN', { format: frame.format, place: 0, why: 'no faces' });
  const placed = { ...joined, positions: ownAxes(joined.positions, frame) };
  const mesh = facing(frame.closed ? closeHoles(placed).mesh : placed, frame.sides);
  const { openEdges, badEdges } = adjacency(mesh);
  const joinMm = openEdges > 0 ? joinThatCloses(mesh) : undefined;
  const told = { openEdges, badEdges, levels: read.value.levels, ...(joinMm !== undefined && { joinMm }) };
  const { paints } = read.value;
  if (!paints || paints.list.length === 0) return ok({ mesh: { ...mesh, uv: undefined }, ...told });
  return ok({ mesh, ...told, paints });
}

/** Of a model's diagonal: how near points may be meant to be one, as programs round them. */
const NEAR = [1e-7, 1e-6, 1e-5, 1e-4];
/** Larger models are not tried: it would take seconds. */
const MOST_TRIED = 300_000;

/** The least distance at which joining points closes a mesh, of some; undefined where none does. */
function joinThatCloses(mesh: PolygonMesh): number | undefined {
  if (faceCount(mesh) > MOST_TRIED) return undefined;
  const diagonal = diagonalOf(boxOfPoints(mesh.positions));
  return NEAR.map((share) => Number((share * diagonal).toPrecision(1))).find((within) => {
    const joined = joinPoints(mesh, within);
    const { openEdges, badEdges } = adjacency(joined);
    return openEdges + badEdges === 0 && faceCount(joined) > 0;
  });
}

/** From a file's axes to ours, where y is upright. */
export const ownWay = ([x, y, z]: Vec3, up: 'y' | 'z'): Vec3 => (up === 'z' ? [x, z, 0 - y] : [x, y, z]);

function ownAxes(positions: Float64Array, { unit, up, scalePercent }: ModelFrame): Float64Array {
  const scale = (MM_PER[unit] * scalePercent) / 100;
  const out = new Float64Array(positions.length);
  for (let i = 0; i < out.length; i += 3) {
    const [x, y, z] = [positions[i] * scale, positions[i + 1] * scale, positions[i + 2] * scale];
    out.set(ownWay([x, y, z], up), i);
  }
  return out;
}

/** A body that is inside out is turned round as a whole; a sheet has no inside, and only faces what it is told to. */
function facing(mesh: PolygonMesh, sides: ModelFrame['sides']): PolygonMesh {
  const isInsideOut = (sides === 'outward' || isBody(mesh)) && volumeOf(mesh) < 0;
  return isInsideOut === (sides === 'over') ? mesh : turnedOver(mesh);
}

/** Of all area: what faces one way more than the other, where holes are no more than mouths. */
const MOUTHS = 0.1;

/** Closed, or nearly so: its faces look to all sides alike. */
function isBody({ positions, faceStart, faceVertices }: PolygonMesh): boolean {
  const sum: Vec3 = [0, 0, 0];
  let whole = 0;
  for (let f = 0; f + 1 < faceStart.length; f++) {
    for (let c = faceStart[f] + 1; c + 1 < faceStart[f + 1]; c++) {
      const [p, q, r] = [faceStart[f], c, c + 1].map((corner) => 3 * faceVertices[corner]);
      const area = areaVector(positions, p, q, r);
      area.forEach((v, k) => (sum[k] += v));
      whole += Math.sqrt(area[0] * area[0] + area[1] * area[1] + area[2] * area[2]);
    }
  }
  return Math.sqrt(sum[0] * sum[0] + sum[1] * sum[1] + sum[2] * sum[2]) <= MOUTHS * whole;
}

/** Six times the signed volume about the middle of the box. */
function volumeOf({ positions: p, faceStart, faceVertices }: PolygonMesh): number {
  const [mx, my, mz] = middleOfBox(boxOfPoints(p));
  const at = (v: number): [number, number, number] => [p[3 * v] - mx, p[3 * v + 1] - my, p[3 * v + 2] - mz];
  let sum = 0;
  for (let f = 0; f + 1 < faceStart.length; f++) {
    const [ax, ay, az] = at(faceVertices[faceStart[f]]);
    for (let c = faceStart[f] + 1; c + 1 < faceStart[f + 1]; c++) {
      const [bx, by, bz] = at(faceVertices[c]);
      const [cx, cy, cz] = at(faceVertices[c + 1]);
      sum += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    }
  }
  return sum;
}
