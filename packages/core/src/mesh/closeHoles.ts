import { adjacency } from './adjacency.ts';
import { nextCorner, type PolygonMesh } from './polygonMesh.ts';

/** Loops of up to so many corners become one face. */
const ONE_FACE = 4;

export interface ClosedHoles {
  mesh: PolygonMesh;
  /** holes that were closed, and open edges that lie in no simple loop and stay */
  closed: number;
  left: number;
}

/** Closes holes: small ones by one face, others by triangles round the middle of their border, in the region of the face beside. */
export function closeHoles(mesh: PolygonMesh): ClosedHoles {
  const { loops, left } = openLoops(mesh);
  if (loops.length === 0) return { mesh, closed: 0, left };
  const positions = Array.from(mesh.positions);
  const faceStart = Array.from(mesh.faceStart);
  const faceVertices = Array.from(mesh.faceVertices);
  const region = Array.from(mesh.region);
  const sharp = Array.from(mesh.sharp);
  const face = (corners: readonly number[], of: number): void => {
    faceVertices.push(...corners);
    sharp.push(...corners.map(() => 0));
    faceStart.push(faceVertices.length);
    region.push(of);
  };
  for (const { vertices, region: of } of loops) {
    if (vertices.length <= ONE_FACE) face(vertices, of);
    else {
      const middle = positions.length / 3;
      for (let k = 0; k < 3; k++)
        positions.push(vertices.reduce((sum, v) => sum + mesh.positions[3 * v + k], 0) / vertices.length);
      vertices.forEach((v, i) => face([v, vertices[(i + 1) % vertices.length], middle], of));
    }
  }
  const closed: PolygonMesh = {
    positions: new Float64Array(positions),
    faceStart: new Uint32Array(faceStart),
    faceVertices: new Uint32Array(faceVertices),
    region: new Uint32Array(region),
    sharp: new Uint8Array(sharp),
    regions: mesh.regions,
    // what closes a hole has no picture of its own
    ...(mesh.uv && { uv: longer(mesh.uv, 2 * faceVertices.length) }),
  };
  return { mesh: closed, closed: loops.length, left };
}

function longer(uv: Float32Array, count: number): Float32Array {
  const made = new Float32Array(count);
  made.set(uv);
  return made;
}

/** Borders of holes as they have to be walked by what closes them; a border that comes twice through a vertex is none. */
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
