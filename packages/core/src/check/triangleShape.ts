import type { PolygonMesh, Triangles } from '../mesh/index.ts';

/** sine of one degree */
const SLIVER_SINE = 0.01745240643728351;

export interface TriangleShape {
  area: number;
  /** has an angle under one degree, but an area */
  isSliver: boolean;
}

export function triangleShape(mesh: PolygonMesh, triangles: Triangles, t: number): TriangleShape {
  const { area, sides } = measure(mesh, triangles, t);
  const [shortest, middle, longest] = sides.sort((p, q) => p - q);
  // the smallest angle lies between the two longer sides
  const isSliver = area > 0 && shortest > 0 && (2 * area) / Math.sqrt(middle * longest) < SLIVER_SINE;
  return { area, isSliver };
}

/** Area, and the squares of the sides. */
function measure(
  mesh: PolygonMesh,
  triangles: Triangles,
  t: number,
): { area: number; sides: [number, number, number] } {
  const p = mesh.positions;
  const [a, b, c] = [0, 1, 2].map((k) => mesh.faceVertices[triangles.corners[3 * t + k]] * 3);
  const ux = p[b] - p[a];
  const uy = p[b + 1] - p[a + 1];
  const uz = p[b + 2] - p[a + 2];
  const vx = p[c] - p[a];
  const vy = p[c + 1] - p[a + 1];
  const vz = p[c + 2] - p[a + 2];
  const x = uy * vz - uz * vy;
  const y = uz * vx - ux * vz;
  const z = ux * vy - uy * vx;
  const wx = vx - ux;
  const wy = vy - uy;
  const wz = vz - uz;
  return {
    area: Math.sqrt(x * x + y * y + z * z) / 2,
    sides: [ux * ux + uy * uy + uz * uz, vx * vx + vy * vy + vz * vz, wx * wx + wy * wy + wz * wz],
  };
}
