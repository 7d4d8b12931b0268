/** What a content stream is made of (ISO 32000-1, 7.8.2): values, and the operators that take those before them. */
export type Value = number | string | Name | Value[] | Dictionary | boolean | null;
export interface Dictionary {
  [key: string]: Value;
}
/** A name without its slash. */
export class Name {
  readonly text: string;
  constructor(text: string) {
    this.text = text;
  }
}

export interface Operation {
  operator: string;
  values: Value[];
}

const SPACE = new Set([0, 9, 10, 12, 13, 32]);
const DELIMITERS = new Set([...'()<>[]{}/%'].map((one) => one.charCodeAt(0)));
const [OPEN, CLOSE, LESS, MORE, SQUARE, UNSQUARE, SLASH, PERCENT, BACKSLASH] = [...'()<>[]/%\\'].map((one) =>
  one.charCodeAt(0),
);
/** Values before an operator: more than any takes but the drawing of text. */
const MOST_VALUES = 512;
const DEEPEST = 32;

/**
 * Goes through a content stream; what makes no sense is passed over. Pictures in the stream are one operation, "BI".
 */
export function* operationsOf(bytes: Uint8Array): Generator<Operation> {
  const reader = new ContentReader(bytes);
  let values: Value[] = [];
  for (let token = reader.next(0); token !== END; token = reader.next(0)) {
    if (!(token instanceof Word)) {
      if (values.length < MOST_VALUES) values.push(token);
      continue;
    }
    if (token.text === 'BI') reader.skipPicture();
    yield { operator: token.text, values };
    values = [];
  }
}

/** A word that is no value. */
class Word {
  readonly text: string;
  constructor(text: string) {
    this.text = text;
  }
}
const END = Symbol('end');
type Token = Value | Word | typeof END;

class ContentReader {
  readonly #bytes: Uint8Array;
  #at = 0;

  constructor(bytes: Uint8Array) {
    this.#bytes = bytes;
  }

  next(depth: number): Token {
    this.#skipSpace();
    const byte = this.#bytes[this.#at];
    if (byte === undefined || depth > DEEPEST) return END;
    if (byte === SLASH) return new Name(this.#name());
    if (byte === OPEN) return this.#string();
    if (byte === SQUARE) return this.#array(depth);
    if (byte === LESS) return this.#bytes[this.#at + 1] === LESS ? this.#dictionary(depth) : this.#hex();
    if (DELIMITERS.has(byte)) {
      this.#at += byte === MORE && this.#bytes[this.#at + 1] === MORE ? 2 : 1;
      return new Word(byte === UNSQUARE ? ']' : byte === MORE ? '>>' : String.fromCharCode(byte));
    }
    const word = this.#run();
    const number = Number(word);
    if (word !== '' && Number.isFinite(number)) return number;
    return word === 'true' ? true : word === 'false' ? false : word === 'null' ? null : new Word(word);
  }

  /** Past the data of a picture: its end stands between spaces. */
  skipPicture(): void {
    for (; this.#at < this.#bytes.length; this.#at++) {
      const [before, e, i, after] = this.#bytes.subarray(this.#at, this.#at + 4);
      if (SPACE.has(before) && e === 0x45 && i === 0x49 && (after === undefined || SPACE.has(after))) {
        this.#at += 3;
        return;
      }
    }
  }

  #skipSpace(): void {
    for (;;) {
      const byte = this.#bytes[this.#at];
      if (byte === PERCENT)
        while (this.#at < this.#bytes.length && this.#bytes[this.#at] !== 10 && this.#bytes[this.#at] !== 13)
          this.#at++;
      else if (byte !== undefined && SPACE.has(byte)) this.#at++;
      else return;
    }
  }

  #run(): string {
    const from = this.#at;
    while (this.#at < this.#bytes.length && !SPACE.has(this.#bytes[this.#at]) && !DELIMITERS.has(this.#bytes[this.#at]))
      this.#at++;
    return String.fromCharCode(...this.#bytes.subarray(from, Math.min(this.#at, from + 256)));
  }

  #name(): string {
    this.#at++;
    return this.#run().replace(/#([0-9a-f]{2})/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16)));
  }

  #array(depth: number): Value[] {
    this.#at++;
    const values: Value[] = [];
    for (;;) {
      const token = this.next(depth + 1);
      if (token === END || (token instanceof Word && token.text === ']')) return values;
      if (!(token instanceof Word) && values.length < MOST_VALUES) values.push(token);
    }
  }

  #dictionary(depth: number): Dictionary {
    this.#at += 2;
    const entries: [string, Value][] = [];
    for (;;) {
      const key = this.next(depth + 1);
      if (key === END || (key instanceof Word && key.text === '>>')) break;
      const value = this.next(depth + 1);
      if (value === END) break;
      if (key instanceof Name && !(value instanceof Word)) entries.push([key.text, value]);
    }
    return Object.fromEntries(entries);
  }

  /** Text is never drawn here: what it says does not matter. */
  #string(): string {
    let depth = 0;
    for (; this.#at < this.#bytes.length; this.#at++) {
      const byte = this.#bytes[this.#at];
      if (byte === BACKSLASH) this.#at++;
      else if (byte === OPEN) depth++;
      else if (byte === CLOSE && --depth === 0) break;
    }
    this.#at++;
    return '';
  }

  #hex(): string {
    while (this.#at < this.#bytes.length && this.#bytes[this.#at] !== MORE) this.#at++;
    this.#at++;
    return '';
  }
}
