/** A function of a page's file (ISO 32000-1, 7.10), read as far as colours need it. */
export interface FunctionParts {
  type: number;
  domain: readonly number[];
  /** exponential: at 0 and at 1, and the exponent */
  c0?: readonly number[];
  c1?: readonly number[];
  exponent?: number;
  /** stitched of others */
  functions?: readonly FunctionParts[];
  bounds?: readonly number[];
  encode?: readonly number[];
  /** sampled over one number */
  samples?: readonly (readonly number[])[];
}

const clamped = (x: number, low = 0, high = 1): number => Math.min(high, Math.max(low, x));

/** Undefined where it is of a kind, or of a number of inputs, that is not worked out. */
export function valueOf(parts: FunctionParts, inputs: readonly number[]): number[] | undefined {
  if (inputs.length !== 1) return undefined;
  const x = clamped(inputs[0], parts.domain[0], parts.domain[1]);
  if (parts.type === 2) return exponential(parts, x);
  if (parts.type === 3) return stitched(parts, x);
  return parts.type === 0 ? sampled(parts, x) : undefined;
}

/** Of whole exponents up to eight: others hardly occur, and powers differ between engines. */
function exponential({ c0 = [0], c1 = [1], exponent = 1 }: FunctionParts, x: number): number[] | undefined {
  if (!(Number.isInteger(exponent) && exponent > 0 && exponent <= 8)) return undefined;
  const share = Array.from({ length: exponent }, () => x).reduce((a, b) => a * b);
  return c0.map((low, i) => low + share * ((c1[i] ?? low) - low));
}

function stitched(
  { functions = [], bounds = [], encode = [], domain }: FunctionParts,
  x: number,
): number[] | undefined {
  const found = bounds.findIndex((bound) => x < bound);
  const k = found < 0 ? functions.length - 1 : found;
  if (!(k in functions)) return undefined;
  const [low, high] = [bounds[k - 1] ?? domain[0] ?? 0, bounds[k] ?? domain[1] ?? 1];
  const [from, to] = [encode[2 * k] ?? 0, encode[2 * k + 1] ?? 1];
  return valueOf(functions[k], [high > low ? from + ((x - low) / (high - low)) * (to - from) : from]);
}

function sampled({ samples = [], domain }: FunctionParts, x: number): number[] | undefined {
  if (samples.length === 0) return undefined;
  const [low = 0, high = 1] = domain;
  const at = (high > low ? (x - low) / (high - low) : 0) * (samples.length - 1);
  const i = Math.min(samples.length - 1, Math.floor(at));
  const next = samples[Math.min(samples.length - 1, i + 1)];
  return samples[i].map((v, k) => v + (at - i) * (next[k] - v));
}
