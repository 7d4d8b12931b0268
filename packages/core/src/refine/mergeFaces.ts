import {
  adjacency,
  cosineBetween,
  faceAreaVectors,
  faceCorners,
  faceCount,
  MeshSink,
  nextCorner,
  type PolygonMesh,
} from '../mesh/index.ts';

/** A face as a loop of its mesh's corners: each with the edge that begins there. */
type Loop = number[];

export interface MergeRule {
  /** cosine of the largest angle between two faces that are joined */
  cosine: number;
  /** whether the joined loop is taken */
  accepts(positions: Float64Array, vertices: readonly number[], normal: readonly number[]): boolean;
  /** each face joins one other at most */
  once: boolean;
  /** larger comes first */
  worth(positions: Float64Array, vertices: readonly number[], normal: readonly number[]): number;
}

/** Joins neighbouring faces of one part across edges that are not sharp. */
export function mergeFaces(mesh: PolygonMesh, rule: MergeRule): PolygonMesh {
  const { twin, face } = adjacency(mesh);
  const areas = faceAreaVectors(mesh);
  const loops: (Loop | undefined)[] = Array.from({ length: faceCount(mesh) }, (_, f) => faceCorners(mesh, f));
  const owner = Int32Array.from(loops, (_, f) => f);
  const find = (f: number): number => {
    while (owner[f] !== f) f = owner[f] = owner[owner[f]];
    return f;
  };
  const verticesOf = (loop: Loop): number[] => loop.map((c) => mesh.faceVertices[c]);
  const normalOf = (f: number, g: number): number[] => [0, 1, 2].map((k) => areas[3 * f + k] + areas[3 * g + k]);
  const candidates: { c: number; worth: number }[] = [];
  for (let c = 0; c < twin.length; c++) {
    const d = twin[c];
    if (d < c || mesh.sharp[c] || mesh.sharp[d]) continue;
    const [f, g] = [face[c], face[d]];
    if (mesh.region[f] !== mesh.region[g] || f === g || cosineBetween(areas, f, g, -1) < rule.cosine) continue;
    const joined = join(loops[f] as Loop, loops[g] as Loop, c, twin);
    candidates.push({ c, worth: rule.worth(mesh.positions, verticesOf(joined), normalOf(f, g)) });
  }
  candidates.sort((a, b) => b.worth - a.worth || a.c - b.c);
  const taken = new Uint8Array(loops.length);
  const seams = new Seams(mesh, twin, face);
  const pass = (): boolean => {
    let hasJoined = false;
    for (const { c } of candidates) {
      const [f, g] = [find(face[c]), find(face[twin[c]])];
      if (f === g || (rule.once && (taken[f] || taken[g]))) continue;
      const [one, other] = [loops[f], loops[g]];
      if (!one || !other || !one.includes(c) || !other.includes(twin[c])) continue;
      const joined = join(one, other, c, twin);
      const vertices = verticesOf(joined);
      if (
        new Set(vertices).size < vertices.length ||
        !rule.accepts(mesh.positions, vertices, normalOf(face[c], face[twin[c]])) ||
        seams.leaves(vertices, [c, twin[c]])
      )
        continue;
      seams.took([verticesOf(one), verticesOf(other)], vertices);
      loops[f] = joined;
      loops[g] = undefined;
      owner[g] = f;
      taken[f] = 1;
      hasJoined = true;
    }
    return hasJoined;
  };
  // what two faces could not do alone they may once they are larger
  while (pass() && !rule.once);
  return rebuilt(mesh, loops);
}

/**
 * Looks after vertices at which two faces are left. Unless they lie in a straight line both faces would be cut there
 * along the same diagonal, and that edge would have four faces.
 */
class Seams {
  readonly #mesh: PolygonMesh;
  /** faces around each vertex */
  readonly #uses: Uint32Array;

  constructor(mesh: PolygonMesh, twin: Int32Array, face: Uint32Array) {
    this.#mesh = mesh;
    this.#uses = new Uint32Array(mesh.positions.length / 3);
    const { faceVertices } = mesh;
    for (let c = 0; c < faceVertices.length; c++) {
      this.#uses[faceVertices[c]]++;
      if (twin[c] >= 0) continue;
      // what lies beyond a border counts as well
      this.#uses[faceVertices[c]] += 2;
      this.#uses[faceVertices[nextCorner(mesh, face[c], c)]] += 2;
    }
  }

  /** Whether a joined loop leaves such a vertex, at an end of the edge that goes. */
  leaves(joined: readonly number[], edge: readonly [number, number]): boolean {
    const { positions, faceVertices } = this.#mesh;
    return edge.some((c) => {
      const v = faceVertices[c];
      const at = joined.indexOf(v);
      if (at < 0 || this.#uses[v] !== 3) return false;
      const [before, after] = [joined.at(at - 1) as number, joined[(at + 1) % joined.length]];
      return !isStraight(positions, 3 * before, 3 * v, 3 * after);
    });
  }

  took(loops: readonly (readonly number[])[], joined: readonly number[]): void {
    for (const loop of loops) for (const v of loop) this.#uses[v]--;
    for (const v of joined) this.#uses[v]++;
  }
}

/**
 * The loop around both; the first walks their common edge from corner c. Where they share more edges beside it, the way
 * there and back goes too.
 */
function join(one: Loop, other: Loop, c: number, twin: Int32Array): Loop {
  const i = one.indexOf(c);
  const j = other.indexOf(twin[c]);
  const loop = [...one.slice(i + 1), ...one.slice(0, i), ...other.slice(j + 1), ...other.slice(0, j)];
  for (let k = 0; k < loop.length && loop.length > 3;) {
    const after = (k + 1) % loop.length;
    if (twin[loop[k]] !== loop[after]) k++;
    else {
      loop.splice(Math.max(k, after), 1);
      loop.splice(Math.min(k, after), 1);
      k = 0;
    }
  }
  return loop;
}

function rebuilt(mesh: PolygonMesh, loops: readonly (Loop | undefined)[]): PolygonMesh {
  const rows = new MeshSink(mesh);
  loops.forEach((loop, f) => {
    if (loop) rows.face(loop, mesh.region[f]);
  });
  return rows.finish();
}

/** Vertices where only two faces meet, in a straight line of edges, leave their faces. */
export function withoutIdleVertices(mesh: PolygonMesh): PolygonMesh {
  const { twin, face } = adjacency(mesh);
  const p = mesh.positions;
  const n = p.length / 3;
  const uses = new Uint32Array(n);
  mesh.faceVertices.forEach((v) => uses[v]++);
  const idle = new Uint8Array(n);
  for (let c = 0; c < twin.length; c++) {
    const v = mesh.faceVertices[c];
    const f = face[c];
    const before = c > mesh.faceStart[f] ? c - 1 : mesh.faceStart[f + 1] - 1;
    if (uses[v] !== 2 || twin[c] < 0 || twin[before] < 0 || mesh.sharp[c] !== mesh.sharp[before]) continue;
    const [a, b] = [3 * mesh.faceVertices[before], 3 * mesh.faceVertices[nextCorner(mesh, f, c)]];
    if (isStraight(p, a, 3 * v, b)) idle[v] = 1;
  }
  const loops = Array.from({ length: faceCount(mesh) }, (_, f) => {
    const all = faceCorners(mesh, f);
    const kept = all.filter((c) => !idle[mesh.faceVertices[c]]);
    return kept.length >= 3 ? kept : all;
  });
  return rebuilt(mesh, loops);
}

/** Of the longer edge: how far a vertex may lie beside the line of its neighbours. */
const STRAIGHT = 1e-7;

function isStraight(p: Float64Array, a: number, v: number, b: number): boolean {
  const u = [0, 1, 2].map((k) => p[v + k] - p[a + k]);
  const w = [0, 1, 2].map((k) => p[b + k] - p[v + k]);
  const cross = [u[1] * w[2] - u[2] * w[1], u[2] * w[0] - u[0] * w[2], u[0] * w[1] - u[1] * w[0]];
  const dot = u[0] * w[0] + u[1] * w[1] + u[2] * w[2];
  const most = Math.max(u[0] * u[0] + u[1] * u[1] + u[2] * u[2], w[0] * w[0] + w[1] * w[1] + w[2] * w[2]);
  return dot > 0 && Math.sqrt(cross[0] * cross[0] + cross[1] * cross[1] + cross[2] * cross[2]) <= STRAIGHT * most;
}
