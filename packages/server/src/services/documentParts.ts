import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { deflateRaw, inflateRaw, type ZlibOptions } from 'node:zlib';

/** A document as it is kept: its own text, and the large parts that it names, packed, by hash. */
export interface KeptDocument {
  text: string;
  parts: Map<string, Buffer>;
}

/** From so many characters of JSON on a value is a part of its own: less would cost more to find than to keep again. */
const LEAST = 4096;
/**
 * A long list is kept in runs that end where an entry says so: what is put into its middle changes one run, not all
 * after it.
 */
const RUN = { entries: 64, least: LEAST, most: 16 * LEAST, ends: 32 };
/** Unpacked; no document is larger. */
const MOST_BYTES = 64 * 1024 * 1024;

const pack = promisify<Buffer, ZlibOptions, Buffer>(deflateRaw);
const unpack = promisify<Buffer, ZlibOptions, Buffer>(inflateRaw);

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');

export async function splitDocument(document: object): Promise<KeptDocument> {
  const texts = new Map<string, string>();
  const own = inParts(document, texts);
  const packed = [...texts].map(async ([hash, text]) => [hash, await pack(Buffer.from(text), { level: 1 })] as const);
  return { text: JSON.stringify(own), parts: new Map(await Promise.all(packed)) };
}

function inParts(value: unknown, texts: Map<string, string>): unknown {
  if (typeof value === 'string') return value.length >= LEAST ? asPart(JSON.stringify(value), texts) : value;
  if (typeof value !== 'object' || value === null) return value;
  const inside = Array.isArray(value)
    ? inRuns(
        value.map((one) => inParts(one, texts)),
        texts,
      )
    : Object.fromEntries(Object.entries(value).map(([key, one]) => [key, inParts(one, texts)]));
  const text = JSON.stringify(inside);
  return text.length >= LEAST ? asPart(text, texts) : inside;
}

function asPart(text: string, texts: Map<string, string>): { $part: string } {
  const hash = hashOf(text);
  texts.set(hash, text);
  return { $part: hash };
}

function inRuns(list: unknown[], texts: Map<string, string>): unknown {
  if (list.length <= RUN.entries) return list;
  const runs: unknown[] = [];
  let [run, size]: [unknown[], number] = [[], 0];
  const close = (): void => {
    if (run.length > 0) runs.push(size >= LEAST ? asPart(JSON.stringify(run), texts) : run);
    [run, size] = [[], 0];
  };
  for (const one of list) {
    const text = JSON.stringify(one);
    run.push(one);
    size += text.length + 1;
    const isEnd = createHash('sha256').update(text).digest()[0] % RUN.ends === 0;
    if ((isEnd && size >= RUN.least) || size >= RUN.most) close();
  }
  close();
  return { $runs: runs };
}

const PART = /"\$part":"([0-9a-f]{64})"/g;

/** The parts that a kept text names itself. */
export const partsIn = (text: string): string[] => [...text.matchAll(PART)].map(([, hash]) => hash);

/**
 * A kept document whole again. `load` gives the bytes of parts that are there; throws where one is missing or damaged.
 */
export async function joinDocument(
  text: string,
  load: (hashes: string[]) => Promise<ReadonlyMap<string, Buffer>>,
): Promise<unknown> {
  const texts = new Map<string, string>();
  for (let wanted = partsIn(text); wanted.length > 0;) {
    const found = await load(wanted);
    const next = new Set<string>();
    for (const hash of wanted) {
      const part = await textOf(hash, found.get(hash));
      texts.set(hash, part);
      for (const inside of partsIn(part)) if (!texts.has(inside)) next.add(inside);
    }
    wanted = [...next].filter((hash) => !texts.has(hash));
  }
  return whole(JSON.parse(text), texts);
}

export const unpackPart = async (bytes: Buffer): Promise<string> =>
  (await unpack(bytes, { maxOutputLength: MOST_BYTES })).toString('utf8');

async function textOf(hash: string, bytes: Buffer | undefined): Promise<string> {
  if (!bytes) throw new Error('a part of it is missing');
  const text = await unpackPart(bytes);
  if (hashOf(text) !== hash) throw new Error('a part of it was changed');
  return text;
}

function whole(value: unknown, texts: ReadonlyMap<string, string>): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map((one) => whole(one, texts));
  const [[key, inside] = [], ...others] = Object.entries(value) as [string, unknown][];
  if (others.length === 0 && key === '$part' && typeof inside === 'string') {
    const text = texts.get(inside);
    return text === undefined ? value : whole(JSON.parse(text), texts);
  }
  if (others.length === 0 && key === '$runs' && Array.isArray(inside))
    return inside.flatMap((run) => whole(run, texts) as unknown[]);
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, whole(one, texts)]));
}
