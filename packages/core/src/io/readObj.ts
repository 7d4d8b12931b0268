import { fail, LIMITS, ok, type MeshFault, type Result } from '../base/index.ts';
import { faceCorners, MeshBuilder, type PolygonMesh } from '../mesh/index.ts';
import { inLevel, levelNamed, type Level } from './levels.ts';
import { decimal, latin1, textStart } from './readText.ts';

/** Wavefront OBJ -> mesh, polygons as they are; groups, materials, texture coordinates and normals are passed over. */
export function readObj(bytes: Uint8Array): Result<PolygonMesh> {
  const read = readObjLevel(bytes, 0);
  return read.ok ? ok(read.value.mesh) : read;
}

/** The same of a file whose objects may be levels of detail by their names; `level`: which of them. */
export function readObjLevel(bytes: Uint8Array, level: number): Result<{ mesh: PolygonMesh; levels: number }> {
  if (bytes.length > LIMITS.meshBytes)
    return fail('TOO_LARGE', { what: 'mesh file', size: bytes.length, limit: LIMITS.meshBytes });
  const builder = new MeshBuilder();
  const body = builder.region('body', -1, -1);
  const objects: ObjectRows[] = [{ from: 0, to: 0 }];
  let faces = 0;
  for (const { text, number } of linesOf(bytes)) {
    if (CONTROL.test(text)) return broken(number, 'line');
    // normals, texture coordinates and comments are half of many files
    if (!/^\s*[vfo](\s|$)/.test(text)) continue;
    const words = text.trim().split(/\s+/);
    if (words[0] === 'v') {
      const [x, y, z] = words.slice(1, 4).map(decimal);
      if (words.length < 4 || Number.isNaN(x + y + z)) return broken(number, 'vertex');
      builder.vertex(x, y, z);
    } else if (words[0] === 'f') {
      if (words.length - 1 > LIMITS.faceCorners)
        return fail('TOO_LARGE', { what: 'corners of one face', size: words.length - 1, limit: LIMITS.faceCorners });
      const corners = words.slice(1).map((word) => cornerIndex(word, builder.vertexCount));
      if (corners.length < 3) return broken(number, 'corners');
      if (corners.includes(-1)) return broken(number, 'face');
      if (++faces > LIMITS.meshFaces) return fail('TOO_LARGE', { what: 'faces', size: faces, limit: LIMITS.meshFaces });
      builder.face(corners, body);
      objects[objects.length - 1].to = faces;
    } else if (words[0] === 'o') objects.push({ from: faces, to: faces, level: levelNamed(words.slice(1).join(' ')) });
  }
  if (faces === 0) return broken(0, 'no faces');
  const { parts, levels } = inLevel(
    objects.filter(({ from, to }) => to > from),
    level,
  );
  return ok({ mesh: levels === 1 ? builder.finish() : facesOf(builder.finish(), parts), levels });
}

/** Faces of an object, one after the other; `to`: the one behind them. */
interface ObjectRows {
  from: number;
  to: number;
  level?: Level;
}

/** Some faces, and the points they stand on. */
function facesOf(mesh: PolygonMesh, rows: readonly ObjectRows[]): PolygonMesh {
  const builder = new MeshBuilder();
  const body = builder.region('body', -1, -1);
  const own = new Map<number, number>();
  const vertexOf = (v: number): number => {
    const known =
      own.get(v) ?? builder.vertex(mesh.positions[3 * v], mesh.positions[3 * v + 1], mesh.positions[3 * v + 2]);
    own.set(v, known);
    return known;
  };
  for (const { from, to } of rows)
    for (let f = from; f < to; f++)
      builder.face(
        faceCorners(mesh, f).map((c) => vertexOf(mesh.faceVertices[c])),
        body,
      );
  return builder.finish();
}

/** What stands in no text: the file is of another kind, or damaged. */
const CONTROL = /[\0-\x08\x0e-\x1f]/;

const broken = (place: number, why: MeshFault): ReturnType<typeof fail> =>
  fail('MESH_BROKEN', { format: 'obj', place, why });

/** "3", "3/1", "3//2", "-1" -> index from 0; -1 when it names no vertex so far. */
function cornerIndex(word: string, count: number): number {
  const slash = word.indexOf('/');
  const value = decimal(slash < 0 ? word : word.slice(0, slash));
  if (!Number.isInteger(value)) return -1;
  const index = value > 0 ? value - 1 : count + value;
  return value !== 0 && index >= 0 && index < count ? index : -1;
}

/**
 * Lines of a text file one after the other; a backslash at the end joins the next. Bytes beyond ASCII only occur in
 * what is passed over.
 */
function* linesOf(bytes: Uint8Array): Generator<{ text: string; number: number }> {
  let text = '';
  let number = 1;
  let first = 1;
  let start = textStart(bytes);
  for (let i = start; i <= bytes.length; i++) {
    if (i < bytes.length && bytes[i] !== 10) continue;
    text += latin1(bytes, start, i > start && bytes[i - 1] === 13 ? i - 1 : i);
    start = i + 1;
    if (text.endsWith('\\')) text = text.slice(0, -1) + ' ';
    else {
      yield { text, number: first };
      text = '';
      first = number + 1;
    }
    number++;
  }
}
