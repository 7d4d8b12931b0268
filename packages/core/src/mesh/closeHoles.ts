import { adjacency } from './adjacency.ts';
import { MeshSink } from './meshSink.ts';
import { faceCount, nextCorner, type PolygonMesh } from './polygonMesh.ts';

/** Loops of up to so many corners become one face. */
const ONE_FACE = 4;

export interface ClosedHoles {
  mesh: PolygonMesh;
  /** holes that were closed, and open edges that lie in no simple loop and stay */
  closed: number;
  left: number;
}

/**
 * Closes holes: small ones by one face, others by triangles round the middle of their border, in the region of the face
 * beside.
 */
export function closeHoles(mesh: PolygonMesh): ClosedHoles {
  const { loops, left } = openLoops(mesh);
  if (loops.length === 0) return { mesh, closed: 0, left };
  const sink = new MeshSink(mesh);
  for (let f = 0; f < faceCount(mesh); f++) sink.keep(f);
  // what closes a hole has no picture of its own
  const face = (vertices: readonly number[], of: number): void => {
    for (const v of vertices) sink.corner(v, undefined, 0);
    sink.endFace(of);
  };
  for (const { vertices, region: of } of loops) {
    if (vertices.length <= ONE_FACE) face(vertices, of);
    else {
      const place = [0, 1, 2].map(
        (k) => vertices.reduce((sum, v) => sum + mesh.positions[3 * v + k], 0) / vertices.length,
      );
      const middle = sink.vertexAt(place, vertices);
      vertices.forEach((v, i) => face([v, vertices[(i + 1) % vertices.length], middle], of));
    }
  }
  return { mesh: sink.finish(), closed: loops.length, left };
}

/**
 * Borders of holes as they have to be walked by what closes them; a border that comes twice through a vertex is none.
 */
function openLoops(mesh: PolygonMesh): { loops: { vertices: number[]; region: number }[]; left: number } {
  const { twin, face } = adjacency(mesh);
  const next = new Map<number, { to: number; region: number }>();
  const pinched = new Set<number>();
  let open = 0;
  for (let c = 0; c < twin.length; c++) {
    if (twin[c] >= 0) continue;
    open++;
    const [from, to] = [mesh.faceVertices[c], mesh.faceVertices[nextCorner(mesh, face[c], c)]];
    if (next.has(to)) pinched.add(to);
    next.set(to, { to: from, region: mesh.region[face[c]] });
  }
  const loops: { vertices: number[]; region: number }[] = [];
  const seen = new Set<number>();
  let used = 0;
  for (const [start, { region }] of next) {
    if (seen.has(start)) continue;
    const vertices: number[] = [];
    let at: number | undefined = start;
    while (at !== undefined && !seen.has(at)) {
      seen.add(at);
      vertices.push(at);
      at = next.get(at)?.to;
    }
    if (at !== start || vertices.length < 3 || vertices.some((v) => pinched.has(v))) continue;
    loops.push({ vertices, region });
    used += vertices.length;
  }
  return { loops, left: open - used };
}
