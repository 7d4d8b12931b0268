import { LIMITS } from './limits.ts';
import { fail, ok, type Result } from './result.ts';

/** Every place where core runs has this; the compiler is told no more of those places than it needs. */
declare const TextDecoder: new (label: string, options: { fatal: boolean }) => { decode(bytes: Uint8Array): string };

export interface JsonBounds {
  /** how deep brackets stand in each other */
  depth: number;
  /** opening brackets and commas: at least as many as there are values */
  values: number;
}

const USUAL: JsonBounds = { depth: LIMITS.jsonDepth, values: LIMITS.jsonValues };

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const OPENING = new Set([0x5b, 0x7b]);
const CLOSING = new Set([0x5d, 0x7d]);

/**
 * UTF-8 JSON -> a value. Depth and number of values are counted on the bytes first, and nothing above the bounds is
 * parsed: an empty object
 * takes 3 bytes of a file and 60 of memory. `what` stands in the message. Errors: TOO_LARGE, and PROJECT_BROKEN for
 * what is no JSON.
 */
export function parseBoundedJson(bytes: Uint8Array, what: string, bounds: JsonBounds = USUAL): Result<unknown> {
  const over = overBounds(bytes, bounds);
  if (over) return fail('TOO_LARGE', { what, ...over });
  try {
    return ok(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)));
  } catch {
    return fail('PROJECT_BROKEN', { path: 'document', why: 'it is no JSON' });
  }
}

function overBounds(bytes: Uint8Array, { depth, values }: JsonBounds): { size: number; limit: number } | undefined {
  let [open, count, isText] = [0, 0, false];
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i];
    if (isText) {
      if (byte === BACKSLASH) i++;
      else if (byte === QUOTE) isText = false;
    } else if (byte === QUOTE) isText = true;
    else if (byte === COMMA) count++;
    else if (OPENING.has(byte)) {
      count++;
      if (++open > depth) return { size: open, limit: depth };
    } else if (CLOSING.has(byte)) open--;
    if (count > values) return { size: count, limit: values };
  }
  return undefined;
}
