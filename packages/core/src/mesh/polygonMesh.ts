/** What a face belongs to; drawn, coloured and named by this. */
export type Part =
  | 'front'
  | 'frontEdge'
  | 'outerWall'
  | 'innerWall'
  | 'backEdge'
  | 'back'
  | 'body'
  /** of lettering that is sunk into something, and the rounding where it comes up to or out of the surface */
  | 'floor'
  | 'recess'
  | 'lip'
  | 'foot';

/** A row of a mesh's small table of regions. */
export interface Region {
  part: Part;
  /** index into the letters of the lettering; -1 for what is no lettering */
  letter: number;
  /** ring of the outline that the face grew from; -1 for fronts and backs */
  contour: number;
  /** id of another piece, as which the face looks: that which cut it */
  of?: string;
  /** id of the letter of that piece, where it is lettering */
  ofLetter?: number;
  /** number of the material that a model came with, where it keeps its own */
  paint?: number;
}

/**
 * A mesh of simple polygons, corners counter-clockwise seen from outside. No face has a hole or comes through a vertex
 * twice. An edge is named by the corner it starts at.
 */
export interface PolygonMesh {
  /** three numbers a vertex, mm */
  positions: Float64Array;
  /** first corner of each face, and the number of corners at the end */
  faceStart: Uint32Array;
  /** vertex of each corner */
  faceVertices: Uint32Array;
  /** per corner: 1 when shading breaks at the edge starting here */
  sharp: Uint8Array;
  /**
   * two numbers a corner: texture coordinates, mm on the unrolled surface, or as a model came with them (1 a picture,
   * up is up) where it keeps its own materials; undefined where nobody laid them out
   */
  uv?: Float32Array;
  /** three numbers a vertex, mm: where it lay in the flat layout; undefined where nothing was shaped yet */
  rest?: Float64Array;
  /** per face: row of `regions` */
  region: Uint32Array;
  regions: Region[];
}

export const faceCount = (mesh: Pick<PolygonMesh, 'faceStart'>): number => mesh.faceStart.length - 1;
export const vertexCount = (mesh: PolygonMesh): number => mesh.positions.length / 3;

export const emptyMesh = (): PolygonMesh => ({
  positions: new Float64Array(0),
  faceStart: new Uint32Array(1),
  faceVertices: new Uint32Array(0),
  sharp: new Uint8Array(0),
  region: new Uint32Array(0),
  regions: [],
});

/** Neighbours and triangles, which are kept as long as a mesh once somebody has asked for them; bytes a corner. */
const BESIDE = 18;

export const meshBytes = (mesh: PolygonMesh): number =>
  BESIDE * mesh.faceVertices.length +
  mesh.positions.byteLength +
  mesh.faceStart.byteLength +
  mesh.faceVertices.byteLength +
  mesh.sharp.byteLength +
  (mesh.uv?.byteLength ?? 0) +
  (mesh.rest?.byteLength ?? 0) +
  mesh.region.byteLength +
  64 * mesh.regions.length;

/** Corner after `corner` in face `face`. */
export function nextCorner(mesh: PolygonMesh, face: number, corner: number): number {
  return corner + 1 < mesh.faceStart[face + 1] ? corner + 1 : mesh.faceStart[face];
}

/** Corners of a face, in order. */
export const faceCorners = ({ faceStart }: PolygonMesh, face: number): number[] =>
  Array.from({ length: faceStart[face + 1] - faceStart[face] }, (_, k) => faceStart[face] + k);

/** Face of every corner. */
export function cornerFaces(mesh: PolygonMesh): Uint32Array {
  const faces = new Uint32Array(mesh.faceVertices.length);
  for (let f = 0; f < faceCount(mesh); f++) faces.fill(f, mesh.faceStart[f], mesh.faceStart[f + 1]);
  return faces;
}
