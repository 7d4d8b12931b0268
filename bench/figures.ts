/** A figure of a run, as scripts read it. */
export interface Figure {
  name: string;
  value: number;
  unit: string;
  /** what it must not be beyond; null: nothing asked */
  bar: number | null;
  /** what it is hoped to reach */
  aim: number | null;
  /** the bar is met */
  ok: boolean;
  /** how many cases it is of */
  n: number;
}

interface Put {
  bar?: number;
  aim?: number;
  /** the bar is a floor instead of a ceiling */
  atLeast?: boolean;
  n?: number;
}

/** The yardstick of the machine that bars in seconds hold on, ms. */
const YARDSTICK_MS = 18;

/** What a benchmark says: a line for people, or a figure. */
export interface Say {
  (line: string): void;
  put(name: string, value: number, unit: string, put?: Put): void;
  /** whether a bar was not met */
  failed(): boolean;
}

/**
 * Lines for people, or with `json` one line of JSON a figure and nothing else. Bars in time hold at a yardstick of 18
 * ms and scale with the
 * machine's own.
 */
export function makeSay(json: boolean, yardstickMs: number): Say {
  let hasFailed = false;
  const say = (line: string): void => void (json || process.stdout.write(`${line}\n`));
  const put: Say['put'] = (name, value, unit, { bar, aim, atLeast = false, n = 1 } = {}) => {
    const scale = unit === 's' || unit === 'ms' ? yardstickMs / YARDSTICK_MS : 1;
    const scaled = bar === undefined ? null : bar * scale;
    const ok = scaled === null || (atLeast ? value >= scaled : value <= scaled);
    if (!ok) hasFailed = true;
    const figure: Figure = { name, value, unit, bar: scaled, aim: aim === undefined ? null : aim * scale, ok, n };
    if (json) process.stdout.write(`${JSON.stringify(figure)}\n`);
    else if (!ok) say(`  NOT MET: ${name} is ${value} ${unit}, the bar is ${scaled}`);
  };
  return Object.assign(say, { put, failed: () => hasFailed });
}
