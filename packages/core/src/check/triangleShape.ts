import { areaVector, type PolygonMesh, type Triangles } from '../mesh/index.ts';

/** Sine of one degree: a triangle with a smaller angle is a sliver. */
export const SLIVER_SINE = 0.01745240643728351;

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

/** 1 for every triangle that has an area. */
export function trianglesWithArea(mesh: PolygonMesh, triangles: Triangles): Uint8Array {
  const { positions: p, faceVertices } = mesh;
  const { corners } = triangles;
  const has = new Uint8Array(triangles.face.length);
  for (let t = 0; t < has.length; t++) {
    const [x, y, z] = areaVector(
      p,
      3 * faceVertices[corners[3 * t]],
      3 * faceVertices[corners[3 * t + 1]],
      3 * faceVertices[corners[3 * t + 2]],
    );
    has[t] = x * x + y * y + z * z > 0 ? 1 : 0;
  }
  return has;
}

/** Area, and the squares of the sides. */
function measure(
  mesh: PolygonMesh,
  triangles: Triangles,
  t: number,
): { area: number; sides: [number, number, number] } {
  const p = mesh.positions;
  const [a, b, c] = [0, 1, 2].map((k) => mesh.faceVertices[triangles.corners[3 * t + k]] * 3);
  const [x, y, z] = areaVector(p, a, b, c);
  const side = (i: number, j: number): number => {
    const [dx, dy, dz] = [p[i] - p[j], p[i + 1] - p[j + 1], p[i + 2] - p[j + 2]];
    return dx * dx + dy * dy + dz * dz;
  };
  return { area: Math.sqrt(x * x + y * y + z * z) / 2, sides: [side(b, a), side(c, a), side(c, b)] };
}
