import { orient2d } from '../math/index.ts';
import { type Adjacency, type PolygonMesh, type Triangles } from '../mesh/index.ts';
import { liesOnTriangle } from './meet.ts';

export interface Shell {
  /** signed, cubic mm; positive when the faces look outward */
  volume: number;
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
    shells.push({ volume: 0 });
  }
  const p = mesh.positions;
  for (let t = 0; t < triangles.face.length; t++) {
    const [a, b, c] = [0, 1, 2].map((k) => mesh.faceVertices[triangles.corners[3 * t + k]] * 3);
    shells[shellOfFace[triangles.face[t]]].volume += tetrahedron(p, a, b, c);
  }
  return { shells, shellOfFace };
}

/**
 * Signed volume of the tetrahedron from the first point to a triangle; `a`, `b`, `c`: places of x coordinates in `p`.
 */
export function tetrahedron(p: Float64Array, a: number, b: number, c: number): number {
  const at = (i: number, k: number): number => p[i + k] - p[k];
  const x = at(b, 1) * at(c, 2) - at(b, 2) * at(c, 1);
  const y = at(b, 2) * at(c, 0) - at(b, 0) * at(c, 2);
  const z = at(b, 0) * at(c, 1) - at(b, 1) * at(c, 0);
  return (at(a, 0) * x + at(a, 1) * y + at(a, 2) * z) / 6;
}

/** Shells facing the wrong way: a body must look outward, the wall of a hollow inside a body inward. */
export function wronglyTurned(mesh: PolygonMesh, found: Shells, triangles: Triangles): number {
  const { shells } = found;
  if (shells.length === 1) return shells[0].volume > 0 ? 0 : 1;
  const parts = shellParts(mesh, found, triangles);
  return shells.filter((shell, i) => {
    const depth = enclosing(mesh, parts, i);
    return depth % 2 === 0 ? shell.volume <= 0 : shell.volume >= 0;
  }).length;
}

/** A shell's triangles, by their points' places, and the box around it seen from above, with its highest point. */
interface ShellPart {
  triangles: number[];
  minX: number;
  maxX: number;
  minY: number;
  maxY: number;
  maxZ: number;
}

function shellParts(mesh: PolygonMesh, { shells, shellOfFace }: Shells, triangles: Triangles): ShellPart[] {
  const parts = shells.map((): ShellPart => ({
    triangles: [],
    minX: Infinity,
    maxX: -Infinity,
    minY: Infinity,
    maxY: -Infinity,
    maxZ: -Infinity,
  }));
  const p = mesh.positions;
  for (let t = 0; t < triangles.face.length; t++) {
    const part = parts[shellOfFace[triangles.face[t]]];
    for (let k = 0; k < 3; k++) {
      const v = mesh.faceVertices[triangles.corners[3 * t + k]] * 3;
      part.triangles.push(v);
      part.minX = Math.min(part.minX, p[v]);
      part.maxX = Math.max(part.maxX, p[v]);
      part.minY = Math.min(part.minY, p[v + 1]);
      part.maxY = Math.max(part.maxY, p[v + 1]);
      part.maxZ = Math.max(part.maxZ, p[v + 2]);
    }
  }
  return parts;
}

/** Points of a shell that are asked whether they lie inside another. */
const ASKED = 9;

/** Number of other shells around a shell. */
function enclosing(mesh: PolygonMesh, parts: readonly ShellPart[], shell: number): number {
  const { triangles } = parts[shell];
  const asked = Array.from({ length: ASKED }, (_, i) => triangles[Math.floor(((i + 0.5) * triangles.length) / ASKED)]);
  return parts.filter((part, i) => i !== shell && holds(mesh.positions, part, asked)).length;
}

/**
 * Whether some points lie inside a shell, all of them: a ray straight up from one then crosses it an odd number of
 * times. Points that lie on the shell say nothing: bodies that touch have some. Bodies that run through each other hold
 * none the other.
 */
function holds(p: Float64Array, part: ShellPart, asked: readonly number[]): boolean {
  let isSeen = false;
  for (const at of asked) {
    const [x, y, z] = [p[at], p[at + 1], p[at + 2]];
    const isUnder = x >= part.minX && x <= part.maxX && y >= part.minY && y <= part.maxY && z <= part.maxZ;
    if (isUnder && liesOn(p, part.triangles, at)) continue;
    if (!isUnder || crossings(p, part.triangles, [x, y, z]) % 2 === 0) return false;
    isSeen = true;
  }
  return isSeen;
}

/** Whether a point lies on one of the triangles, exactly. All by places of x coordinates. */
function liesOn(p: Float64Array, triangles: readonly number[], at: number): boolean {
  for (let i = 0; i < triangles.length; i += 3) {
    const row = [triangles[i], triangles[i + 1], triangles[i + 2]].map((place) => place / 3);
    if (liesOnTriangle(p, at / 3, row)) return true;
  }
  return false;
}

function crossings(
  p: Float64Array,
  triangles: readonly number[],
  [x, y, z]: readonly [number, number, number],
): number {
  let count = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [triangles[i], triangles[i + 1], triangles[i + 2]];
    if (x < Math.min(p[a], p[b], p[c]) || x > Math.max(p[a], p[b], p[c])) continue;
    if (y < Math.min(p[a + 1], p[b + 1], p[c + 1]) || y > Math.max(p[a + 1], p[b + 1], p[c + 1])) continue;
    if (liesAbove(p, a, b, c, x, y, z)) count++;
  }
  return count;
}

/**
 * Whether the vertical ray from (x, y, z) goes up through the triangle; points on shared edges count for one side only.
 */
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
