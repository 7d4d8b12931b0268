import type { ErrorCode, ErrorParams } from './codes.ts';

/** What went wrong: a code from the table in codes.ts and the values its sentence needs. */
export type Failure = { [C in ErrorCode]: { code: C; params: ErrorParams[C] } }[ErrorCode];

export type Result<T> = { ok: true; value: T } | { ok: false; error: Failure };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export function fail<C extends ErrorCode>(code: C, params: ErrorParams[C]): { ok: false; error: Failure } {
  return { ok: false, error: { code, params } as Failure };
}

/** Name of errors that whoever loads WASM modules throws when one can't be had. */
export const MISSING_PART = 'MissingPart';

/** For callers that have already checked: throws on a failure, which is then a bug. */
export function unwrap<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(`${result.error.code} ${JSON.stringify(result.error.params)}`);
}
