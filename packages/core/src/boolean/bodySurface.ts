import { adjacency, faceAreaVectors, faceCount, type Adjacency, type PolygonMesh } from '../mesh/index.ts';

/** A body's faces and who is beside whom; only of one closed shell, so that a part of it says what is inside. */
export interface BodySurface {
  mesh: PolygonMesh;
  neighbours: Adjacency;
  /** three numbers a face */
  areas: Float64Array;
  /** six numbers a face: least x, y and z, then most */
  boxes: Float64Array;
}

/** Undefined where the mesh is open, of several shells, or inside out. */
export function bodySurface(mesh: PolygonMesh): BodySurface | undefined {
  const neighbours = adjacency(mesh);
  if (neighbours.openEdges + neighbours.badEdges > 0 || !isOneShell(mesh, neighbours)) return undefined;
  const areas = faceAreaVectors(mesh);
  return volumeOf(mesh, areas) > 0 ? { mesh, neighbours, areas, boxes: boxesOf(mesh) } : undefined;
}

function isOneShell(mesh: PolygonMesh, { twin, face }: Adjacency): boolean {
  const seen = new Uint8Array(faceCount(mesh));
  const row = [0];
  seen[0] = 1;
  let count = 1;
  for (let f = row.pop(); f !== undefined; f = row.pop()) {
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const beside = face[twin[c]];
      if (seen[beside]) continue;
      seen[beside] = 1;
      count++;
      row.push(beside);
    }
  }
  return count === seen.length;
}

/** Six times the volume, about the first vertex. */
function volumeOf({ positions: p, faceStart, faceVertices }: PolygonMesh, areas: Float64Array): number {
  let sum = 0;
  for (let f = 0; f + 1 < faceStart.length; f++) {
    const v = 3 * faceVertices[faceStart[f]];
    for (let k = 0; k < 3; k++) sum += areas[3 * f + k] * (p[v + k] - p[k]);
  }
  return sum;
}

function boxesOf({ positions: p, faceStart, faceVertices }: PolygonMesh): Float64Array {
  const boxes = new Float64Array(6 * (faceStart.length - 1));
  for (let f = 0; f + 1 < faceStart.length; f++) {
    for (let k = 0; k < 3; k++) {
      let [low, high] = [Infinity, -Infinity];
      for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
        const value = p[3 * faceVertices[c] + k];
        if (value < low) low = value;
        if (value > high) high = value;
      }
      boxes[6 * f + k] = low;
      boxes[6 * f + 3 + k] = high;
    }
  }
  return boxes;
}
