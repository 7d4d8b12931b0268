import { utf8Bytes } from '../base/index.ts';
import { faceCount, vertexCount, type PolygonMesh } from '../mesh/index.ts';

/** Counts of corners are one byte in most readers; larger faces get four, for the whole file. */
const LARGEST_SHORT_FACE = 255;

/**
 * Binary PLY (little endian): polygons as they are, 32-bit coordinates. The meshes must hold 32-bit values already
 * (toFloat32).
 */
export function writePly(meshes: readonly PolygonMesh[]): Uint8Array {
  const vertices = meshes.reduce((sum, mesh) => sum + vertexCount(mesh), 0);
  const faces = meshes.reduce((sum, mesh) => sum + faceCount(mesh), 0);
  const corners = meshes.reduce((sum, mesh) => sum + mesh.faceVertices.length, 0);
  const countBytes = largestFace(meshes) > LARGEST_SHORT_FACE ? 4 : 1;
  const head = utf8Bytes([
    'ply',
    'format binary_little_endian 1.0',
    'comment Fictile',
    `element vertex ${vertices}`,
    'property float x',
    'property float y',
    'property float z',
    `element face ${faces}`,
    `property list ${countBytes === 1 ? 'uchar' : 'uint'} int vertex_indices`,
    'end_header',
  ]);
  const bytes = new Uint8Array(head.length + 12 * vertices + countBytes * faces + 4 * corners);
  bytes.set(head);
  const view = new DataView(bytes.buffer);
  let at = head.length;
  for (const mesh of meshes)
    for (const value of mesh.positions) {
      view.setFloat32(at, value, true);
      at += 4;
    }
  let first = 0;
  for (const mesh of meshes) {
    for (let f = 0; f < faceCount(mesh); f++) {
      const size = mesh.faceStart[f + 1] - mesh.faceStart[f];
      if (countBytes === 1) view.setUint8(at, size);
      else view.setUint32(at, size, true);
      at += countBytes;
      for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++, at += 4)
        view.setInt32(at, mesh.faceVertices[c] + first, true);
    }
    first += vertexCount(mesh);
  }
  return bytes;
}

function largestFace(meshes: readonly PolygonMesh[]): number {
  let largest = 0;
  for (const { faceStart } of meshes)
    for (let f = 0; f + 1 < faceStart.length; f++) largest = Math.max(largest, faceStart[f + 1] - faceStart[f]);
  return largest;
}
