import { orient2d } from '../math/index.ts';
import { type Adjacency, type PolygonMesh, type Triangles } from '../mesh/index.ts';

export interface Shell {
  /** signed, cubic mm; positive when the faces look outward */
  volume: number;
  /** a face of it */
  face: number;
}

export interface Shells {
  shells: Shell[];
  /** shell of every face */
  shellOfFace: Int32Array;
}

/** Parts of a mesh that hang together by edges, with their volumes about the mesh's first point. */
export function findShells(mesh: PolygonMesh, { twin, face }: Adjacency, triangles: Triangles): Shells {
  const shellOfFace = new Int32Array(mesh.faceStart.length - 1).fill(-1);
  const shells: Shell[] = [];
  const stack: number[] = [];
  for (let seed = 0; seed < shellOfFace.length; seed++) {
    if (shellOfFace[seed] >= 0) continue;
    shellOfFace[seed] = shells.length;
    stack.push(seed);
    while (stack.length > 0) {
      const f = stack.pop() as number;
      for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
        const g = twin[c] < 0 ? -1 : face[twin[c]];
        if (g < 0 || shellOfFace[g] >= 0) continue;
        shellOfFace[g] = shells.length;
        stack.push(g);
      }
    }
    shells.push({ volume: 0, face: seed });
  }
  const p = mesh.positions;
  for (let t = 0; t < triangles.face.length; t++) {
    const [a, b, c] = [0, 1, 2].map((k) => mesh.faceVertices[triangles.corners[3 * t + k]] * 3);
    shells[shellOfFace[triangles.face[t]]].volume += tetrahedron(p, a, b, c);
  }
  return { shells, shellOfFace };
}

function tetrahedron(p: Float64Array, a: number, b: number, c: number): number {
  const at = (i: number, k: number): number => p[i + k] - p[k];
  const x = at(b, 1) * at(c, 2) - at(b, 2) * at(c, 1);
  const y = at(b, 2) * at(c, 0) - at(b, 0) * at(c, 2);
  const z = at(b, 0) * at(c, 1) - at(b, 1) * at(c, 0);
  return (at(a, 0) * x + at(a, 1) * y + at(a, 2) * z) / 6;
}

/** Shells facing the wrong way: a body must look outward, the wall of a hollow inside a body inward. */
export function wronglyTurned(mesh: PolygonMesh, found: Shells, triangles: Triangles): number {
  return found.shells.filter((shell, i) => {
    if (shell.volume > 0 && found.shells.length === 1) return false;
    const depth = enclosing(mesh, found, triangles, i);
    return depth % 2 === 0 ? shell.volume <= 0 : shell.volume >= 0;
  }).length;
}

/** Number of other shells around a shell: a ray straight up from one of its points crosses each of them an odd number of times. */
function enclosing(mesh: PolygonMesh, { shells, shellOfFace }: Shells, triangles: Triangles, shell: number): number {
  const p = mesh.positions;
  const start = mesh.faceVertices[mesh.faceStart[shells[shell].face]] * 3;
  const [x, y, z] = [p[start], p[start + 1], p[start + 2]];
  const crossed = new Uint8Array(shells.length);
  for (let t = 0; t < triangles.face.length; t++) {
    const other = shellOfFace[triangles.face[t]];
    if (other === shell) continue;
    const [a, b, c] = [0, 1, 2].map((k) => mesh.faceVertices[triangles.corners[3 * t + k]] * 3);
    if (liesAbove(p, a, b, c, x, y, z)) crossed[other] ^= 1;
  }
  return crossed.reduce((sum, odd) => sum + odd, 0);
}

/** Whether the vertical ray from (x, y, z) goes up through the triangle; points on shared edges count for one side only. */
function liesAbove(p: Float64Array, a: number, b: number, c: number, x: number, y: number, z: number): boolean {
  const turn = orient2d(p[a], p[a + 1], p[b], p[b + 1], p[c], p[c + 1]);
  if (turn === 0) return false;
  const sides = [
    [a, b],
    [b, c],
    [c, a],
  ].map(([i, j]) => {
    const flip = p[i] > p[j] || (p[i] === p[j] && p[i + 1] > p[j + 1]);
    const [from, to] = flip ? [j, i] : [i, j];
    const side = orient2d(p[from], p[from + 1], p[to], p[to + 1], x, y) > 0;
    return side !== flip;
  });
  if (!(sides[0] === sides[1] && sides[1] === sides[2])) return false;
  const wa = orient2d(p[b], p[b + 1], p[c], p[c + 1], x, y) / turn;
  const wb = orient2d(p[c], p[c + 1], p[a], p[a + 1], x, y) / turn;
  return wa * p[a + 2] + wb * p[b + 2] + (1 - wa - wb) * p[c + 2] > z;
}
