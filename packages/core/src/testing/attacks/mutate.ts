import { textOf } from './text.ts';

const EXTREMES = [0, 1, 0x7fffffff, 0x80000000, 0xffffffff, 0xfffffffe, 0x00ffffff];
const WORDS = ['-1', '0', '1e999', '-1e300', '99999999999', '0x10', 'NaN', 'Infinity', '1.5', '', '2147483648', '0.'];

type Random = () => number;
const below = (random: Random, n: number): number => Math.floor(random() * n);

/**
 * A valid file with one to three faults put in, of the kinds that disks, lines and people make. The same seed makes
 * the same.
 */
export function mutate(bytes: Uint8Array, random: Random, isText: boolean): Uint8Array {
  // a plain array of its own, whatever kind of buffer it came in
  let out: Uint8Array = Uint8Array.from(bytes);
  const ways = isText ? [...IN_TEXT, ...IN_BYTES] : IN_BYTES;
  for (let k = below(random, 3); k >= 0 && out.length > 8; k--) out = ways[below(random, ways.length)](out, random);
  return out;
}

type Way = (bytes: Uint8Array, random: Random) => Uint8Array;

/** Where headers are, half of the time. */
const place = (bytes: Uint8Array, random: Random): number =>
  below(random, random() < 0.5 ? Math.min(bytes.length, 400) : bytes.length);

const spliced = (bytes: Uint8Array, at: number, remove: number, insert: Uint8Array): Uint8Array => {
  const out = new Uint8Array(bytes.length - remove + insert.length);
  out.set(bytes.subarray(0, at));
  out.set(insert, at);
  out.set(bytes.subarray(at + remove), at + insert.length);
  return out;
};

const IN_BYTES: readonly Way[] = [
  function cutShort(bytes, random) {
    return bytes.slice(0, below(random, bytes.length));
  },
  function bitTurned(bytes, random) {
    const out = bytes.slice();
    out[place(bytes, random)] ^= 1 << below(random, 8);
    return out;
  },
  function bytePut(bytes, random) {
    const out = bytes.slice();
    out[place(bytes, random)] = below(random, 256);
    return out;
  },
  function numberPut(bytes, random) {
    const out = bytes.slice();
    const at = Math.min(place(bytes, random) & ~3, out.length - 4);
    new DataView(out.buffer).setUint32(at, EXTREMES[below(random, EXTREMES.length)], random() < 0.7);
    return out;
  },
  function partLost(bytes, random) {
    const at = place(bytes, random);
    return spliced(bytes, at, Math.min(1 + below(random, 40), bytes.length - at), new Uint8Array(0));
  },
  function partTwice(bytes, random) {
    const at = place(bytes, random);
    return spliced(bytes, at, 0, bytes.slice(at, at + 1 + below(random, 40)));
  },
  function zeros(bytes, random) {
    const out = bytes.slice();
    const at = place(bytes, random);
    return out.fill(0, at, at + 64);
  },
];

/** Of text: in words and lines. */
const IN_TEXT: readonly Way[] = [
  function wordPut(bytes, random) {
    return inText(bytes, random, { what: /[-+.\w]+/g, change: () => WORDS[below(random, WORDS.length)] });
  },
  function lineLost(bytes, random) {
    return inText(bytes, random, { what: /[^\n]*\n/g, change: () => '' });
  },
  function lineTwice(bytes, random) {
    return inText(bytes, random, { what: /[^\n]*\n/g, change: (line) => line + line });
  },
  function signLost(bytes, random) {
    return inText(bytes, random, { what: /[^\w\s]/g, change: () => '' });
  },
  function longWord(bytes, random) {
    return inText(bytes, random, { what: /[-+.\w]+/g, change: (word) => word.repeat(200) });
  },
];

function inText(
  bytes: Uint8Array,
  random: Random,
  { what, change }: { what: RegExp; change: (found: string) => string },
): Uint8Array {
  const text = textOf(bytes, 'latin1');
  const found = [...text.matchAll(what)];
  if (found.length === 0) return bytes;
  const { index, 0: word } = found[below(random, found.length)];
  const changed = text.slice(0, index) + change(word) + text.slice(index + word.length);
  return Uint8Array.from(changed, (c) => c.charCodeAt(0));
}
