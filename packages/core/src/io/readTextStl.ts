import { fail, LIMITS, ok, type MeshFault, type Result } from '../base/index.ts';
import { MeshBuilder, weld, type PolygonMesh } from '../mesh/index.ts';
import { decimal, textStart, wordsIn, type TextWord } from './readText.ts';

const broken = (place: number, why: MeshFault): Result<PolygonMesh> =>
  fail('MESH_BROKEN', { format: 'stl', place, why });

/**
 * STL written as text -> mesh, joined where points are equal. Read by its grammar, so that a file that was cut short,
 * wherever, is told:
 * solid NAME, facets of one loop of three vertices, endsolid NAME; several solids may follow one another. Names may be
 * any words.
 */
export function readTextStl(bytes: Uint8Array): Result<PolygonMesh> {
  const reader = new TextStl(bytes);
  try {
    return reader.read();
  } catch (fault) {
    if (fault instanceof GrammarFault) return broken(fault.at, fault.why);
    throw fault;
  }
}

class GrammarFault extends Error {
  readonly at: number;
  readonly why: MeshFault;

  constructor(at: number, why: MeshFault) {
    super(why);
    this.at = at;
    this.why = why;
  }
}

class TextStl {
  readonly #bytes: Uint8Array;
  readonly #builder = new MeshBuilder();
  #words: Generator<TextWord>;
  #at = 0;

  constructor(bytes: Uint8Array) {
    this.#bytes = bytes;
    this.#words = wordsIn(bytes, textStart(bytes));
  }

  read(): Result<PolygonMesh> {
    const body = this.#builder.region('body', -1, -1);
    let faces = 0;
    let [word, isOpen] = [this.#next(), false];
    if (word !== 'solid') return broken(this.#at, 'start');
    while (word !== undefined) {
      if (word === 'solid' && !isOpen) isOpen = this.#skipName();
      else if (word === 'endsolid' && isOpen) isOpen = !this.#skipName();
      else if (word === 'facet' && isOpen) {
        if (++faces > LIMITS.meshFaces)
          return fail('TOO_LARGE', { what: 'faces', size: faces, limit: LIMITS.meshFaces });
        this.#facet(body);
      } else return broken(this.#at, 'line');
      word = this.#next();
    }
    if (isOpen) return broken(this.#bytes.length, 'short');
    return faces > 0 ? ok(weld(this.#builder.finish())) : broken(0, 'no faces');
  }

  #facet(body: number): void {
    this.#expect('normal');
    // of no use here, and some programs write none that is a number
    for (let k = 0; k < 3; k++) this.#expect();
    this.#expect('outer');
    this.#expect('loop');
    for (let k = 0; k < 3; k++) {
      this.#expect('vertex');
      const [x, y, z] = [0, 1, 2].map(() => this.#number());
      this.#builder.corner(this.#builder.vertex(x, y, z));
    }
    this.#expect('endloop');
    this.#expect('endfacet');
    this.#builder.endFace(body);
  }

  /** In small letters; undefined at the end. */
  #next(): string | undefined {
    const next = this.#words.next();
    if (next.done) return undefined;
    this.#at = next.value.at;
    return next.value.word.toLowerCase();
  }

  #expect(word?: string): void {
    const found = this.#next();
    if (found === undefined) throw new GrammarFault(this.#bytes.length, 'short');
    if (word !== undefined && found !== word) throw new GrammarFault(this.#at, word === 'vertex' ? 'corners' : 'line');
  }

  #number(): number {
    const word = this.#next();
    if (word === undefined) throw new GrammarFault(this.#bytes.length, 'short');
    const value = decimal(word);
    if (Number.isNaN(value)) throw new GrammarFault(this.#at, 'vertex');
    return value;
  }

  /** A name goes to the end of its line, whatever words it has. */
  #skipName(): true {
    let end = this.#at;
    while (end < this.#bytes.length && this.#bytes[end] !== 10 && this.#bytes[end] !== 13) end++;
    this.#words = wordsIn(this.#bytes, end);
    return true;
  }
}
