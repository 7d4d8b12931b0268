import type { ByteCache } from './byteCache.ts';
import { shareOut, type Crew } from './crew.ts';
import { keyHash } from './sha256.ts';
import { counted, type StageLog } from './stageLog.ts';

/** Something large that is named by what it was made of. */
export interface Named<T> {
  readonly key: string;
  readonly of: T;
}

/**
 * All of some inputs as a text, by value; what is named stands by its key. Throws for what has no value of its own:
 * functions, maps, classes.
 */
export const spelled = (inputs: unknown): string => JSON.stringify(inputs, valueOnly);

/** The key of what a stage makes: of all that it takes, however much that is. */
export const keyOf = (stage: string, inputs: unknown): string => keyHash(`${stage} ${spelled(inputs)}`);

/** Longer names are hashed. */
const LONGEST_NAME = 1000;

/** As keyOf, for what there are thousands of: a short text stands for itself, which is quicker than hashing it. */
export function shortKeyOf(stage: string, inputs: unknown): string {
  const text = `${stage} ${spelled(inputs)}`;
  return text.length > LONGEST_NAME ? keyHash(text) : text;
}

function valueOnly(name: string, value: unknown): unknown {
  if (typeof value === 'function') throw new Error(`${name} is a function: no key can hold it`);
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  if ('key' in value && 'of' in value) return value.key;
  const made = (Object.getPrototypeOf(value) as { constructor?: { name?: string } } | null)?.constructor?.name;
  if (made !== undefined && made !== 'Object') throw new Error(`${name} is a ${made}: no key can hold it`);
  return value;
}

/** A step of the work that depends on its inputs alone; `tools` do not change what it makes. */
export interface Stage<I, T, V> {
  name: string;
  /** undefined: cancelled */
  make(inputs: I, tools: T): V | undefined | Promise<V | undefined>;
  bytesOf(made: V): number;
  /** left out: all that is made */
  isKept?(made: V): boolean;
}

/** Remembers what a stage has made, by all that it was given. */
export class Memo<I, T, V> {
  readonly #stage: Stage<I, T, V>;
  readonly #cache: ByteCache<V>;
  readonly #log: StageLog | undefined;

  constructor(stage: Stage<I, T, V>, cache: ByteCache<V>, log?: StageLog) {
    this.#stage = stage;
    this.#cache = cache;
    this.#log = log;
    log?.holds(cache);
  }

  /** What was made, and its key. Undefined when cancelled. */
  async get(inputs: I, tools: T): Promise<Named<V> | undefined> {
    const key = keyOf(this.#stage.name, inputs);
    const known = this.#cache.get(key);
    if (known !== undefined) {
      this.#log?.found(this.#stage.name);
      return { key, of: known };
    }
    const made = await counted(this.#log, this.#stage.name, () => this.#stage.make(inputs, tools));
    if (made === undefined) return undefined;
    if (this.#stage.isKept?.(made) !== false) this.#cache.set(key, made, this.#stage.bytesOf(made));
    return { key, of: made };
  }
}

/** A stage that is quick to name and made at once; what stops it throws. */
export interface QuickStage<I, T, V> {
  name: string;
  make(inputs: I, tools: T): V;
  bytesOf(made: V): number;
  /** whether what was made holds under other bounds too; left out: tools change nothing of it */
  fits?(made: V, tools: T): boolean;
}

/** Remembers what a quick stage has made, by all that it was given. */
export class QuickMemo<I, T, V> {
  readonly #stage: QuickStage<I, T, V>;
  readonly #cache: ByteCache<V>;
  readonly #log: StageLog | undefined;

  constructor(stage: QuickStage<I, T, V>, cache: ByteCache<V>, log?: StageLog) {
    this.#stage = stage;
    this.#cache = cache;
    this.#log = log;
    log?.holds(cache);
  }

  get(inputs: I, tools: T): Named<V> {
    return this.take(this.row(inputs, tools));
  }

  /** What is to be made, named once however often it is asked for. */
  row(inputs: I, tools: T): StageRow<I, T> {
    return { key: shortKeyOf(this.#stage.name, inputs), inputs, tools };
  }

  take(row: StageRow<I, T>): Named<V> {
    const known = this.#known(row);
    if (known !== undefined) {
      this.#log?.found(this.#stage.name);
      return { key: row.key, of: known };
    }
    return { key: row.key, of: counted(this.#log, this.#stage.name, () => this.#make(row)) };
  }

  /**
   * Makes what is missing of many with others' help, so that `take` finds it. `rows`: the longest work first; `sent`:
   * what others need of a row.
   */
  async fill(
    rows: readonly StageRow<I, T>[],
    crew: Crew,
    { sent, noted, progress }: { sent(row: StageRow<I, T>): unknown; noted?(): void; progress?(share: number): void },
  ): Promise<void> {
    const missing = new Map<string, StageRow<I, T>>();
    for (const row of rows) if (this.#known(row) === undefined) missing.set(row.key, row);
    if (missing.size < 2) return;
    let done = 0;
    const tell = (): void => progress?.(++done / missing.size);
    const share = (): Promise<void> =>
      shareOut([...missing.values()], crew, {
        here: (row) => {
          this.#make(row);
          tell();
        },
        there: async (row) => {
          const made = (await crew.work(this.#stage.name, sent(row))) as V | undefined;
          if (made === undefined) return false;
          this.#keep(row, made);
          noted?.();
          tell();
          return true;
        },
      });
    await counted(this.#log, this.#stage.name, share, { count: missing.size });
  }

  #known({ key, tools }: StageRow<I, T>): V | undefined {
    const known = this.#cache.get(key);
    return known === undefined || this.#stage.fits?.(known, tools) === false ? undefined : known;
  }

  #make(row: StageRow<I, T>): V {
    return this.#keep(row, this.#stage.make(row.inputs, row.tools));
  }

  #keep({ key }: StageRow<I, T>, made: V): V {
    this.#cache.set(key, made, this.#stage.bytesOf(made));
    return made;
  }
}

/** One of many that a stage is to make. */
export interface StageRow<I, T> {
  key: string;
  inputs: I;
  tools: T;
}
