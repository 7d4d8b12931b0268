import type { Failure, Remark } from '@fictile/core';
import * as words from '@fictile/words';

/** Faults that only the command line knows. */
export interface CliFault {
  code:
    | 'FLAG_UNKNOWN'
    | 'FLAG_VALUE'
    | 'FLAG_MISSING'
    | 'FILE_UNREADABLE'
    | 'FILE_UNWRITABLE'
    | 'COMMAND_UNKNOWN'
    | 'CASE_BROKEN'
    | 'CASE_ENDED'
    | 'PIECE_UNKNOWN'
    | 'NOTHING_BUILT'
    | 'ONTO_MISSES'
    | 'CUT_NOTHING'
    | 'CUT_LEFT_OUT'
    | 'CUT_APART'
    | 'TABLE_BROKEN'
    | 'FORMAT_UNKNOWN';
  message: string;
}

export class InputFault extends Error {
  readonly code: string;

  constructor(code: string, message: string) {
    super(message);
    this.code = code;
  }
}

export const fault = (code: CliFault['code'], message: string): InputFault => new InputFault(code, message);

export const faultOf = (failure: Failure): InputFault =>
  new InputFault(failure.code, words.failureText(failure, 'line'));

export const remarkText = (remark: Remark): string => words.remarkText(remark, 'line');
