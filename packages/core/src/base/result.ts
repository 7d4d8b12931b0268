import type { ErrorCode, ErrorParams } from './codes.ts';

/** What went wrong: a code from the table in codes.ts and the values its sentence needs. */
export type Failure = { [C in ErrorCode]: { code: C; params: ErrorParams[C] } }[ErrorCode];

export type Result<T> = { ok: true; value: T } | { ok: false; error: Failure };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export function fail<C extends ErrorCode>(code: C, params: ErrorParams[C]): { ok: false; error: Failure } {
  return { ok: false, error: { code, params } as Failure };
}

type Told = { readonly code?: string | undefined };
/** The work was given up, because of a newer edit or a person. */
export const isCancelled = ({ code }: Told): boolean => code === 'CANCELLED';
export const isTooLarge = ({ code }: Told): boolean => code === 'TOO_LARGE';
/** A document of a later version of the application. */
export const isNewer = ({ code }: Told): boolean => code === 'PROJECT_NEWER';

/** Name of errors that whoever loads WASM modules throws when one can't be had. */
export const MISSING_PART = 'MissingPart';

/** For callers that have already checked: throws on a failure, which is then a bug. */
export function unwrap<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(`${result.error.code} ${JSON.stringify(result.error.params)}`);
}
