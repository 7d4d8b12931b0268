import { cornerNormals, faceCount, type PolygonMesh } from '../mesh/index.ts';

/**
 * Wavefront OBJ: polygons as they are, a group a part, a normal a corner. Coordinates are written in the shortest form that reads back to the
 * same doubles. ASCII.
 */
export function writeObj(mesh: PolygonMesh): Uint8Array {
  const lines: string[] = ['# Fictile'];
  const p = mesh.positions;
  for (let v = 0; v < p.length; v += 3) lines.push(`v ${plain(p[v])} ${plain(p[v + 1])} ${plain(p[v + 2])}`);
  const normals = cornerNormals(mesh);
  const rows = new Map<string, number>();
  const normalOf = new Uint32Array(mesh.faceVertices.length);
  for (let c = 0; c < normalOf.length; c++) {
    const text = `${short(normals[c * 3])} ${short(normals[c * 3 + 1])} ${short(normals[c * 3 + 2])}`;
    let row = rows.get(text);
    if (row === undefined) {
      row = rows.size + 1;
      rows.set(text, row);
      lines.push(`vn ${text}`);
    }
    normalOf[c] = row;
  }
  let group = '';
  for (let f = 0; f < faceCount(mesh); f++) {
    const { part } = mesh.regions[mesh.region[f]];
    if (part !== group) {
      lines.push(`g ${part}`);
      group = part;
    }
    let line = 'f';
    for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++)
      line += ` ${mesh.faceVertices[c] + 1}//${normalOf[c]}`;
    lines.push(line);
  }
  return asciiBytes(lines.join('\n') + '\n');
}

/** Without the sign of a negative zero. */
const plain = (value: number): string => String(value === 0 ? 0 : value);

const short = (value: number): string => plain(Math.round(value * 1e6) / 1e6);

function asciiBytes(text: string): Uint8Array {
  const bytes = new Uint8Array(text.length);
  for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
  return bytes;
}
