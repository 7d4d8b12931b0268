import { utf8Bytes } from '../base/index.ts';
import type { Slots } from '../document/index.ts';
import { cornerNormals, faceCount, type PolygonMesh } from '../mesh/index.ts';
import { finishAt, finishKey, type LetterLook, type PieceLooks } from './looks.ts';
import type { MaterialNames } from './materialNames.ts';

/** One piece of a file that holds all its points in one space. */
export interface ObjPart {
  name: string;
  mesh: PolygonMesh;
  slots: Slots;
  others?: PieceLooks['others'];
  letters: readonly LetterLook[];
}

export interface ObjOptions {
  /** file of materials beside this one, and the names in it */
  materials?: { file: string; names: MaterialNames };
}

/**
 * Wavefront OBJ: polygons as they are, an object a piece where there are several, a group a part, a normal a corner,
 * and texture coordinates where it has some. Coordinates are written in the shortest form that reads back to the same
 * doubles.
 */
export function writeObj(parts: readonly ObjPart[], { materials }: ObjOptions = {}): Uint8Array {
  const writer = new ObjWriter(materials?.names);
  if (materials) writer.lines.push(`mtllib ${materials.file}`);
  for (const part of parts) {
    if (parts.length > 1) writer.lines.push(`o ${oneWord(part.name)}`);
    writer.add(part);
  }
  return utf8Bytes(writer.lines);
}

class ObjWriter {
  readonly lines: string[] = ['# Fictile'];
  readonly #names: MaterialNames | undefined;
  readonly #known = { vn: new Map<string, number>(), vt: new Map<string, number>() };
  #vertices = 0;

  constructor(names: MaterialNames | undefined) {
    this.#names = names;
  }

  add({ mesh, slots, others, letters }: ObjPart): void {
    const p = mesh.positions;
    for (let v = 0; v < p.length; v += 3) this.lines.push(`v ${plain(p[v])} ${plain(p[v + 1])} ${plain(p[v + 2])}`);
    const normalOf = this.#rows('vn', cornerNormals(mesh), 3);
    const uvOf = mesh.uv && this.#rows('vt', mesh.uv, 2);
    let group = '';
    for (let f = 0; f < faceCount(mesh); f++) {
      const { part, letter, of, ofLetter } = mesh.regions[mesh.region[f]];
      const own = letters[letter]?.finish;
      const key = own
        ? `${part} ${finishKey(own)}`
        : of === undefined
          ? part
          : `${part} of ${of} ${finishKey(finishAt({ slots, others }, { part, of, ofLetter }))}`;
      if (key !== group) {
        this.lines.push(`g ${part}`);
        if (this.#names)
          this.lines.push(`usemtl ${this.#names.of(own ?? finishAt({ slots, others }, { part, of, ofLetter }))}`);
        group = key;
      }
      let line = 'f';
      for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++)
        line += ` ${mesh.faceVertices[c] + this.#vertices + 1}/${uvOf ? uvOf[c] : ''}/${normalOf[c]}`;
      this.lines.push(line);
    }
    this.#vertices += p.length / 3;
  }

  /** Number of each corner's line of some kind; equal ones are written once. */
  #rows(kind: 'vn' | 'vt', values: ArrayLike<number>, width: number): Uint32Array {
    const known = this.#known[kind];
    const rowOf = new Uint32Array(values.length / width);
    for (let c = 0; c < rowOf.length; c++) {
      const text = Array.from({ length: width }, (_, k) => short(values[c * width + k])).join(' ');
      let row = known.get(text);
      if (row === undefined) {
        row = known.size + 1;
        known.set(text, row);
        this.lines.push(`${kind} ${text}`);
      }
      rowOf[c] = row;
    }
    return rowOf;
  }
}

/** Without the sign of a negative zero. */
const plain = (value: number): string => String(value === 0 ? 0 : value);

const short = (value: number): string => plain(Math.round(value * 1e6) / 1e6);

/** Names in an OBJ end at the first space in many readers. */
export const oneWord = (name: string): string => name.replace(/\s+/g, '_');
