import { fail, LIMITS, ok, type Result } from '../base/index.ts';
import { MeshBuilder, weld, type PolygonMesh } from '../mesh/index.ts';

/** Words of a text file one after the other, without ever holding all of them. */
export function* wordsIn(bytes: Uint8Array, start = 0): Generator<{ word: string; at: number }> {
  let from = -1;
  for (let i = start; i <= bytes.length; i++) {
    const isSpace = i === bytes.length || bytes[i] <= 32;
    if (!isSpace && from < 0) from = i;
    if (!isSpace || from < 0) continue;
    // no number and no word of these formats is longer
    yield { word: String.fromCharCode(...bytes.subarray(from, Math.min(i, from + 64))), at: from };
    from = -1;
  }
}

/** STL written as text -> mesh: three places a facet, joined where they are equal. */
export function readTextStl(bytes: Uint8Array): Result<PolygonMesh> {
  const builder = new MeshBuilder();
  const body = builder.region('body', -1, -1);
  const broken = (place: number, why: string): Result<PolygonMesh> =>
    fail('MESH_BROKEN', { format: 'stl', place, why });
  const words = wordsIn(bytes);
  let corners: number[] = [];
  let faces = 0;
  for (const { word, at } of words) {
    if (word.toLowerCase() !== 'vertex') continue;
    const place = [0, 1, 2].map(() => Number(words.next().value?.word ?? NaN));
    if (!place.every(Number.isFinite)) return broken(at, 'vertex');
    corners.push(builder.vertex(place[0], place[1], place[2]));
    if (corners.length < 3) continue;
    if (++faces > LIMITS.meshFaces) return fail('TOO_LARGE', { what: 'faces', size: faces, limit: LIMITS.meshFaces });
    builder.face(corners, body);
    corners = [];
  }
  if (corners.length > 0) return broken(bytes.length, 'short');
  return faces > 0 ? ok(weld(builder.finish())) : broken(0, 'no faces');
}
