import { boxTree, overlappingPairs, type PolygonMesh, type Triangles } from '../mesh/index.ts';
import { areParted, trianglesMeet } from './meet.ts';

export interface Crossings {
  /** pairs of triangles that meet beyond what they share */
  pairs: number;
  /** faces of the mesh involved */
  faces: Uint32Array;
  /** true when the search stopped at `limit` pairs: then both are lower bounds */
  capped: boolean;
}

/** Pairs that are looked at between two looks at whether anybody still wants to know. */
const LOOKS_BETWEEN = 2048;
const never = (): boolean => false;

interface CrossingSearch {
  /** pairs after which it stops */
  limit?: number;
  cancelled?: () => boolean;
  /** faces of which one at least has to be in a pair; undefined: any */
  concerns?: (face: number) => boolean;
  /** which pairs of faces are looked at; undefined: all */
  across?: (face: number, other: number) => boolean;
}

/**
 * Finds crossing faces by exact predicates over a tree of boxes. Triangles without area are left out: they are counted
 * elsewhere.
 */
export function findCrossings(
  mesh: PolygonMesh,
  triangles: Triangles,
  hasArea: Uint8Array,
  { limit = 10_000, cancelled = never, concerns, across }: CrossingSearch = {},
): Crossings {
  const count = triangles.face.length;
  const p = mesh.positions;
  const vertices = new Uint32Array(3 * count);
  for (let c = 0; c < vertices.length; c++) vertices[c] = mesh.faceVertices[triangles.corners[c]];
  const boxes = new Float64Array(count * 6);
  for (let t = 0; t < count; t++) {
    const [i, j, l] = [3 * vertices[3 * t], 3 * vertices[3 * t + 1], 3 * vertices[3 * t + 2]];
    for (let k = 0; k < 3; k++) {
      const a = p[i + k];
      const b = p[j + k];
      const c = p[l + k];
      boxes[t * 6 + k] = Math.min(a, b, c);
      boxes[t * 6 + 3 + k] = Math.max(a, b, c);
    }
  }
  const tree = boxTree(boxes);
  const marks = concerns && Uint8Array.from(triangles.face, (f) => (concerns(f) ? 1 : 0));
  const faces = new Set<number>();
  let pairs = 0;
  let looked = 0;
  const corners = (t: number): number[] => [vertices[3 * t], vertices[3 * t + 1], vertices[3 * t + 2]];
  overlappingPairs(
    tree,
    boxes,
    (a, b) => {
      if (++looked % LOOKS_BETWEEN === 0 && cancelled()) return false;
      if (marks && !marks[a] && !marks[b]) return true;
      if (across && !across(triangles.face[a], triangles.face[b])) return true;
      if (!hasArea[a] || !hasArea[b] || areParted(p, vertices, a, b)) return true;
      if (!trianglesMeet(p, corners(a), corners(b))) return true;
      pairs++;
      faces.add(triangles.face[a]).add(triangles.face[b]);
      return pairs < limit;
    },
    { marks },
  );
  return { pairs, faces: Uint32Array.from(faces).sort(), capped: pairs >= limit };
}
