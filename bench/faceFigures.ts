import { faceAreaVectors, faceCount, type PolygonMesh } from '@fictile/core';

/** What faces a mesh is made of. */
export interface FaceFigures {
  faces: number;
  /** of edges and walls, mm^2, and of the quads among them */
  area: number;
  quadArea: number;
  /** faces with a corner under one degree, and the longest side of any of them, mm */
  slivers: number;
  longestSliver: number;
}

const ONE_DEGREE = Math.PI / 180;

export function measureFaces(mesh: PolygonMesh): FaceFigures {
  const areas = faceAreaVectors(mesh);
  const figures: FaceFigures = { faces: faceCount(mesh), area: 0, quadArea: 0, slivers: 0, longestSliver: 0 };
  for (let f = 0; f < figures.faces; f++) {
    const { part } = mesh.regions[mesh.region[f]];
    if (part === 'front' || part === 'back') continue;
    const area = Math.hypot(areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]);
    figures.area += area;
    if (mesh.faceStart[f + 1] - mesh.faceStart[f] === 4) figures.quadArea += area;
  }
  for (let f = 0; f < figures.faces; f++) {
    const longest = sliverLength(mesh, mesh.faceStart[f], mesh.faceStart[f + 1]);
    if (longest === 0) continue;
    figures.slivers++;
    figures.longestSliver = Math.max(figures.longestSliver, longest);
  }
  return figures;
}

type Vector = [number, number, number];

/** The longest side of a face with a corner under one degree; 0 for any other. A long narrow rectangle has none. */
function sliverLength({ positions, faceVertices }: PolygonMesh, first: number, end: number): number {
  const n = end - first;
  const at = (i: number): number => 3 * faceVertices[first + ((i + n) % n)];
  const side = (i: number, j: number): Vector =>
    [0, 1, 2].map((k) => positions[at(j) + k] - positions[at(i) + k]) as Vector;
  let [longest, isSliver] = [0, false];
  for (let i = 0; i < n; i++) {
    const [u, v] = [side(i, i + 1), side(i, i - 1)];
    longest = Math.max(longest, Math.hypot(...u));
    const cross = Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]);
    const dot = u[0] * v[0] + u[1] * v[1] + u[2] * v[2];
    if (Math.atan2(cross, dot) < ONE_DEGREE) isSliver = true;
  }
  return isSliver ? longest : 0;
}
