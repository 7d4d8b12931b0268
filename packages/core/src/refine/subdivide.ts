import {
  adjacency,
  cornerFaces,
  faceCorners,
  faceCount,
  MeshSink,
  nextCorner,
  vertexCount,
  type Adjacency,
  type PolygonMesh,
} from '../mesh/index.ts';

/**
 * Cuts every face into quads about its middle and the middles of its edges. Straight: nothing moves. Rounded: Catmull
 * and Clark 1978; edges marked sharp and open edges are creases that never soften (Hoppe et al. 1994): a vertex with
 * two of them runs along a cubic B-spline, one with more stays where it is.
 */
export function subdivide(mesh: PolygonMesh, way: 'straight' | 'rounded'): PolygonMesh {
  const neighbours = adjacency(mesh);
  const table = tableOf(mesh, neighbours);
  faceMiddles(mesh, table);
  edgeMiddles(mesh, table);
  if (way === 'rounded') round(mesh, neighbours, table);
  return connected(mesh, table);
}

/** New positions: the old vertices, then the faces' middles, then the edges'. */
interface Table {
  positions: Float64Array;
  firstFace: number;
  firstEdge: number;
  /** edge of each corner, the one that begins there */
  edgeOf: Uint32Array;
  /** a corner of each edge */
  cornerOf: Uint32Array;
}

function tableOf(mesh: PolygonMesh, { twin }: Adjacency): Table {
  const edgeOf = new Uint32Array(mesh.faceVertices.length);
  const corner: number[] = [];
  for (let c = 0; c < edgeOf.length; c++)
    edgeOf[c] = twin[c] >= 0 && twin[c] < c ? edgeOf[twin[c]] : corner.push(c) - 1;
  const firstFace = vertexCount(mesh);
  const firstEdge = firstFace + faceCount(mesh);
  const positions = new Float64Array(3 * (firstEdge + corner.length));
  positions.set(mesh.positions);
  return { positions, firstFace, firstEdge, edgeOf, cornerOf: Uint32Array.from(corner) };
}

function faceMiddles({ faceStart, faceVertices, positions: p }: PolygonMesh, { positions, firstFace }: Table): void {
  for (let f = 0; f + 1 < faceStart.length; f++) {
    for (let k = 0; k < 3; k++) {
      let sum = 0;
      for (let c = faceStart[f]; c < faceStart[f + 1]; c++) sum += p[3 * faceVertices[c] + k];
      positions[3 * (firstFace + f) + k] = sum / (faceStart[f + 1] - faceStart[f]);
    }
  }
}

/** Face of each corner. */
function endsOf(mesh: PolygonMesh, face: number, corner: number): [number, number] {
  return [mesh.faceVertices[corner], mesh.faceVertices[nextCorner(mesh, face, corner)]];
}

function edgeMiddles(mesh: PolygonMesh, { positions, firstEdge, edgeOf }: Table): void {
  for (let f = 0; f < faceCount(mesh); f++) {
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const [a, b] = endsOf(mesh, f, c);
      const row = 3 * (firstEdge + edgeOf[c]);
      for (let k = 0; k < 3; k++) positions[row + k] = (mesh.positions[3 * a + k] + mesh.positions[3 * b + k]) / 2;
    }
  }
}

/** Moves edge points and old vertices to where the rounded surface wants them. */
function round(mesh: PolygonMesh, { twin, face }: Adjacency, table: Table): void {
  const { positions, firstFace, firstEdge, cornerOf } = table;
  const p = mesh.positions;
  const n = vertexCount(mesh);
  const isCrease = (c: number): boolean => twin[c] < 0 || mesh.sharp[c] === 1 || mesh.sharp[twin[c]] === 1;
  // sums over what meets in each vertex
  const faces = new Float64Array(3 * n);
  const middles = new Float64Array(3 * n);
  const creased = new Float64Array(3 * n);
  const [faceCounts, edgeCounts, creases] = [new Uint32Array(n), new Uint32Array(n), new Uint32Array(n)];
  for (let e = 0; e < cornerOf.length; e++) {
    const c = cornerOf[e];
    const [a, b] = endsOf(mesh, face[c], c);
    for (const [v, other] of [
      [a, b],
      [b, a],
    ]) {
      edgeCounts[v]++;
      if (isCrease(c)) creases[v]++;
      for (let k = 0; k < 3; k++) {
        middles[3 * v + k] += (p[3 * a + k] + p[3 * b + k]) / 2;
        if (isCrease(c)) creased[3 * v + k] += p[3 * other + k];
      }
    }
    if (isCrease(c)) continue;
    for (let k = 0; k < 3; k++) {
      const both = positions[3 * (firstFace + face[c]) + k] + positions[3 * (firstFace + face[twin[c]]) + k];
      positions[3 * (firstEdge + e) + k] = (p[3 * a + k] + p[3 * b + k] + both) / 4;
    }
  }
  mesh.faceVertices.forEach((v, c) => {
    faceCounts[v]++;
    for (let k = 0; k < 3; k++) faces[3 * v + k] += positions[3 * (firstFace + face[c]) + k];
  });
  for (let v = 0; v < n; v++) {
    if (creases[v] > 2 || faceCounts[v] === 0) continue;
    for (let k = 0; k < 3; k++) {
      const i = 3 * v + k;
      if (creases[v] === 2) positions[i] = 0.75 * p[i] + creased[i] / 8;
      else {
        const valence = edgeCounts[v];
        positions[i] = (faces[i] / faceCounts[v] + (2 * middles[i]) / valence + (valence - 3) * p[i]) / valence;
      }
    }
  }
}

/** Four corners for every old one; halves of sharp edges stay sharp. */
function connected(mesh: PolygonMesh, table: Table): PolygonMesh {
  const { firstFace, firstEdge, edgeOf } = table;
  const sink = new MeshSink(mesh, { keeps: false });
  placeVertices(mesh, table, sink);
  const isCarried = sink.carries('corner');
  for (let f = 0; f < faceCount(mesh); f++) {
    const all = isCarried ? faceCorners(mesh, f) : undefined;
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) {
      const before = c > mesh.faceStart[f] ? c - 1 : mesh.faceStart[f + 1] - 1;
      sink.corner(mesh.faceVertices[c], c, mesh.sharp[c]);
      sink.corner(firstEdge + edgeOf[c], all && [c, nextCorner(mesh, f, c)], 0);
      sink.corner(firstFace + f, all, 0);
      sink.corner(firstEdge + edgeOf[before], all && [c, before], mesh.sharp[before]);
      sink.endFace(mesh.region[f]);
    }
  }
  return sink.finish();
}

/** The old vertices, the middles of faces, those of edges. */
function placeVertices(mesh: PolygonMesh, { positions, firstFace, firstEdge, cornerOf }: Table, sink: MeshSink): void {
  const face = sink.carries('vertex') ? cornerFaces(mesh) : undefined;
  for (let v = 0; v < positions.length / 3; v++) {
    const place = positions.subarray(3 * v, 3 * v + 3);
    if (!face || v < firstFace) sink.vertexAt(place, v < firstFace ? v : undefined);
    else if (v < firstEdge)
      sink.vertexAt(
        place,
        faceCorners(mesh, v - firstFace).map((c) => mesh.faceVertices[c]),
      );
    else sink.vertexAt(place, endsOf(mesh, face[cornerOf[v - firstEdge]], cornerOf[v - firstEdge]));
  }
}
