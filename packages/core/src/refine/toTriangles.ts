import { asTriangles, faceCount, type PolygonMesh } from '../mesh/index.ts';

/**
 * Every face as triangles. 'short': quads along their shorter diagonal. 'same': from each quad's first corner wherever both triangles face one way, so that equal
 * rows of quads are cut alike.
 */
export function toTriangles(mesh: PolygonMesh, rule: 'short' | 'same'): PolygonMesh {
  if (rule === 'short') return asTriangles(mesh);
  const fixed = fansOfQuads(mesh);
  return asTriangles(fixed);
}

/** Quads as two triangles from their first corner; folded ones and larger faces stay. */
function fansOfQuads(mesh: PolygonMesh): PolygonMesh {
  const faceStart = [0];
  const [faceVertices, sharp, region]: number[][] = [[], [], []];
  const push = (corners: readonly number[], marks: readonly number[], row: number): void => {
    corners.forEach((c, i) => {
      faceVertices.push(mesh.faceVertices[c]);
      sharp.push(marks[i]);
    });
    faceStart.push(faceVertices.length);
    region.push(row);
  };
  for (let f = 0; f < faceCount(mesh); f++) {
    const first = mesh.faceStart[f];
    const corners = Array.from({ length: mesh.faceStart[f + 1] - first }, (_, k) => first + k);
    const marks = corners.map((c) => mesh.sharp[c]);
    const [a, b, c, d] = corners;
    if (corners.length === 4 && areBothForward(mesh, [a, b, c, d])) {
      push([a, b, c], [marks[0], marks[1], 0], mesh.region[f]);
      push([a, c, d], [0, marks[2], marks[3]], mesh.region[f]);
    } else push(corners, marks, mesh.region[f]);
  }
  return {
    positions: mesh.positions,
    faceStart: Uint32Array.from(faceStart),
    faceVertices: Uint32Array.from(faceVertices),
    sharp: Uint8Array.from(sharp),
    region: Uint32Array.from(region),
    regions: mesh.regions,
  };
}

function areBothForward({ positions: p, faceVertices }: PolygonMesh, corners: readonly number[]): boolean {
  const [a, b, c, d] = corners.map((corner) => 3 * faceVertices[corner]);
  const area = (i: number, j: number, k: number): number[] => {
    const u = [0, 1, 2].map((n) => p[j + n] - p[i + n]);
    const v = [0, 1, 2].map((n) => p[k + n] - p[i + n]);
    return [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]];
  };
  const [one, other] = [area(a, b, c), area(a, c, d)];
  return one[0] * other[0] + one[1] * other[1] + one[2] * other[2] > 0;
}
