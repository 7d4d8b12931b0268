import { atan2, PI } from '../math/index.ts';
import { cornerFaces, faceCount, nextCorner, vertexCount, type Adjacency, type PolygonMesh } from '../mesh/index.ts';

/** How many values fall between neighbouring marks; one mark more than counts. */
export interface Histogram {
  marks: number[];
  counts: number[];
}

/** What a mesh looks like to those who go on working on it. */
export interface MeshFigures {
  /** inner vertices among quads alone where not four edges meet, and all inner vertices among quads */
  poles: number;
  inner: number;
  /** faces whose corners do not lie in one plane, by more than a hundredth of their size */
  bent: number;
  /** lengths of edges, mm */
  lengths: Histogram;
  /** angles at the corners of faces, degrees */
  corners: Histogram;
}

const LENGTH_BINS = 12;
const ANGLE_BINS = 18;
const BENT = 0.01;

export function meshFigures(mesh: PolygonMesh, neighbours: Adjacency, sortedLengths: Float64Array): MeshFigures {
  return {
    ...poleCount(mesh, neighbours),
    bent: bentFaces(mesh).reduce((sum, is) => sum + is, 0),
    lengths: lengthBins(sortedLengths),
    corners: angleBins(mesh),
  };
}

function poleCount(mesh: PolygonMesh, { twin }: Adjacency): { poles: number; inner: number } {
  const isPole = poleVertices(mesh, twin);
  let [poles, inner] = [0, 0];
  for (const kind of isPole) {
    if (kind > 0) inner++;
    if (kind > 1) poles++;
  }
  return { poles, inner };
}

/** By vertex: 0 not among quads alone or on an open edge, 1 where four edges meet, 2 where others do. */
export function poleVertices(mesh: PolygonMesh, twin: Int32Array): Uint8Array {
  const n = vertexCount(mesh);
  const meets = new Uint32Array(n);
  const isOut = new Uint8Array(n);
  const face = cornerFaces(mesh);
  mesh.faceVertices.forEach((v, c) => {
    meets[v]++;
    const f = face[c];
    if (mesh.faceStart[f + 1] - mesh.faceStart[f] !== 4) isOut[v] = 1;
    if (twin[c] < 0) isOut[v] = isOut[mesh.faceVertices[nextCorner(mesh, f, c)]] = 1;
  });
  return Uint8Array.from(meets, (count, v) => (isOut[v] || count === 0 ? 0 : count === 4 ? 1 : 2));
}

/** By face: 1 where a corner lies off the plane through the middle by more than a share of the face's size. */
export function bentFaces({ positions: p, faceStart, faceVertices }: PolygonMesh): Uint8Array {
  const bent = new Uint8Array(faceStart.length - 1);
  for (let f = 0; f < bent.length; f++) {
    const [start, end] = [faceStart[f], faceStart[f + 1]];
    if (end - start < 4) continue;
    const normal = [0, 0, 0];
    const middle = [0, 0, 0];
    for (let c = start; c < end; c++) {
      const [a, b] = [3 * faceVertices[c], 3 * faceVertices[c + 1 < end ? c + 1 : start]];
      // Newell's area vector
      for (let k = 0; k < 3; k++) {
        const [i, j] = [(k + 1) % 3, (k + 2) % 3];
        normal[k] += ((p[a + i] - p[b + i]) * (p[a + j] + p[b + j])) / 2;
        middle[k] += p[a + k] / (end - start);
      }
    }
    const area = Math.sqrt(normal[0] * normal[0] + normal[1] * normal[1] + normal[2] * normal[2]);
    if (area === 0) continue;
    for (let c = start; c < end; c++) {
      const v = 3 * faceVertices[c];
      const off = normal.reduce((sum, n, k) => sum + (n * (p[v + k] - middle[k])) / area, 0);
      if (Math.abs(off) > BENT * Math.sqrt(area)) bent[f] = 1;
    }
  }
  return bent;
}

/** Bins of equal ratio from the shortest to the longest. */
function lengthBins(sorted: Float64Array): Histogram {
  if (sorted.length === 0) return { marks: [0], counts: [] };
  const longest = sorted[sorted.length - 1];
  const shortest = Math.max(sorted[0], longest * 1e-4);
  const marks = geometricMarks(shortest, longest);
  const counts = new Array<number>(LENGTH_BINS).fill(0);
  let bin = 0;
  for (const length of sorted) {
    while (bin + 1 < LENGTH_BINS && length > marks[bin + 1]) bin++;
    counts[bin]++;
  }
  return { marks, counts };
}

/** Twelve steps of one ratio: by square roots for the quarters, by Newton's method for the thirds. */
function geometricMarks(low: number, high: number): number[] {
  let ratio = Math.sqrt(Math.sqrt(high / low));
  const whole = ratio;
  for (let i = 0; i < 60; i++) ratio += (whole / (ratio * ratio) - ratio) / 3;
  return Array.from({ length: LENGTH_BINS + 1 }, (_, i) => {
    let mark = low;
    for (let k = 0; k < i; k++) mark *= ratio;
    return i === LENGTH_BINS ? high : mark;
  });
}

function angleBins(mesh: PolygonMesh): Histogram {
  const counts = new Array<number>(ANGLE_BINS).fill(0);
  const p = mesh.positions;
  for (let f = 0; f < faceCount(mesh); f++) {
    const [start, end] = [mesh.faceStart[f], mesh.faceStart[f + 1]];
    for (let c = start; c < end; c++) {
      const v = 3 * mesh.faceVertices[c];
      const [a, b] = [
        3 * mesh.faceVertices[c > start ? c - 1 : end - 1],
        3 * mesh.faceVertices[c + 1 < end ? c + 1 : start],
      ];
      const u = [0, 1, 2].map((k) => p[a + k] - p[v + k]);
      const w = [0, 1, 2].map((k) => p[b + k] - p[v + k]);
      const cross = [u[1] * w[2] - u[2] * w[1], u[2] * w[0] - u[0] * w[2], u[0] * w[1] - u[1] * w[0]];
      const sine = Math.sqrt(cross[0] * cross[0] + cross[1] * cross[1] + cross[2] * cross[2]);
      const angle = (atan2(sine, u[0] * w[0] + u[1] * w[1] + u[2] * w[2]) * 180) / PI;
      counts[Math.min(ANGLE_BINS - 1, Math.floor((angle * ANGLE_BINS) / 180))]++;
    }
  }
  return { marks: Array.from({ length: ANGLE_BINS + 1 }, (_, i) => (180 * i) / ANGLE_BINS), counts };
}
